import { useMemo, useSyncExternalStore } from 'react';
import type { ListKey } from '../../kit/collections.ts';
import { type Followed, type FollowState, followKit } from '../../store/follow.ts';
import { database } from './database.ts';

/** The lists of the kit that a view reads, live, and the settings. */
export type ViewKit<L extends ListKey = 'bodies' | 'cards' | 'tests' | 'reports'> = Followed<L>;
export type { Unexported } from '../../store/follow.ts';
export type KitState<L extends ListKey> = FollowState<L>;

/**
 * Some lists of the stored kit, live: a change in this tab or another shows at once, and what did not change stays the
 * very object it was.
 *
 * @param lists - the same list at every call
 */
export function useKit<L extends ListKey>(lists: readonly L[]): KitState<L> {
  const { subscribe, get } = useMemo(() => followKit(database, lists), [lists]);
  return useSyncExternalStore(subscribe, get, get);
}
