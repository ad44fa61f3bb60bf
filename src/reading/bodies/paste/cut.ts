import Papa from 'papaparse';
import { namesMark } from './asks.ts';
import { apart } from './beside.ts';
import { isFigure } from './cells.ts';
import { isHeading, isUnitRow, type ModeColumn, namesColumns } from './columns.ts';
import { LOOSE_COLUMNS, looseCells } from './loose.ts';
import { unrolled } from './matrix.ts';

export interface PastedTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** What each column is where the cutting itself tells; null where headings and cells have to. */
  readonly known: readonly ModeColumn[] | null;
}

/** Most rows read at once; more are refused, not cut. */
export const MAX_PASTED = 500;

export type PasteRefusal =
  | { readonly code: 'empty' }
  | { readonly code: 'too-many'; readonly rows: number; readonly max: number };

export const isRefusal = (table: PastedTable | PasteRefusal): table is PasteRefusal => 'code' in table;

/** What stands between cells; null where only blanks do. */
function delimiterOf(text: string, lines: readonly string[]): string | null {
  if (text.includes('\t')) return '\t';
  if (text.includes(';')) return ';';
  if (lines.filter((line) => line.split('|').length > 2).length * 2 > lines.length) return '|';
  // A comma in a pasted table is as often part of a number: 59,94.
  const listed = lines.filter((line) => /(?<!\d),|,(?!\d)/.test(line) || line.split(',').length > 3);
  return listed.length * 2 > lines.length ? ',' : null;
}

function delimited(text: string, delimiter: string): string[][] {
  const { data } = Papa.parse<string[]>(text, {
    skipEmptyLines: 'greedy',
    delimiter,
    // A paste a thousand times too long is not unfolded to be refused.
    preview: MAX_PASTED + 3,
  });
  return data
    .map((row) => row.map((cell) => cell.replace(/\s+/g, ' ').trim()))
    .map((row) => (delimiter === '|' ? withoutFrame(row) : row))
    .filter((row) => row.some((cell) => cell !== '' && !/^[-:=]+$/.test(cell)));
}

/** A table drawn with bars has one before its first cell and one behind its last. */
const withoutFrame = (row: readonly string[]): string[] =>
  row.slice(row[0] === '' ? 1 : 0, row.at(-1) === '' ? -1 : undefined);

/**
 * Columns of text that is aligned with blanks: cut where every line has two blanks or more. Null where it is not aligned.
 */
function aligned(lines: readonly string[]): string[][] | null {
  const split = lines.map((line) => line.trim().split(/\s{2,}/));
  const counts = new Set(split.map((cells) => cells.length));
  const width = Math.max(...counts);
  if (width < 3) return null;
  if (counts.size === 1) return split;
  const longest = Math.max(...lines.map((line) => line.length));
  const isBlank = (at: number): boolean => lines.every((line) => (line[at] ?? ' ') === ' ');
  const cuts: number[] = [];
  for (let at = 1; at < longest; at += 1) if (isBlank(at) && isBlank(at - 1) && !isBlank(at + 1)) cuts.push(at + 1);
  const places = [0, ...cuts.filter((cut) => cut < longest)];
  if (places.length < width) return null;
  return lines.map((line) => places.map((from, at) => line.slice(from, places[at + 1]).trim()));
}

/**
 * Cuts pasted text into cells: tabs, semicolons, bars, commas, text aligned with blanks, and ragged text as it comes out of
 * a document, where each figure is known by its own look. A heading is taken as one only where it can be nothing else, so
 * that no row is lost; a second heading line of units belongs to it.
 */
export function readTable(text: string): PastedTable | PasteRefusal {
  const tidy = text
    .replace(/^\ufeff/, '')
    .replace(/\u00a0|\u202f/g, ' ')
    .replace(/\r\n?/g, '\n')
    .replace(/^\s*\n|\s+$/g, '');
  const lines = tidy.split('\n').filter((line) => line.trim() !== '');
  if (lines.length === 0) return { code: 'empty' };
  const delimiter = delimiterOf(tidy, lines.slice(0, MAX_PASTED));
  const tooMany = (rows: number): PasteRefusal => ({ code: 'too-many', rows, max: MAX_PASTED });
  if (delimiter === null && lines.length > MAX_PASTED + 2) return tooMany(lines.length);
  const cut = delimiter === null ? aligned(lines) : delimited(tidy, delimiter);
  if (cut !== null) {
    const { head, rows } = unrolled(cut) ?? apart(withHeading(cut));
    if (rows.length > MAX_PASTED) return tooMany(Math.max(rows.length, lines.length));
    return { head, rows, known: null };
  }
  const { head, rows } = looseTable(lines);
  return rows.length > MAX_PASTED ? tooMany(rows.length) : { head, rows, known: LOOSE_COLUMNS };
}

/** Most lines of a title over a table. */
const MOST_TITLES = 4;

/** How many lines over the heading are titles: each a single cell that is no figure, and a heading of two columns or more below. */
function titleLines(rows: readonly (readonly string[])[]): number {
  const filled = (row: readonly string[]): readonly string[] => row.filter((cell) => cell.trim() !== '');
  const at = rows.slice(0, MOST_TITLES + 1).findIndex((row) => filled(row).length > 1);
  const head = rows[at];
  const isTable = at > 0 && head !== undefined && isHeading(head) && rows.length > at + 1;
  return isTable && !rows.slice(0, at).some((row) => filled(row).some(isFigure)) ? at : 0;
}

/**
 * A table whose heading stands first. Titles over it go; one that names a mark, or that heads a group as others below do, stays as
 * a row behind the heading: what it says of the modes is not lost.
 */
function withoutTitles(rows: string[][]): string[][] {
  const titles = titleLines(rows);
  const [head, ...body] = rows.slice(titles);
  if (titles === 0 || head === undefined) return rows;
  const isGrouped = body.some((row) => row.filter((cell) => cell.trim() !== '').length === 1);
  const stays = rows.slice(0, titles).filter((row, at) => row.some(namesMark) || (isGrouped && at === titles - 1));
  // A line of units belongs to the heading.
  const units = body.slice(0, body[0] && isUnitRow(body[0]) ? 1 : 0);
  return [head, ...units, ...stays, ...body.slice(units.length)];
}

function withHeading(cut: readonly string[][]): { readonly head: string[]; readonly rows: string[][] } {
  const width = Math.max(...cut.map((row) => row.length));
  const all = cut.map((row) => Array.from({ length: width }, (_, at) => row[at] ?? ''));
  const even = withoutTitles(all);
  const [first = [], second, ...more] = even;
  const blank = first.map((_, at) => `column ${at + 1}`);
  if (second === undefined || !isHeading(first)) return { head: blank, rows: even };
  const isDouble = isUnitRow(second) && more.length > 0;
  const head = blank.map((name, at) => [first[at], isDouble ? second[at] : ''].filter(Boolean).join(' ') || name);
  return { head, rows: isDouble ? more : [second, ...more] };
}

/** Ragged lines: what names columns above the first figure is the heading, and its unit that of bare rates. */
function looseTable(lines: readonly string[]): { readonly head: string[]; readonly rows: string[][] } {
  const [first = '', ...rest] = lines;
  const isHead = rest.length > 0 && isHeading([first]) && namesColumns(first);
  const rows = (isHead ? rest : lines).map(looseCells);
  const head = LOOSE_COLUMNS.map((column) => (column === 'rate' && isHead ? first.trim() : column));
  return { head, rows };
}
