import Dexie, { type EntityTable } from 'dexie';
import type { ListKey } from '../kit/kit.ts';

/** A list item as stored: the kit's own object, untouched, with its place in the list beside it. */
export interface Row {
  readonly id: string;
  readonly order: number;
  readonly value: { readonly id: string };
}

export interface MetaRow {
  readonly key: 'settings' | 'extra' | 'started';
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

export type Db = Dexie & { readonly [K in ListKey]: EntityTable<Row, 'id'> } & {
  readonly meta: EntityTable<MetaRow, 'key'>;
  readonly snapshots: EntityTable<SnapshotRow, 'id'>;
};

export const DB_NAME = 'cool-reel';

/** Schema and versions of the browser's store, all in this file. */
export function openDb(name: string = DB_NAME): Db {
  const db = new Dexie(name) as Db;
  db.version(1).stores({
    bodies: 'id, order',
    cards: 'id, order',
    tests: 'id, order',
    plans: 'id, order',
    prices: 'id, order',
    meta: 'key',
    snapshots: '++id, at',
  });
  return db;
}
