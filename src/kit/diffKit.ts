import type { Kit, ListKey } from './kit.ts';
import { LISTS } from './kit.ts';
import { stableText } from './stableText.ts';

/** What an import would do to one list, by the names a person knows things by. */
export interface ListDiff {
  readonly list: ListKey;
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly removed: readonly string[];
  readonly unchanged: number;
}

export interface KitDiff {
  readonly lists: readonly ListDiff[];
  readonly settingsChanged: boolean;
}

type Item = { readonly id: string; readonly name?: unknown; readonly label?: unknown };

const nameOf = (item: Item): string => String(item.label ?? item.name ?? item.id);

function diffList(list: ListKey, before: readonly Item[], after: readonly Item[]): ListDiff {
  const old = new Map(before.map((item) => [item.id, item]));
  const kept = new Set(after.map(({ id }) => id));
  const added = after.filter(({ id }) => !old.has(id)).map(nameOf);
  const changed = after
    .filter((item) => old.has(item.id) && stableText(old.get(item.id)) !== stableText(item))
    .map(nameOf);
  const removed = before.filter(({ id }) => !kept.has(id)).map(nameOf);
  return { list, added, changed, removed, unchanged: after.length - added.length - changed.length };
}

/** New, changed and removed, list by list. Order alone is not a change. */
export function diffKit(before: Kit, after: Kit): KitDiff {
  return {
    lists: LISTS.map((list) => diffList(list, before[list] as readonly Item[], after[list] as readonly Item[])),
    settingsChanged: stableText(before.settings) !== stableText(after.settings),
  };
}

export const isSame = (diff: KitDiff): boolean =>
  !diff.settingsChanged &&
  diff.lists.every(({ added, changed, removed }) => added.length + changed.length + removed.length === 0);
