import { useLiveQuery } from 'dexie-react-hooks';
import type { ChangeRow } from '../../store/db.ts';
import { listChanges } from '../../store/history.ts';
import { database } from './database.ts';

/** The last changes, newest first; undefined while they are read. */
export const useChanges = (): readonly ChangeRow[] | undefined => useLiveQuery(() => listChanges(database), []);
