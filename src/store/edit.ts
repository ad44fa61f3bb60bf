import type { Item, Items, ListKey } from '../kit/collections.ts';
import type { Settings } from '../kit/kit.ts';

type PutEdit<K extends ListKey> = {
  readonly kind: 'put';
  readonly list: K;
  readonly item: Items[K];
  /** The id it comes in behind, for a new one; missing: at the end. */
  readonly behind?: string;
  /** What the entry was when it was opened, null for a new one; the edit is refused where it is another by now. */
  readonly base?: Items[K] | null;
};

type ChangeEdit<K extends ListKey> = {
  readonly kind: 'change';
  readonly list: K;
  readonly id: string;
  /** From the entry as it stands to the entry as it should be; called within the transaction. */
  readonly to: (item: Items[K]) => Items[K];
};

type DeleteEdit<K extends ListKey> = { readonly kind: 'delete'; readonly list: K; readonly id: string };

/** One edit of one entry. */
export type ListEdit = { [K in ListKey]: PutEdit<K> | ChangeEdit<K> | DeleteEdit<K> }[ListKey];

/** One edit of one entry, or of the settings. */
export type Edit = ListEdit | { readonly kind: 'settings'; readonly to: (settings: Settings) => Settings };

/** Why edits were not made: none of them was. */
export type EditRefusal =
  | { readonly code: 'changed'; readonly list: ListKey; readonly id: string; readonly now: Item }
  | { readonly code: 'gone'; readonly list: ListKey; readonly id: string }
  | { readonly code: 'too-many'; readonly list: ListKey; readonly most: number };

export const put = <K extends ListKey>(
  list: K,
  item: Items[K],
  more: Pick<PutEdit<K>, 'behind' | 'base'> = {},
): PutEdit<K> => ({ kind: 'put', list, item, ...more });

export const change = <K extends ListKey>(list: K, id: string, to: (item: Items[K]) => Items[K]): ChangeEdit<K> => ({
  kind: 'change',
  list,
  id,
  to,
});

export const remove = <K extends ListKey>(list: K, id: string): DeleteEdit<K> => ({ kind: 'delete', list, id });

export const settle = (to: Partial<Settings>): Edit => ({
  kind: 'settings',
  to: (settings) => ({ ...settings, ...to }),
});
