import { compactKitText } from '../kit/exportKit.ts';
import type { Db, SnapshotRow } from './db.ts';
import { readStoredKit } from './read.ts';

/** Earlier states kept; the oldest go first. */
export const MAX_SNAPSHOTS = 20;

/**
 * Keeps the kit as it stands, before something large. Its text has no limit: it is written and read by this app alone.
 *
 * @param at - ISO time
 * @returns its id
 */
export async function keepSnapshot(db: Db, reason: string, at: string): Promise<number> {
  const text = compactKitText(await readStoredKit(db));
  const id = await db.snapshots.add({ at, reason, text } as SnapshotRow);
  const surplus = (await db.snapshots.count()) - MAX_SNAPSHOTS;
  if (surplus > 0) {
    const oldest = await db.snapshots.orderBy('id').limit(surplus).primaryKeys();
    await db.snapshots.bulkDelete(oldest);
  }
  return id;
}

/** Newest first. */
export const listSnapshots = (db: Db): Promise<SnapshotRow[]> => db.snapshots.orderBy('id').reverse().toArray();
