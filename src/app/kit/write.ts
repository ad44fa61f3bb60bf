import { ok, type Result } from '../../core/result.ts';
import { apply, type Told } from '../../store/apply.ts';
import type { Edit, EditRefusal } from '../../store/edit.ts';
import { database } from './database.ts';
import { keepOwn } from './storage.ts';

/** A change that was made, to be told and taken back. Without an id nothing was different afterwards. */
export interface Done {
  readonly id: number | null;
  readonly what: string;
}

/** What came of a wish to change something. */
export type Written = Result<Done, EditRefusal>;

export const now = (): string => new Date().toISOString();

/** Makes a set of edits in one go: all of them or none. */
export async function write(what: string, edits: readonly Edit[], more: Pick<Told, 'snapshot'> = {}): Promise<Written> {
  const made = await apply(database, edits, { what, at: now(), ...more });
  // What a person entered is worth asking the browser to keep; a whole kit put in place is not theirs before they change it.
  if (made.ok && more.snapshot === undefined) keepOwn();
  return made.ok ? ok({ id: made.value.id, what }) : made;
}
