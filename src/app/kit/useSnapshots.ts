import { useLiveQuery } from 'dexie-react-hooks';
import type { SnapshotRow } from '../../store/db.ts';
import { listSnapshots } from '../../store/snapshots.ts';
import { database } from './database.ts';

/** Earlier states of the kit, newest first; undefined while they are read. */
export const useSnapshots = (): readonly SnapshotRow[] | undefined => useLiveQuery(() => listSnapshots(database), []);
