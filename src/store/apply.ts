import { err, ok, type Result } from '../core/result.ts';
import { COLLECTIONS, type Item, LISTS, type ListKey } from '../kit/collections.ts';
import type { Settings } from '../kit/kit.ts';
import { extraOf, type Kit } from '../kit/kit.ts';
import { isSameValue } from '../kit/patch.ts';
import { tellCommit } from './commits.ts';
import type { ChangeRow, Db, Feed, FeedEntry, MetaRow, Row, RowChange } from './db.ts';
import type { Edit, EditRefusal, ListEdit } from './edit.ts';
import { feedFrom, feedOf, hasStarted, settingsFrom } from './read.ts';
import { anyTable, makeEdit, Refused, Rows } from './rows.ts';
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

/** What is written at once: rows, settings, the change itself, and word of it to those who follow. */
interface Commit {
  readonly changes: readonly RowChange[];
  readonly settings: Settings | null;
  readonly feed: Feed;
  /** Changes that can no longer be made again or taken back. */
  readonly stale: readonly number[];
  readonly entry: Omit<ChangeRow, 'id'> | null;
}

/** Writes rows as they should stand. */
const rowWrites = (db: Db, changes: readonly RowChange[]): readonly PromiseLike<unknown>[] =>
  LISTS.flatMap((list) => {
    const own = changes.filter((one) => one.list === list);
    const gone = own.filter(({ after }) => after === null).map(({ id }) => id);
    const put = own.flatMap(({ after }) => (after === null ? [] : [after]));
    return [
      ...(gone.length > 0 ? [anyTable(db, list).bulkDelete(gone)] : []),
      ...(put.length > 0 ? [anyTable(db, list).bulkPut(put)] : []),
    ];
  });

/**
 * Everything is handed over in one go: a page that is left right after Save must not leave before its write has begun.
 *
 * @returns the id of the change
 */
export async function commit(db: Db, { changes, settings, feed, stale, entry }: Commit): Promise<number | null> {
  const meta: readonly MetaRow[] = [
    { key: 'feed', value: feedAfter(feed, touchedBy(changes)) },
    ...(settings === null ? [] : [{ key: 'settings' as const, value: settings }]),
  ];
  const [id] = await Promise.all([
    entry === null ? null : db.changes.add(entry as ChangeRow),
    db.meta.bulkPut([...meta]),
    stale.length > 0 ? db.changes.bulkDelete([...stale]) : null,
    ...rowWrites(db, changes),
  ]);
  return id;
}

/** The feed with word of one more write. */
const feedAfter = ({ seq, recent }: Feed, lists: FeedEntry['lists']): Feed => ({
  seq: seq + 1,
  recent: [...recent, { seq: seq + 1, lists }].slice(-MAX_FEED),
});

function touchedBy(changes: readonly RowChange[]): FeedEntry['lists'] {
  const touched = LISTS.filter((list) => changes.some((one) => one.list === list));
  const idsIn = (list: ListKey): readonly string[] => changes.filter((one) => one.list === list).map(({ id }) => id);
  return Object.fromEntries(
    touched.map((list) => [list, idsIn(list).length > MAX_NAMED ? null : idsIn(list)] as const),
  );
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

/** Settings and feed as they stand, read together. */
export async function standing(db: Db): Promise<{ readonly settings: Settings; readonly feed: Feed }> {
  const [settings, feed] = await db.meta.bulkGet(['settings', 'feed']);
  return { settings: settingsFrom(settings?.value), feed: feedFrom(feed?.value) };
}

/** Changes that go once another is made: those taken back, which it replaces, and the oldest past the limit. */
async function staleChanges(db: Db): Promise<readonly number[]> {
  const [undone, all] = await Promise.all([
    db.changes.where('state').equals('undone').primaryKeys(),
    db.changes.orderBy('id').primaryKeys(),
  ]);
  const kept = all.filter((id) => !undone.includes(id));
  return [...undone, ...kept.slice(0, Math.max(0, kept.length + 1 - MAX_CHANGES))];
}

/**
 * Makes any set of edits over any lists and settings in one transaction: all of them or none. Nothing else writes the kit
 * but putting another kit in its place, and taking back.
 *
 * @returns the change, to be taken back by its id; or why nothing was changed. A store that fails throws.
 */
export async function apply(db: Db, edits: readonly Edit[], told: Told): Promise<Result<Change, EditRefusal>> {
  const made = await writing(db, async () => {
    const rows = new Rows(db);
    const listEdits = edits.filter((edit): edit is ListEdit => edit.kind !== 'settings');
    const [{ settings: before, feed }, stale] = await Promise.all([
      standing(db),
      staleChanges(db),
      rows.load(listEdits),
    ]);
    let after = before;
    for (const edit of edits) {
      if (edit.kind === 'settings') after = edit.to(after);
      else makeEdit(rows, edit);
    }
    const changes = rows.changes();
    const settings = isSameValue(before, after) ? null : { before, after };
    if (changes.length === 0 && settings === null) return { id: null, committed: null };
    const full = rows.overfull(changes);
    if (full) throw new Refused({ code: 'too-many', list: full, most: COLLECTIONS[full].most });
    if (told.snapshot) await keepSnapshot(db, told.snapshot, told.at);
    const entry = { at: told.at, what: told.what, state: 'done' as const, rows: changes, settings, swap: null };
    const id = await commit(db, { changes, settings: settings && after, feed, stale, entry });
    return { id, committed: { seq: feed.seq + 1, changes, settings: settings && after } };
  });
  if (!made.ok) return made;
  const { id, committed } = made.value;
  if (committed) tellCommit(db, committed);
  return ok({ id });
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
  const all = Object.fromEntries(LISTS.map((list) => [list, null]));
  await db.meta.put({ key: 'feed', value: feedAfter(await feedOf(db), all) });
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
    const entry = { at, what, state: 'done' as const, rows: [], settings: null, swap };
    return { id: await db.changes.add(entry as unknown as ChangeRow) };
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
