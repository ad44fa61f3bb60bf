import type { Body } from '../core/kit/model.ts';
import type { Item, ListKey } from './collections.ts';
import { LISTS } from './collections.ts';
import { type Kit, nameOf } from './kit.ts';
import { newId } from './newId.ts';
import { isSameValue } from './patch.ts';

/** What may be done with an entry of another kit. `both`: it comes in beside one's own, under another name. */
export type MergeChoice = 'mine' | 'theirs' | 'both';

/** An entry of another kit, beside what one has of it. */
export interface Incoming {
  readonly list: ListKey;
  readonly name: string;
  readonly theirs: Item;
  /** One's own entry, the same by id or by label; null: it is new here. */
  readonly mine: Item | null;
  /** Whether both are known by the same label alone, under different ids. */
  readonly byLabel: boolean;
  /** Whether nothing differs. */
  readonly isSame: boolean;
}

/** Lists whose entries a person knows by a label of their own. */
const LABELLED: ReadonlySet<ListKey> = new Set(['bodies', 'cards']);

type Ids = ReadonlyMap<string, string>;

/** A value with the ids of another kit put into one's own, wherever something is named by its id. */
function renamed<T>(value: T, ids: Ids, key = ''): T {
  if (typeof value === 'string') return (/(?:^id|Ids?)$/.test(key) ? (ids.get(value) ?? value) : value) as T;
  if (Array.isArray(value)) return value.map((one: unknown) => renamed(one, ids, key)) as T;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, renamed(inner, ids, name)])) as T;
}

const asBody = (item: Item): Body | null => ('modes' in item && 'slots' in item ? (item as unknown as Body) : null);
const labelOf = (item: Item): string => nameOf(item).trim().toLowerCase();

interface Inner {
  readonly id: string;
  readonly name: string;
  readonly fps?: number;
  readonly captureFps?: number | null;
}

/** Modes and slots of one body, the same by id, else by name and speed. */
function innerIds(theirs: readonly Inner[], mine: readonly Inner[]): readonly (readonly [string, string])[] {
  const known = new Set(mine.map(({ id }) => id));
  const key = ({ name, fps, captureFps }: Inner): string => `${name.trim().toLowerCase()} ${fps} ${captureFps}`;
  const byKey = new Map(mine.map((one) => [key(one), one.id]));
  return theirs.flatMap((one) => {
    const own = byKey.get(key(one));
    return known.has(one.id) || own === undefined ? [] : [[one.id, own] as const];
  });
}

/** What stands in another kit, each entry beside one's own: first by id, then by label. */
export function incoming(before: Kit, other: Kit): readonly Incoming[] {
  const ids = new Map<string, string>();
  const byLabel = new Set<string>();
  for (const list of LISTS) {
    if (!LABELLED.has(list)) continue;
    const own = new Map<string, Item>((before[list] as readonly Item[]).map((item) => [item.id, item]));
    const theirIds = new Set((other[list] as readonly Item[]).map(({ id }) => id));
    // What is the same by its id is not taken for another by its label.
    const free = new Map([...own.values()].filter(({ id }) => !theirIds.has(id)).map((item) => [labelOf(item), item]));
    for (const item of other[list] as readonly Item[]) {
      const met = own.get(item.id) ?? free.get(labelOf(item));
      if (!met) continue;
      if (met.id !== item.id) {
        ids.set(item.id, met.id);
        byLabel.add(item.id);
        free.delete(labelOf(item));
      }
      const [theirs, mine] = [asBody(item), asBody(met)];
      if (theirs && mine)
        for (const [from, to] of [...innerIds(theirs.modes, mine.modes), ...innerIds(theirs.slots, mine.slots)])
          ids.set(from, to);
    }
  }
  return LISTS.flatMap((list) => {
    const own = new Map<string, Item>((before[list] as readonly Item[]).map((item) => [item.id, item]));
    return (other[list] as readonly Item[]).map((item): Incoming => {
      const given = renamed(item, ids);
      const mine = own.get(given.id) ?? null;
      // What a file does not speak of stays: a body given away comes without one's own approved cards.
      const theirs = mine === null ? given : ({ ...mine, ...given } as Item);
      return {
        list,
        name: nameOf(item),
        theirs,
        mine,
        byLabel: byLabel.has(item.id),
        isSame: mine !== null && isSameValue(mine, theirs),
      };
    });
  });
}

/** An entry beside one's own of the same label: with ids of its own, and a label that tells them apart. */
function beside(item: Item, taken: readonly string[]): Item {
  const name = nameOf(item);
  const free = Array.from({ length: taken.length + 1 }, (_, at) => `${name} ${at + 2}`).find(
    (one) => !taken.includes(one),
  );
  const ids = new Map([[item.id, newId()]]);
  const body = asBody(item);
  if (body) for (const { id } of [...body.modes, ...body.slots]) ids.set(id, newId());
  return { ...renamed(item, ids), ...('label' in item ? { label: free } : { name: free }) } as Item;
}

/** Entries to be written, by what was chosen for each; nothing of one's own is ever taken away. */
export function mergedItems(
  all: readonly Incoming[],
  choices: readonly MergeChoice[],
): readonly { readonly list: ListKey; readonly item: Item }[] {
  return all.flatMap(({ list, theirs, mine, isSame, name }, at) => {
    const choice = choices[at] ?? 'mine';
    if (isSame || choice === 'mine') return [];
    if (choice === 'both' && mine !== null && LABELLED.has(list))
      return [{ list, item: beside(theirs, [nameOf(mine), name]) }];
    return [{ list, item: theirs }];
  });
}
