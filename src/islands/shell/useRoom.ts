import { useDeferredValue, useEffect } from 'react';
import { noteKept } from '../../app/kit/keptMarker.ts';
import { show } from '../../app/kit/shown.ts';
import { today } from '../../app/kit/today.ts';
import { watchUpdates } from '../../app/kit/updates.ts';
import { type KitState, useKit } from '../../app/kit/useKit.ts';
import { watchStore } from '../../app/kit/watchStore.ts';
import type { ListKey } from '../../kit/collections.ts';
import { watchStrayFiles } from '../../ui/strayFiles.ts';
import { whenIdle } from '../../ui/whenIdle.ts';
import { storeNotices, tellPlatform, updateNotices } from './updateNotice.tsx';

/**
 * The kit of a view, live, with all that goes on behind every view: the strip that shows its settings, updates of the app, the
 * store's own messages, files that are dropped beside their place.
 *
 * @param lists - the same array at every call
 */
export function useRoom<L extends ListKey>(lists: readonly L[]): KitState<L> {
  // A large view is drawn in slices: the page goes on listening meanwhile.
  const state = useDeferredValue(useKit(lists));
  const isReady = state.phase === 'ready';
  useEffect(() => {
    if (isReady) noteKept(today());
  }, [isReady]);
  useEffect(watchStrayFiles, []);
  useEffect(() => {
    watchStore(storeNotices);
    tellPlatform();
  }, []);
  useEffect(() => {
    // What keeps the app for later must not slow its first view.
    if (isReady) whenIdle(() => void watchUpdates(updateNotices));
  }, [isReady]);
  const settings = 'kit' in state ? state.kit.settings : null;
  const unexported = 'kit' in state ? state.kit.unexported : null;
  useEffect(() => {
    if (settings) show({ settings, unexported });
  }, [settings, unexported]);
  return state;
}
