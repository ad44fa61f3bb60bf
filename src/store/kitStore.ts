import { kitText } from '../kit/exportKit.ts';
import { DEFAULT_SETTINGS, type Kit, LISTS, type ListKey, type Settings } from '../kit/kit.ts';
import type { Db, MetaRow, Row, SnapshotRow } from './db.ts';

/** Snapshots kept; the oldest go first. */
export const MAX_SNAPSHOTS = 20;

type Item = { readonly id: string };

/** Takes back one change. Safe to call once. */
export type Undo = () => Promise<void>;

const tables = (db: Db) => [...LISTS.map((list) => db[list]), db.meta, db.snapshots];

const items = async (db: Db, list: ListKey): Promise<readonly Item[]> =>
  (await db[list].orderBy('order').toArray()).map(({ value }) => value);

const meta = async (db: Db, key: MetaRow['key']): Promise<unknown> => (await db.meta.get(key))?.value;

/** The whole kit as it stands. */
export async function readStoredKit(db: Db): Promise<Kit> {
  const [bodies, cards, tests, plans, prices] = await Promise.all(LISTS.map((list) => items(db, list)));
  const settings = (await meta(db, 'settings')) as Settings | undefined;
  const extra = (await meta(db, 'extra')) as object | undefined;
  return {
    ...extra,
    format: 'cool-reel-kit',
    version: 1,
    bodies,
    cards,
    tests,
    plans,
    prices,
    settings: { ...DEFAULT_SETTINGS, ...settings },
  } as Kit;
}

/** Whether the person has chosen how to begin: the demo, an empty kit, or a file. */
export const hasStarted = async (db: Db): Promise<boolean> => (await meta(db, 'started')) === true;

async function writeKit(db: Db, kit: Kit): Promise<void> {
  const { format, version, bodies, cards, tests, plans, prices, settings, ...extra } = kit;
  const lists = { bodies, cards, tests, plans, prices };
  for (const list of LISTS) {
    await db[list].clear();
    await db[list].bulkAdd(lists[list].map((value, order): Row => ({ id: value.id, order, value })));
  }
  await db.meta.bulkPut([
    { key: 'settings', value: settings },
    { key: 'extra', value: extra },
    { key: 'started', value: true },
  ]);
}

/** Keeps the kit as it stands, before something large. */
export async function keepSnapshot(db: Db, reason: string, at: string): Promise<void> {
  const text = kitText(await readStoredKit(db));
  await db.snapshots.add({ at, reason, text } as SnapshotRow);
  const surplus = (await db.snapshots.count()) - MAX_SNAPSHOTS;
  if (surplus > 0) {
    const oldest = await db.snapshots.orderBy('id').limit(surplus).primaryKeys();
    await db.snapshots.bulkDelete(oldest);
  }
}

/**
 * Puts another kit in place of the one stored, in one transaction with the snapshot of what was there: all of it or
 * nothing.
 *
 * @param at - ISO time of the snapshot
 */
export async function replaceKit(db: Db, kit: Kit, reason: string, at: string): Promise<void> {
  await db.transaction('rw', tables(db), async () => {
    if (await hasStarted(db)) await keepSnapshot(db, reason, at);
    await writeKit(db, kit);
  });
}

/** Begins with a kit only where nothing has begun yet; another tab may have been first. */
export async function startWith(db: Db, kit: Kit): Promise<boolean> {
  return db.transaction('rw', tables(db), async () => {
    if (await hasStarted(db)) return false;
    await writeKit(db, kit);
    return true;
  });
}

/** Adds an item at the end of its list, or replaces the one with its id in place. */
export async function putItem(db: Db, list: ListKey, value: Item): Promise<Undo> {
  return db.transaction('rw', db[list], async () => {
    const before = await db[list].get(value.id);
    const last = await db[list].orderBy('order').last();
    await db[list].put({ id: value.id, order: before?.order ?? (last?.order ?? -1) + 1, value });
    return async () => {
      await (before ? db[list].put(before) : db[list].delete(value.id));
    };
  });
}

/** Puts many items in one transaction: those known in their place, new ones at the end. One undo for all. */
export async function putItems(db: Db, list: ListKey, values: readonly Item[]): Promise<Undo> {
  return db.transaction('rw', db[list], async () => {
    const before = await db[list].bulkGet(values.map(({ id }) => id));
    const last = await db[list].orderBy('order').last();
    const start = (last?.order ?? -1) + 1;
    await db[list].bulkPut(
      values.map((value, at) => ({ id: value.id, order: before[at]?.order ?? start + at, value })),
    );
    const known = before.filter((row): row is Row => row !== undefined);
    const added = values.filter((_, at) => before[at] === undefined).map(({ id }) => id);
    return async () => {
      await db.transaction('rw', db[list], async () => {
        await db[list].bulkPut(known);
        await db[list].bulkDelete(added);
      });
    };
  });
}

/** Adds an item directly behind another. */
export async function insertAfter(db: Db, list: ListKey, afterId: string, value: Item): Promise<Undo> {
  return db.transaction('rw', db[list], async () => {
    const rows = await db[list].orderBy('order').toArray();
    const at = rows.findIndex(({ id }) => id === afterId);
    const next = at < 0 ? undefined : rows[at + 1];
    const before = rows[at < 0 ? rows.length - 1 : at]?.order ?? -1;
    // Orders are numbers, not places: halfway between two neighbours leaves both untouched.
    const order = next ? (before + next.order) / 2 : before + 1;
    await db[list].add({ id: value.id, order, value });
    return async () => {
      await db[list].delete(value.id);
    };
  });
}

/** Removes items; undo puts them back where they were. */
export async function deleteItems(db: Db, list: ListKey, ids: readonly string[]): Promise<Undo> {
  return db.transaction('rw', db[list], async () => {
    const rows = (await db[list].bulkGet([...ids])).filter((row): row is Row => row !== undefined);
    await db[list].bulkDelete([...ids]);
    return async () => {
      await db[list].bulkPut(rows);
    };
  });
}

/** Changes some settings and keeps the rest. */
export async function putSettings(db: Db, change: Partial<Settings>): Promise<void> {
  await db.transaction('rw', db.meta, async () => {
    const before = (await meta(db, 'settings')) as Settings | undefined;
    await db.meta.put({ key: 'settings', value: { ...DEFAULT_SETTINGS, ...before, ...change } });
  });
}

/** Newest first. */
export const listSnapshots = (db: Db): Promise<SnapshotRow[]> => db.snapshots.orderBy('id').reverse().toArray();
