import { err, ok, type Result } from '../../core/result.ts';
import { LISTS } from '../../kit/collections.ts';
import { diffKit, isSame, type KitDiff } from '../../kit/diffKit.ts';
import { type KitRefusal, MAX_FILE } from '../../kit/importKit.ts';
import type { Kit } from '../../kit/kit.ts';
import { type Incoming, incoming } from '../../kit/mergeKit.ts';
import { readStoredKit } from '../../store/read.ts';
import { computation } from '../tasks/clients.ts';
import { database } from './database.ts';

export interface ImportPreview {
  readonly kit: Kit;
  readonly diff: KitDiff;
  readonly same: boolean;
  /** Whether there is nothing of one's own to add to: the file comes in whole. */
  readonly nothingYet: boolean;
  /** Every entry of the file beside one's own, to be added to what is there. */
  readonly incoming: readonly Incoming[];
  /** The version the file has; the kit is shown as it is after migration. */
  readonly version: number;
  /** False where the file is not what was written, by its own digest. */
  readonly isWhole: boolean | null;
}

/** Reads a chosen file and says what importing it would do; changes nothing. */
export async function previewImport(file: File): Promise<Result<ImportPreview, KitRefusal>> {
  if (file.size > MAX_FILE) return err({ code: 'too-large', length: file.size, max: MAX_FILE });
  const worker = await computation();
  const told = await worker.ask('kit', file).result;
  if (!told.ok) return err({ code: 'unread' });
  const read = told.value;
  if (!read.ok) return read;
  const { kit, version, isWhole } = read.value;
  const before = await readStoredKit(database);
  const diff = diffKit(before, kit);
  const nothingYet = LISTS.every((list) => before[list].length === 0);
  return ok({ kit, diff, same: isSame(diff), nothingYet, incoming: incoming(before, kit), version, isWhole });
}
