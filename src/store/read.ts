import { type Item, type Items, LISTS, type ListKey } from '../kit/collections.ts';
import { DEFAULT_SETTINGS, EMPTY_KIT, type Kit, type Lists, type Settings } from '../kit/kit.ts';
import { type Db, type Feed, type Meta, type Row, tableOf } from './db.ts';

/** The rows of one list, in order. */
export const rowsOf = <K extends ListKey>(db: Db, list: K): Promise<Row<Items[K]>[]> =>
  tableOf(db, list).orderBy('order').toArray();

/** Something stored beside the lists; undefined where it was never written. */
async function metaOf<K extends keyof Meta>(db: Db, key: K): Promise<Meta[K] | undefined> {
  // Written by this app alone, each key with its own type.
  return (await db.meta.get(key))?.value as Meta[K] | undefined;
}

/** Settings as stored, those that were never written as they are assumed. */
export const settingsFrom = (stored: unknown): Settings => ({ ...DEFAULT_SETTINGS, ...(stored as object | undefined) });
export const feedFrom = (stored: unknown): Feed => (stored as Feed | undefined) ?? { seq: 0, recent: [] };

const settingsOf = async (db: Db): Promise<Settings> => settingsFrom(await metaOf(db, 'settings'));
export const feedOf = async (db: Db): Promise<Feed> => feedFrom(await metaOf(db, 'feed'));

/** Whether the person has chosen how to begin: the demo, an empty kit, or a file. */
export const hasStarted = async (db: Db): Promise<boolean> => (await metaOf(db, 'started')) === true;

/** The whole kit as it stands, long series included. */
export async function readStoredKit(db: Db): Promise<Kit> {
  return db.transaction('r', [...LISTS, 'meta'], async () => {
    const lists = await Promise.all(
      LISTS.map(async (list) => [list, (await rowsOf(db, list)).map((row): Item => row.value)] as const),
    );
    const stored = Object.fromEntries(lists) as unknown as Lists;
    return { ...(await metaOf(db, 'extra')), ...EMPTY_KIT, ...stored, settings: await settingsOf(db) };
  });
}

/** One entry by its id: how long series are read. */
export const readItem = async <K extends ListKey>(db: Db, list: K, id: string): Promise<Items[K] | undefined> =>
  (await tableOf(db, list).get(id))?.value;
