import type { Table } from 'dexie';
import { COLLECTIONS, type Item, LISTS, type ListKey } from '../kit/collections.ts';
import { isSameValue } from '../kit/patch.ts';
import type { Db, Row, RowChange } from './db.ts';
import type { EditRefusal, ListEdit } from './edit.ts';

/** Ends the transaction without anything written. */
export class Refused extends Error {
  constructor(readonly refusal: EditRefusal) {
    super(refusal.code);
  }
}

/** The table of a list whose entries are only carried, whatever they are. */
export const anyTable = (db: Db, list: ListKey): Table<Row, string> => db.table(list);

/** Where new entries of a list go, and how many there are, read before any of them is made. */
interface Places {
  readonly last: Map<ListKey, number>;
  readonly count: Map<ListKey, number>;
  /** By the id that an entry comes in behind. */
  readonly behind: Map<string, number>;
}

/**
 * The rows of a run of edits: each as it stood at first, and as it stands after the edits so far. Everything is read
 * beforehand and the edits themselves wait for nothing: a transaction does not survive long chains of promises of its own.
 */
export class Rows {
  private readonly known = new Map<string, { readonly list: ListKey; readonly before: Row | null; now: Row | null }>();
  private readonly places: Places = { last: new Map(), count: new Map(), behind: new Map() };

  constructor(private readonly db: Db) {}

  async load(edits: readonly ListEdit[]): Promise<void> {
    const lists = LISTS.filter((list) => edits.some((edit) => edit.list === list));
    await Promise.all(lists.map((list) => this.loadList(list, edits)));
  }

  private async loadList(list: ListKey, edits: readonly ListEdit[]): Promise<void> {
    const own = edits.filter((edit) => edit.list === list);
    const table = anyTable(this.db, list);
    const ids = [...new Set(own.map(idOf))];
    const behind = own.flatMap((edit) => (edit.kind === 'put' && edit.behind !== undefined ? [edit.behind] : []));
    const [rows, last, count] = await Promise.all([
      table.bulkGet(ids),
      table.orderBy('order').last(),
      table.count(),
      ...behind.map((id) => this.loadPlace(list, id)),
    ]);
    ids.forEach((id, at) => {
      const row = rows[at] ?? null;
      this.known.set(`${list} ${id}`, { list, before: row, now: row });
    });
    this.places.last.set(list, last?.order ?? -1);
    this.places.count.set(list, count);
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

  /** A list that would hold more than a kit may; null where none does. */
  overfull(changes: readonly RowChange[]): ListKey | null {
    const grows = (list: ListKey): number =>
      changes.reduce((sum, one) => (one.list === list ? sum + Number(!one.before) - Number(!one.after) : sum), 0);
    const full = LISTS.find(
      (list) => grows(list) > 0 && (this.places.count.get(list) ?? 0) + grows(list) > COLLECTIONS[list].most,
    );
    return full ?? null;
  }

  changes(): readonly RowChange[] {
    return [...this.known].flatMap(([key, { list, before, now }]) =>
      isSameValue(before, now) ? [] : [{ list, id: key.slice(list.length + 1), before, after: now }],
    );
  }
}

const idOf = (edit: ListEdit): string => (edit.kind === 'put' ? edit.item.id : edit.id);

export function makeEdit(rows: Rows, edit: ListEdit): void {
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
