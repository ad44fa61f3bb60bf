import { LISTS, type ListKey } from './collections.ts';
import { extraOf, type Kit, nameOf } from './kit.ts';
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
  /** Keys of the file that this version keeps without reading them: new, changed or gone. */
  readonly extraChanged: readonly string[];
}

type Item = { readonly id: string; readonly name?: unknown; readonly label?: unknown };

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
  const [old, now] = [extraOf(before), extraOf(after)];
  const keys = [...new Set([...Object.keys(old), ...Object.keys(now)])];
  return {
    lists: LISTS.map((list) => diffList(list, before[list], after[list])),
    settingsChanged: stableText(before.settings) !== stableText(after.settings),
    extraChanged: keys.filter((key) => stableText(old[key]) !== stableText(now[key])),
  };
}

export const isSame = (diff: KitDiff): boolean =>
  !diff.settingsChanged &&
  diff.extraChanged.length === 0 &&
  diff.lists.every(({ added, changed, removed }) => added.length + changed.length + removed.length === 0);
