import type { Table } from 'dexie';
import { err, ok, type Result } from '../core/result.ts';
import { COLLECTIONS, type Item, LISTS, type ListKey } from '../kit/collections.ts';
import { extraOf, type Kit } from '../kit/kit.ts';
import { isSameValue } from '../kit/patch.ts';
import type { ChangeRow, Db, FeedEntry, Row, RowChange } from './db.ts';
import type { Edit, EditRefusal, ListEdit } from './edit.ts';
import { feedOf, hasStarted, settingsOf } from './read.ts';
import { keepSnapshot } from './snapshots.ts';

/** Changes kept for taking back; the oldest go first. */
export const MAX_CHANGES = 100;
/** Writes the feed names one by one; who missed more reads the lists anew. */
const MAX_FEED = 20;
/** Entries of a list named in the feed; more are read anew as a whole. */
const MAX_NAMED = 500;

/** What is said of a change, and when it was made. */
export interface Told {
  /** What was done, in words. */
  readonly what: string;
  /** ISO time. */
  readonly at: string;
  /** Keeps the kit as an earlier state first, for this reason. */
  readonly snapshot?: string | null;
}

/** A change that was made; its id takes it back. Null where nothing was different afterwards. */
export interface Change {
  readonly id: number | null;
}

/** Ends the transaction without anything written. */
class Refused extends Error {
  constructor(readonly refusal: EditRefusal) {
    super(refusal.code);
  }
}

/** The table of a list whose entries are only carried, whatever they are. */
const anyTable = (db: Db, list: ListKey): Table<Row, string> => db.table(list);

/** Where new entries of a list go, read before any of them is made. */
interface Places {
  readonly last: Map<ListKey, number>;
  /** By the id that an entry comes in behind. */
  readonly behind: Map<string, number>;
}

/**
 * The rows of a run of edits: each as it stood at first, and as it stands after the edits so far. Everything is read
 * beforehand and the edits themselves wait for nothing: a transaction does not survive long chains of promises of its own.
 */
class Rows {
  private readonly known = new Map<string, { readonly list: ListKey; readonly before: Row | null; now: Row | null }>();
  private readonly places: Places = { last: new Map(), behind: new Map() };

  constructor(private readonly db: Db) {}

  async load(edits: readonly ListEdit[]): Promise<void> {
    for (const list of LISTS) {
      const own = edits.filter((edit) => edit.list === list);
      if (own.length === 0) continue;
      const table = anyTable(this.db, list);
      const ids = [...new Set(own.map(idOf))];
      const rows = await table.bulkGet(ids);
      ids.forEach((id, at) => {
        const row = rows[at] ?? null;
        this.known.set(`${list} ${id}`, { list, before: row, now: row });
      });
      this.places.last.set(list, (await table.orderBy('order').last())?.order ?? -1);
      for (const edit of own)
        if (edit.kind === 'put' && edit.behind !== undefined) await this.loadPlace(list, edit.behind);
    }
  }

  /** Halfway to the next: orders are numbers, not places, so both neighbours stay untouched. */
  private async loadPlace(list: ListKey, id: string): Promise<void> {
    const row = await anyTable(this.db, list).get(id);
    const next = row && (await anyTable(this.db, list).where('order').above(row.order).first());
    if (row && next) this.places.behind.set(`${list} ${id}`, (row.order + next.order) / 2);
  }

  get(list: ListKey, id: string): Row | null {
    return this.known.get(`${list} ${id}`)?.now ?? null;
  }

  set(list: ListKey, id: string, now: Row | null): void {
    const known = this.known.get(`${list} ${id}`);
    if (known) known.now = now;
  }

  /** The order of a new entry: behind another, else at the end. */
  orderFor(list: ListKey, behind: string | undefined): number {
    const halfway = behind === undefined ? undefined : this.places.behind.get(`${list} ${behind}`);
    if (halfway !== undefined) return halfway;
    const next = Math.floor(this.places.last.get(list) ?? -1) + 1;
    this.places.last.set(list, next);
    return next;
  }

  changes(): readonly RowChange[] {
    return [...this.known].flatMap(([key, { list, before, now }]) =>
      isSameValue(before, now) ? [] : [{ list, id: key.slice(list.length + 1), before, after: now }],
    );
  }
}

const idOf = (edit: ListEdit): string => (edit.kind === 'put' ? edit.item.id : edit.id);

function makeEdit(rows: Rows, edit: ListEdit): void {
  const { list } = edit;
  const id = idOf(edit);
  const row = rows.get(list, id);
  switch (edit.kind) {
    case 'delete':
      rows.set(list, id, null);
      return;
    case 'change': {
      if (!row) throw new Refused({ code: 'gone', list, id });
      // The edit was made for this list, so its function takes what the list holds.
      const to = edit.to as (item: Item) => Item;
      rows.set(list, id, { ...row, value: to(row.value) });
      return;
    }
    case 'put': {
      const { base, behind, item } = edit;
      if (base !== undefined && base !== null && !row) throw new Refused({ code: 'gone', list, id });
      if (base !== undefined && row && !isSameValue(row.value, base))
        throw new Refused({ code: 'changed', list, id, now: row.value });
      rows.set(list, id, { id, order: row?.order ?? rows.orderFor(list, behind), value: item });
    }
  }
}

/** Writes rows as they should stand; refuses where a list would hold more than a file may. */
export async function writeRows(db: Db, changes: readonly RowChange[]): Promise<void> {
  for (const list of LISTS) {
    const own = changes.filter((one) => one.list === list);
    if (own.length === 0) continue;
    const table = anyTable(db, list);
    await table.bulkDelete(own.filter(({ after }) => after === null).map(({ id }) => id));
    await table.bulkPut(own.flatMap(({ after }) => (after === null ? [] : [after])));
    const grown = own.some(({ before, after }) => before === null && after !== null);
    const { most } = COLLECTIONS[list];
    if (grown && (await table.count()) > most) throw new Refused({ code: 'too-many', list, most });
  }
}

/** Tells those who follow the kit what was touched. */
export async function tellFeed(db: Db, lists: FeedEntry['lists']): Promise<void> {
  const { seq, recent } = await feedOf(db);
  const value = { seq: seq + 1, recent: [...recent, { seq: seq + 1, lists }].slice(-MAX_FEED) };
  await db.meta.put({ key: 'feed', value });
}

export function touchedBy(changes: readonly Pick<RowChange, 'list' | 'id'>[]): FeedEntry['lists'] {
  const touched = LISTS.filter((list) => changes.some((one) => one.list === list));
  const idsIn = (list: ListKey): readonly string[] => changes.filter((one) => one.list === list).map(({ id }) => id);
  return Object.fromEntries(
    touched.map((list) => [list, idsIn(list).length > MAX_NAMED ? null : idsIn(list)] as const),
  );
}

/** Keeps a change for taking back. What had been taken back before it can no longer be made again. */
export async function keepChange(db: Db, row: Omit<ChangeRow, 'id' | 'state'>): Promise<number> {
  await db.changes.bulkDelete(
    (await db.changes.toArray()).filter(({ state }) => state === 'undone').map(({ id }) => id),
  );
  const id = await db.changes.add({ ...row, state: 'done' } as ChangeRow);
  const surplus = (await db.changes.count()) - MAX_CHANGES;
  if (surplus > 0) await db.changes.bulkDelete(await db.changes.orderBy('id').limit(surplus).primaryKeys());
  return id;
}

/** Runs a write that may refuse; a refusal leaves everything as it was. */
export async function writing<T>(db: Db, write: () => Promise<T>): Promise<Result<T, EditRefusal>> {
  try {
    return ok(await db.transaction('rw', db.tables, write));
  } catch (thrown) {
    if (thrown instanceof Refused) return err(thrown.refusal);
    throw thrown;
  }
}

/**
 * Makes any set of edits over any lists and settings in one transaction: all of them or none. Nothing else writes the kit
 * but putting another kit in its place, and taking back.
 *
 * @returns the change, to be taken back by its id; or why nothing was changed. A store that fails throws.
 */
export async function apply(db: Db, edits: readonly Edit[], told: Told): Promise<Result<Change, EditRefusal>> {
  return writing(db, async () => {
    const rows = new Rows(db);
    const before = await settingsOf(db);
    const listEdits = edits.filter((edit): edit is ListEdit => edit.kind !== 'settings');
    await rows.load(listEdits);
    let after = before;
    for (const edit of edits) {
      if (edit.kind === 'settings') after = edit.to(after);
      else makeEdit(rows, edit);
    }
    const changes = rows.changes();
    const settings = isSameValue(before, after) ? null : { before, after };
    if (changes.length === 0 && settings === null) return { id: null };
    if (told.snapshot) await keepSnapshot(db, told.snapshot, told.at);
    await writeRows(db, changes);
    if (settings) await db.meta.put({ key: 'settings', value: after });
    const id = await keepChange(db, { at: told.at, what: told.what, rows: changes, settings, swap: null });
    await tellFeed(db, touchedBy(changes));
    return { id };
  });
}

/** Writes a whole kit where another stood. Call within a transaction. */
async function writeKit(db: Db, kit: Kit): Promise<void> {
  for (const list of LISTS) {
    const items: readonly Item[] = kit[list];
    const table = anyTable(db, list);
    await table.clear();
    await table.bulkAdd(items.map((value, order): Row => ({ id: value.id, order, value })));
  }
  await db.meta.bulkPut([
    { key: 'settings', value: kit.settings },
    { key: 'extra', value: extraOf(kit) },
    { key: 'started', value: true },
  ]);
  await tellFeed(db, Object.fromEntries(LISTS.map((list) => [list, null])));
}

/**
 * Puts another kit in place of the one stored, in one transaction with the earlier state that is kept of it: all of it or
 * nothing. Changes made before can no longer be taken back one by one; the earlier state holds them all.
 */
export async function replaceKit(db: Db, kit: Kit, { what, at, snapshot }: Told): Promise<Change> {
  return db.transaction('rw', db.tables, async () => {
    const before = (await hasStarted(db)) && snapshot ? await keepSnapshot(db, snapshot, at) : null;
    await db.changes.clear();
    await writeKit(db, kit);
    if (before === null) return { id: null };
    const swap = { before, after: null };
    return { id: await keepChange(db, { at, what, rows: [], settings: null, swap }) };
  });
}

/** Puts a kit in place without keeping a change of it; for taking back such a change. Call within a transaction. */
export const swapIn = writeKit;

/** Begins with a kit only where nothing has begun yet; another tab may have been first. */
export async function startWith(db: Db, kit: Kit): Promise<boolean> {
  return db.transaction('rw', db.tables, async () => {
    if (await hasStarted(db)) return false;
    await writeKit(db, kit);
    return true;
  });
}

/** Notes that everything up to now was exported. */
export async function noteExport(db: Db, at: string): Promise<void> {
  await db.transaction('rw', db.meta, async () => {
    const { seq } = await feedOf(db);
    await db.meta.put({ key: 'exported', value: { at, seq } });
  });
}
