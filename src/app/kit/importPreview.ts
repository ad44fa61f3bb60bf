import { err, ok, type Result } from '../../core/result.ts';
import { diffKit, isSame, type KitDiff } from '../../kit/diffKit.ts';
import { type KitRefusal, MAX_FILE, parseKit } from '../../kit/importKit.ts';
import type { Kit } from '../../kit/kit.ts';
import { readStoredKit } from '../../store/kitStore.ts';
import { database } from './database.ts';

export { kitRefusalText } from '../../kit/refusalText.ts';

export interface ImportPreview {
  readonly kit: Kit;
  readonly diff: KitDiff;
  readonly same: boolean;
}

/** Reads a chosen file and says what importing it would do; changes nothing. */
export async function previewImport(file: File): Promise<Result<ImportPreview, KitRefusal>> {
  if (file.size > MAX_FILE) return err({ code: 'too-large', length: file.size, max: MAX_FILE });
  const kit = parseKit(await file.text());
  if (!kit.ok) return kit;
  const diff = diffKit(await readStoredKit(database), kit.value);
  return ok({ kit: kit.value, diff, same: isSame(diff) });
}
