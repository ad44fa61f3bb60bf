import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import { COLLECTIONS, type Item, type Items, LISTS, type ListKey } from '../kit/collections.ts';
import { extraOf, VERSION } from '../kit/kit.ts';
import { migrate } from '../kit/migrations.ts';
import type { Settings } from '../kit/schemas/settings.ts';

/** A list entry as stored: the kit's own object, untouched, with its place in the list beside it. */
export interface Row<T = Item> {
  readonly id: string;
  readonly order: number;
  readonly value: T;
}

/** What was touched by one write: ids of each list, or null for all of it. */
export interface FeedEntry {
  readonly seq: number;
  readonly lists: { readonly [K in ListKey]?: readonly string[] | null };
}

/** The last writes, newest last, for those who follow the kit: what is not named here need not be read again. */
export interface Feed {
  readonly seq: number;
  readonly recent: readonly FeedEntry[];
}

/** What is stored beside the lists. */
export interface Meta {
  readonly settings: Settings;
  /** Keys of the kit file that this version keeps without reading them. */
  readonly extra: Readonly<Record<string, unknown>>;
  /** Whether the person has chosen how to begin. */
  readonly started: boolean;
  readonly feed: Feed;
  /** The last export, ISO time, and how many writes had been made until then. */
  readonly exported: { readonly at: string; readonly seq: number };
}

export interface MetaRow {
  readonly key: keyof Meta;
  readonly value: unknown;
}

/** The kit as it was before something large. */
export interface SnapshotRow {
  readonly id: number;
  /** ISO time. */
  readonly at: string;
  readonly reason: string;
  /** The kit file's text. */
  readonly text: string;
}

/** One entry before and after a change; null where it was not there. */
export interface RowChange {
  readonly list: ListKey;
  readonly id: string;
  readonly before: Row | null;
  readonly after: Row | null;
}

/** One change, as it can be taken back and made again. */
export interface ChangeRow {
  readonly id: number;
  /** ISO time. */
  readonly at: string;
  /** What was done, in words: `C-01 saved.` */
  readonly what: string;
  readonly state: 'done' | 'undone';
  readonly rows: readonly RowChange[];
  readonly settings: { readonly before: Settings; readonly after: Settings } | null;
  /** For a kit put in place of another: the states before and after, as snapshots. */
  readonly swap: { readonly before: number; readonly after: number | null } | null;
}

/** The lists are reached by `tableOf`; what stands beside them by name. */
export type Db = Dexie & {
  readonly meta: EntityTable<MetaRow, 'key'>;
  readonly snapshots: EntityTable<SnapshotRow, 'id'>;
  readonly changes: EntityTable<ChangeRow, 'id'>;
};

/** The table of a list. */
export const tableOf = <K extends ListKey>(db: Db, list: K): Table<Row<Items[K]>, string> => db.table(list);

const DB_NAME = 'cool-reel';

const tablesOf = (version: number): Record<string, string> =>
  Object.fromEntries(LISTS.filter((list) => COLLECTIONS[list].since <= version).map((list) => [list, 'id, order']));

/** Brings what an older version of the app stored one step along the chain that files go through. */
const upgradeFrom =
  (from: number) =>
  async (tx: Transaction): Promise<void> => {
    const older = LISTS.filter((list) => COLLECTIONS[list].since <= from);
    const lists = await Promise.all(
      older.map(async (list) => {
        const rows = (await tx.table<Row>(list).orderBy('order').toArray()).map(({ value }) => value);
        return [list, rows] as const;
      }),
    );
    const meta = new Map((await tx.table<MetaRow>('meta').toArray()).map(({ key, value }) => [key, value]));
    const extra = (meta.get('extra') ?? {}) as object;
    const { kit } = migrate(
      { ...extra, ...Object.fromEntries(lists), settings: meta.get('settings') ?? {} },
      from,
      from + 1,
    );
    for (const list of LISTS.filter((one) => COLLECTIONS[one].since <= from + 1)) {
      const items = kit[list] as readonly Item[];
      await tx.table(list).clear();
      await tx.table(list).bulkAdd(items.map((value, order): Row => ({ id: value.id, order, value })));
    }
    if (!meta.has('settings')) return;
    await tx.table('meta').bulkPut([
      { key: 'settings', value: kit.settings },
      { key: 'extra', value: extraOf(kit) },
    ]);
  };

/** Schema and versions of the browser's store, all in this file. A version of it is a version of the kit file. */
export function openDb(name: string = DB_NAME): Db {
  const db = new Dexie(name) as Db;
  db.version(1).stores({ ...tablesOf(1), meta: 'key', snapshots: '++id, at' });
  for (let version = 2; version <= VERSION; version += 1)
    db.version(version)
      .stores({ ...tablesOf(version), changes: '++id, state' })
      .upgrade(upgradeFrom(version - 1));
  return db;
}
