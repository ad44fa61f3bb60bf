import type { Gray } from './gray.ts';
import { type Row, SHEET_EDGE, type Sheet } from './rows.ts';

/** A word as a recogniser of characters gives it, with its place in the picture it was given. */
export interface RecognisedWord {
  readonly text: string;
  /** 0 to 1: its own opinion of itself, not a chance. */
  readonly confidence: number;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Recognises every word of a picture of dark print on white. */
export type Recogniser = (gray: Gray) => Promise<readonly RecognisedWord[]>;

/** A word of a row, with the stretch of the row it came from. */
export interface RowWord {
  readonly text: string;
  readonly confidence: number;
  readonly from: number;
  readonly to: number;
}

/** The words of each row of a sheet, from left to right. */
export function wordsByRow(rows: readonly Row[], sheet: Sheet, words: readonly RecognisedWord[]): readonly RowWord[][] {
  const found: RowWord[][] = rows.map(() => []);
  for (const { text, confidence, left, top, right, bottom } of words) {
    const middle = (top + bottom) / 2;
    const at = sheet.bands.findIndex((band) => middle >= band.top - 4 && middle <= band.base + 4);
    found[at]?.push({ text, confidence, from: left - SHEET_EDGE, to: right - SHEET_EDGE });
  }
  return found.map((own, at) => {
    own.sort((a, b) => a.from - b.from);
    const row = rows[at];
    return row?.kind === 'line' && row.isShort ? once(own, sheet.bands[at]?.wide ?? 0) : own;
  });
}

/** What was printed three times over, once: what stands in it most often. */
function once(words: readonly RowWord[], wide: number): RowWord[] {
  const text = words.map((word) => word.text.replace(/[^\p{L}\p{N}|@®©]/gu, '')).join('');
  const long = Math.max(1, Math.round(text.length / 3));
  const parts = [0, 1, 2].map((at) => text.slice(at * long, (at + 1) * long));
  const most = parts.find((part, at) => part !== '' && parts.indexOf(part, at + 1) > at);
  if (!most) return [];
  const least = Math.min(...words.map(({ confidence }) => confidence));
  return [{ text: most, confidence: text === most.repeat(3) ? least : least / 2, from: 0, to: wide }];
}
