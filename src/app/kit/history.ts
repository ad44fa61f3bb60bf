import { err, type Result } from '../../core/result.ts';
import type { ChangeRow } from '../../store/db.ts';
import { type HistoryRefusal, listChanges, makeAgain, type TakenBack, takeBack } from '../../store/history.ts';
import { database } from './database.ts';
import { readState } from './kitFile.ts';
import { now } from './write.ts';

export type Moved = Result<TakenBack, HistoryRefusal>;

/** Takes one change back: what still stands as it left it. */
export const undoChange = (id: number): Promise<Moved> => takeBack(database, id, now(), readState);
export const redoChange = (id: number): Promise<Moved> => makeAgain(database, id, now(), readState);

/** The change that was made, or taken back, last. */
const newest = (changes: readonly ChangeRow[], state: ChangeRow['state']): ChangeRow | undefined =>
  changes.filter((one) => one.state === state).sort((a, b) => (a.at === b.at ? b.id - a.id : a.at < b.at ? 1 : -1))[0];

/** The newest change that can be taken back. */
export async function undoLast(): Promise<Moved> {
  const last = newest(await listChanges(database), 'done');
  return last ? undoChange(last.id) : err({ code: 'nothing-there' });
}

/** The change that was taken back last, made again. */
export async function redoLast(): Promise<Moved> {
  const last = newest(await listChanges(database), 'undone');
  return last ? redoChange(last.id) : err({ code: 'nothing-there' });
}
