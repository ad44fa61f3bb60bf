import type { Settings } from '../kit/kit.ts';
import type { Db, RowChange } from './db.ts';

/** One write of this tab, as those who follow the kit here are told of it: they need not read back what was just written. */
export interface Committed {
  /** Its place in the feed. */
  readonly seq: number;
  readonly changes: readonly RowChange[];
  /** Null where they did not change. */
  readonly settings: Settings | null;
}

type Hear = (commit: Committed) => void;

const listeners = new WeakMap<Db, Set<Hear>>();

/** Hears of every write of this tab once it stands. */
export function onCommit(db: Db, hear: Hear): () => void {
  const all = listeners.get(db) ?? new Set<Hear>();
  listeners.set(db, all);
  all.add(hear);
  return () => all.delete(hear);
}

/** Tells of a write. Call once its transaction is done. */
export function tellCommit(db: Db, commit: Committed): void {
  for (const hear of listeners.get(db) ?? []) hear(commit);
}
