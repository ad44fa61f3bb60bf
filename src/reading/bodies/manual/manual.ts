import type { SheetProblem } from './unpackSheet.ts';

/** A line of a document, cut into cells, with where it stands. */
export interface DocLine {
  /** Page of a document, or name of a sheet; null where it has neither. */
  readonly page: number | string | null;
  /** On its page, from 1. */
  readonly line: number;
  readonly cells: readonly string[];
}

/** Lines that stand together and hold modes, with the heading above them. */
export interface FoundTable {
  readonly page: DocLine['page'];
  readonly lines: readonly DocLine[];
  /** Lines that look like a mode of their own, cells where both ways of a table name one; none where only rates were found. */
  readonly modes: number;
}

/** What was found in a document. */
export interface ReadManual {
  readonly pages: number;
  readonly tables: readonly FoundTable[];
}

export type ManualProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'encrypted' }
  /** Pages are pictures: there is no text to read. */
  | { readonly code: 'scanned'; readonly pages: number }
  | { readonly code: 'no-modes'; readonly lines: number }
  | { readonly code: 'unknown-format' }
  | { readonly code: 'old-sheet' }
  | SheetProblem
  | { readonly code: 'too-large'; readonly max: number }
  | { readonly code: 'unreadable'; readonly message: string };

/** Largest document read, bytes, and most pages. */
export const MAX_MANUAL_BYTES = 200_000_000;
export const MAX_MANUAL_PAGES = 2000;
