import { strFromU8, unzipSync, zipSync } from 'fflate';
import { err, ok, type Result } from '../../../core/result.ts';

/** Why a spreadsheet is not opened. */
export type SheetProblem =
  /** Unpacked it is larger than what is read. */
  | { readonly code: 'sheet-too-large'; readonly max: number }
  /** Its cells reach further than any table of a manual does. */
  | { readonly code: 'sheet-too-wide'; readonly cell: string; readonly max: number };

/** Bytes of a spreadsheet unpacked: what a reader of it can hold. */
const MOST_BYTES = 80_000_000;
/** Places from the first to the last cell of a sheet, empty ones included: each costs room. */
const MOST_CELLS = 2_000_000;

const LETTERS = 26;
const columnOf = (letters: string): number =>
  [...letters].reduce((sum, letter) => sum * LETTERS + letter.charCodeAt(0) - 64, 0);

/** Only what a sheet is read from: pictures and the rest stay packed. */
const isRead = (name: string): boolean => /\.(?:xml|rels)$/i.test(name);
const isSheet = (name: string): boolean => /^xl\/worksheets\/[^/]+\.xml$/i.test(name);

/** The cell a sheet reaches to, where that is too far; null where it is not. Only what stands there counts, whatever it declares. */
function tooFar(xml: string): string | null {
  let [rows, columns] = [0, 0];
  for (const [, letters = '', digits = ''] of xml.matchAll(/\br="([A-Z]{1,3})(\d{1,7})"/g)) {
    rows = Math.max(rows, Number(digits));
    columns = Math.max(columns, columnOf(letters));
    if (rows * columns > MOST_CELLS) return `${letters}${digits}`;
  }
  return null;
}

/**
 * Unpacks a spreadsheet here, in one thread and within bounds, and packs it again without compression: its reader would start
 * threads of its own, which the policy of the pages forbids, and never come back.
 *
 * @returns a file for the reader; what a packed part claims to be is all that is unpacked of it
 */
export function unpackSheet(packed: Uint8Array): Result<Uint8Array, SheetProblem> {
  let size = 0;
  const parts = unzipSync(packed, {
    filter: ({ name, originalSize }) => {
      if (!isRead(name)) return false;
      size += originalSize;
      return size <= MOST_BYTES;
    },
  });
  if (size > MOST_BYTES) return err({ code: 'sheet-too-large', max: MOST_BYTES });
  const kept: Record<string, Uint8Array> = {};
  for (const [name, bytes] of Object.entries(parts)) {
    if (!isSheet(name)) {
      kept[name] = bytes;
      continue;
    }
    const xml = strFromU8(bytes);
    const cell = tooFar(xml);
    if (cell !== null) return err({ code: 'sheet-too-wide', cell, max: MOST_CELLS });
    // What a sheet says of its own size is room that its reader takes; the cells tell by themselves.
    kept[name] = new TextEncoder().encode(xml.replace(/<dimension\b[^>]*\/?>(?:<\/dimension>)?/g, ''));
  }
  return ok(zipSync(kept, { level: 0 }));
}
