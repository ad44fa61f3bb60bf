import { err, ok, type Result } from '../../core/result.ts';
import { compactKitText, kitFileName, kitText } from '../../kit/exportKit.ts';
import type { KitRefusal } from '../../kit/importKit.ts';
import { EMPTY_KIT, type Kit } from '../../kit/kit.ts';
import { type Incoming, type MergeChoice, mergedItems } from '../../kit/mergeKit.ts';
import { noteExport, replaceKit, startWith } from '../../store/apply.ts';
import { type Edit, put } from '../../store/edit.ts';
import { readStoredKit } from '../../store/read.ts';
import { CHANGE_TEXT, STATE_REASON } from '../../text/kit/changes.ts';
import { database } from './database.ts';
import { today } from './today.ts';
import { type Done, now, type Written, write } from './write.ts';

/** The reader and its schema come when a file is first read. */
async function readText(text: string): Promise<Result<Kit, KitRefusal>> {
  const { parseKit } = await import('../../kit/importKit.ts');
  // Written by this app itself: no limit on its size.
  const read = await parseKit(text, Number.POSITIVE_INFINITY);
  return read.ok ? ok(read.value.kit) : read;
}

/** The demo kit, loaded only when asked for. */
async function demoKit(): Promise<Kit> {
  const { default: file } = await import('../../kit/demo.coolreel.json');
  // As the reader would give it, without the reader: a test holds the two equal, and a first visit does not wait for it.
  return { ...EMPTY_KIT, ...(file as unknown as Kit) };
}

export const startWithDemo = async (): Promise<boolean> => startWith(database, await demoKit());
export const startEmpty = (): Promise<boolean> => startWith(database, EMPTY_KIT);

/** Another kit in place of this one, which is kept as an earlier state. */
async function replaceWith(kit: Kit, what: string, snapshot: string): Promise<Result<Done, never>> {
  const { id } = await replaceKit(database, kit, { what, at: now(), snapshot });
  return ok({ id, what });
}

export const loadDemo = async () => replaceWith(await demoKit(), CHANGE_TEXT.demoLoaded, STATE_REASON.demo);
export const emptyKit = () => replaceWith(EMPTY_KIT, CHANGE_TEXT.emptied, STATE_REASON.empty);
export const importKit = (kit: Kit) => replaceWith(kit, CHANGE_TEXT.imported, STATE_REASON.import);

/**
 * Adds what was chosen of a file to the kit, in one step that can be taken back; nothing of one's own is taken away. An
 * entry of one's own that was changed since the preview is not written over: the merge is refused whole.
 */
export function mergeInto(all: readonly Incoming[], choices: readonly MergeChoice[]): Promise<Written> {
  const mine = new Map(all.flatMap((one) => (one.mine ? [[`${one.list} ${one.mine.id}`, one.mine] as const] : [])));
  const items = mergedItems(all, choices);
  const edits = items.map(({ list, item }) =>
    put(list, item as never, { base: mine.get(`${list} ${item.id}`) ?? null } as never),
  );
  return write(CHANGE_TEXT.merged(items.length), edits as readonly Edit[], { snapshot: STATE_REASON.import });
}

export interface ExportedFile {
  readonly name: string;
  readonly text: string;
}

/**
 * The kit as a file, and a note that it was exported.
 *
 * @returns `too-large` where the file could not be read again; nothing is written then
 */
export async function exportKit(): Promise<Result<ExportedFile, KitRefusal>> {
  const [{ MAX_FILE }, { withDigest }] = await Promise.all([
    import('../../kit/importKit.ts'),
    import('../../kit/digest.ts'),
  ]);
  const kit = withDigest(await readStoredKit(database));
  const spaced = kitText(kit);
  const text = spaced.length <= MAX_FILE ? spaced : compactKitText(kit);
  if (text.length > MAX_FILE) return err({ code: 'too-large', length: text.length, max: MAX_FILE });
  await noteExport(database, now());
  return ok({ name: kitFileName(today()), text });
}

/** Puts an earlier state back; what stands now is kept as another one first. */
export async function restoreState(id: number): Promise<Result<Done, KitRefusal>> {
  const row = await database.snapshots.get(id);
  const kit = row ? await readText(row.text) : err({ code: 'not-a-kit' } as const);
  return kit.ok ? replaceWith(kit.value, CHANGE_TEXT.stateRestored, STATE_REASON.restore) : kit;
}

/** Reads an earlier state for taking back; null where it cannot be read. */
export async function readState(text: string): Promise<Kit | null> {
  const kit = await readText(text);
  return kit.ok ? kit.value : null;
}
