import { openDb } from '../../store/db.ts';

/** The one database of this tab; opened at the first query, never on the server. */
export const database = openDb();
