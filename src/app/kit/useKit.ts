import { useLiveQuery } from 'dexie-react-hooks';
import { useRef } from 'react';
import { EMPTY_KIT, type Kit } from '../../kit/kit.ts';
import { stableText } from '../../kit/stableText.ts';
import { hasStarted, readStoredKit } from '../../store/kitStore.ts';
import { database } from './database.ts';

export type KitState =
  | { readonly phase: 'loading'; readonly kit: Kit }
  | { readonly phase: 'unstarted'; readonly kit: Kit }
  | { readonly phase: 'ready'; readonly kit: Kit }
  | { readonly phase: 'failed'; readonly kit: Kit; readonly reason: string };

type Keeper = <T extends { readonly id: string }>(items: readonly T[]) => readonly T[];

/**
 * Gives back the objects of last time where nothing in them changed, and the list of last time where none did, so that
 * only what changed is computed again.
 */
function createKeeper(): Keeper {
  let list: readonly { readonly id: string }[] = [];
  let known = new Map<string, { readonly text: string; readonly item: { readonly id: string } }>();
  return <T extends { readonly id: string }>(items: readonly T[]): readonly T[] => {
    const next = new Map<string, { readonly text: string; readonly item: { readonly id: string } }>();
    for (const item of items) {
      const text = stableText(item);
      const old = known.get(item.id);
      next.set(item.id, old?.text === text ? old : { text, item });
    }
    const kept = items.map(({ id }) => next.get(id)?.item) as unknown as readonly T[];
    known = next;
    const unchanged = kept.length === list.length && kept.every((item, at) => item === list[at]);
    if (!unchanged) list = kept;
    return list as readonly T[];
  };
}

async function load(): Promise<KitState> {
  try {
    const kit = await readStoredKit(database);
    return { phase: (await hasStarted(database)) ? 'ready' : 'unstarted', kit };
  } catch (thrown) {
    return { phase: 'failed', kit: EMPTY_KIT, reason: thrown instanceof Error ? thrown.message : String(thrown) };
  }
}

const LOADING: KitState = { phase: 'loading', kit: EMPTY_KIT };

/** The stored kit, live: a change in this tab or another shows at once. */
export function useKit(): KitState {
  const keepers = useRef<{ readonly bodies: Keeper; readonly cards: Keeper; readonly tests: Keeper } | null>(null);
  keepers.current ??= { bodies: createKeeper(), cards: createKeeper(), tests: createKeeper() };
  const state = useLiveQuery(load, [], LOADING);
  const { bodies, cards, tests } = keepers.current;
  const { kit } = state;
  return {
    ...state,
    kit: { ...kit, bodies: bodies(kit.bodies), cards: cards(kit.cards), tests: tests(kit.tests) },
  };
}
