import { err, ok, type Result } from '../core/result.ts';
import { COLLECTIONS, type Collection, type Item, LISTS, type ListKey } from '../kit/collections.ts';
import type { Kit, Settings } from '../kit/kit.ts';
import { nameOf } from '../kit/kit.ts';
import { changesBetween, type FieldChange, isSameValue, type Step, withChanges } from '../kit/patch.ts';
import { commit, standing, swapIn, writing } from './apply.ts';
import { type Committed, tellCommit } from './commits.ts';
import type { ChangeRow, Db, Row, RowChange } from './db.ts';
import type { EditRefusal } from './edit.ts';
import { anyTable } from './rows.ts';
import { keepSnapshot } from './snapshots.ts';

/** Something newer that a change was not taken back over. */
export interface InTheWay {
  readonly list: ListKey | 'settings';
  readonly name: string;
  /** The places in it that changed since; empty: the entry as a whole. */
  readonly fields: readonly string[];
}

/** What taking a change back, or making it again, came to. */
export interface TakenBack {
  readonly what: string;
  readonly inTheWay: readonly InTheWay[];
  /** Whether anything was written at all. */
  readonly done: boolean;
}

export type HistoryRefusal =
  | { readonly code: 'nothing-there' }
  | { readonly code: 'state-gone' }
  | { readonly code: 'refused'; readonly refusal: EditRefusal };

/** Reads the text of an earlier state; given in, since its schema is loaded only when it is needed. */
export type ReadState = (text: string) => Promise<Kit | null>;

const stepText = (step: Step): string => (typeof step === 'string' ? step : step.id);
const fieldText = ({ path }: FieldChange): string => path.map(stepText).join('.');

/** One row as it should stand after going from one of its states to the other, and what is in the way. */
function rowAfter(list: ListKey, now: Row | null, from: Row | null, to: Row | null): [Row | null, InTheWay | null] {
  const name = nameOf((now ?? from ?? to)?.value as Item);
  const whole: InTheWay = { list, name, fields: [] };
  if (from === null) return now === null ? [to, null] : isSameValue(now, to) ? [now, null] : [now, whole];
  if (to === null) return now === null || isSameValue(now.value, from.value) ? [null, null] : [now, whole];
  // Its entry was deleted since: coming back is for the one who deleted it to take back.
  if (now === null) return [null, whole];
  const { value, blocked } = withChanges<Item>(now.value, changesBetween(from.value, to.value));
  const order = now.order === from.order ? to.order : now.order;
  return [{ id: now.id, order, value }, blocked.length > 0 ? { ...whole, fields: blocked.map(fieldText) } : null];
}

/** The rows of a change as they stand now, read in one go a list. */
async function rowsNow(db: Db, rows: readonly RowChange[]): Promise<ReadonlyMap<string, Row>> {
  const found = new Map<string, Row>();
  for (const list of LISTS) {
    const ids = rows.filter((row) => row.list === list).map(({ id }) => id);
    if (ids.length === 0) continue;
    for (const row of await db.table<Row, string>(list).bulkGet(ids)) if (row) found.set(`${list} ${row.id}`, row);
  }
  return found;
}

/** The entries that what was kept since a change is about, and what each of those is called beside them. */
async function keptSince(db: Db, change: ChangeRow): Promise<ReadonlyMap<string, string>> {
  const newer = await db.changes.where('id').above(change.id).toArray();
  const held = new Map<string, string>();
  for (const list of LISTS) {
    const { about, heldAs }: Collection = COLLECTIONS[list];
    if (about === undefined || heldAs === undefined) continue;
    const ids = new Set(newer.flatMap(({ rows }) => rows.filter((row) => row.list === list).map(({ id }) => id)));
    // The list of a row tells what it holds.
    for (const row of await anyTable(db, list).bulkGet([...ids]))
      if (row) for (const key of about(row.value as never)) held.set(key, heldAs);
  }
  return held;
}

/** The settings after going from one of a change's states of them to the other. */
function settingsAfter(now: Settings, { settings }: ChangeRow, back: boolean) {
  if (!settings) return { value: now, blocked: [] };
  const [from, to] = back ? [settings.after, settings.before] : [settings.before, settings.after];
  const { value, blocked } = withChanges(now, changesBetween(from, to));
  return { value, blocked: blocked.map(fieldText) };
}

type Gone = TakenBack & { readonly committed: Committed | null };

async function goTo(db: Db, change: ChangeRow, back: boolean, at: string): Promise<Gone> {
  const inTheWay: InTheWay[] = [];
  const changes: RowChange[] = [];
  const added = back && change.rows.some(({ before }) => before === null);
  const held = added ? await keptSince(db, change) : null;
  const [found, { settings: now, feed }] = await Promise.all([rowsNow(db, change.rows), standing(db)]);
  for (const { list, id, before, after } of change.rows) {
    const [from, to] = back ? [after, before] : [before, after];
    const row = found.get(`${list} ${id}`) ?? null;
    const holder = row && to === null ? held?.get(`${list} ${id}`) : undefined;
    if (holder !== undefined) {
      inTheWay.push({ list, name: nameOf(from?.value as Item), fields: [holder] });
      continue;
    }
    const [next, blocked] = rowAfter(list, row, from, to);
    if (blocked) inTheWay.push(blocked);
    if (!isSameValue(row, next)) changes.push({ list, id, before: row, after: next });
  }
  const settings = settingsAfter(now, change, back);
  if (settings.blocked.length > 0) inTheWay.push({ list: 'settings', name: 'settings', fields: settings.blocked });
  const changed = isSameValue(now, settings.value) ? null : settings.value;
  const wrote = changes.length > 0 || changed !== null;
  if (wrote) await commit(db, { changes, settings: changed, feed, stale: [], entry: null });
  // A change that something newer covers as a whole stays where it was: it can still be taken back later.
  const done = wrote || inTheWay.length === 0;
  if (done) await db.changes.update(change.id, { state: back ? 'undone' : 'done', at });
  const committed = wrote ? { seq: feed.seq + 1, changes, settings: changed } : null;
  return { what: change.what, inTheWay, done, committed };
}

/** Which way a change is gone, and when. */
interface Way {
  readonly back: boolean;
  /** ISO time. */
  readonly at: string;
}

/** Puts back the kit that another had taken the place of, or the other one again. */
async function swap(db: Db, change: ChangeRow, kit: Kit, { back, at }: Way): Promise<TakenBack> {
  const after = back ? await keepSnapshot(db, 'before taking it back', at) : (change.swap?.after ?? null);
  await swapIn(db, kit);
  const state = back ? ('undone' as const) : ('done' as const);
  await db.changes.update(change.id, { state, at, swap: { before: change.swap?.before ?? 0, after } });
  return { what: change.what, inTheWay: [], done: true };
}

async function move(
  db: Db,
  change: ChangeRow | undefined,
  way: Way,
  read: ReadState,
): Promise<Result<TakenBack, HistoryRefusal>> {
  const { back, at } = way;
  if (!change || change.state !== (back ? 'done' : 'undone')) return err({ code: 'nothing-there' });
  const stateId = back ? change.swap?.before : change.swap?.after;
  if (change.swap) {
    const row = stateId == null ? undefined : await db.snapshots.get(stateId);
    const kit = row ? await read(row.text) : null;
    if (!kit) return err({ code: 'state-gone' });
    const swapped = await writing(db, async () => swap(db, change, kit, way));
    return swapped.ok ? swapped : err({ code: 'refused', refusal: swapped.error });
  }
  const moved = await writing(db, async () => goTo(db, change, back, at));
  if (!moved.ok) return err({ code: 'refused', refusal: moved.error });
  const { committed, ...told } = moved.value;
  if (committed) tellCommit(db, committed);
  return ok(told);
}

/**
 * Takes one change back, and nothing else: fields and entries that still stand as it left them. What something newer
 * stands in the way of stays, and is told.
 */
export const takeBack = async (db: Db, id: number, at: string, read: ReadState) =>
  move(db, await db.changes.get(id), { back: true, at }, read);

/** Makes a change again that was taken back. */
export const makeAgain = async (db: Db, id: number, at: string, read: ReadState) =>
  move(db, await db.changes.get(id), { back: false, at }, read);

/** When an entry was last changed, ISO time; null where nothing is known of it. A swap of kits changes all entries. */
export async function lastChanged(db: Db, list: ListKey, id: string): Promise<string | null> {
  const found = await db.changes
    .orderBy('id')
    .reverse()
    .filter(({ rows, swap }) => swap !== null || rows.some((row) => row.list === list && row.id === id))
    .first();
  return found?.at ?? null;
}

/** The changes that can be taken back or made again, newest first. */
export const listChanges = (db: Db): Promise<ChangeRow[]> => db.changes.orderBy('id').reverse().toArray();
