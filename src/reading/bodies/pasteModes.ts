import Papa from 'papaparse';
import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Mode } from '../../core/kit/model.ts';
import { newId } from '../../kit/newId.ts';
import { isFigure, type RateUnit, readCodec, readPicture, readRateMbps, readSpeeds, unitIn } from './paste/cells.ts';
import { type Decimal, decimalOf, readNumber } from './paste/numbers.ts';

/** What a column of a pasted table can be. */
export const MODE_COLUMNS = ['skip', 'name', 'size', 'width', 'height', 'fps', 'capture', 'rate', 'codec'] as const;
export type ModeColumn = (typeof MODE_COLUMNS)[number];

export interface PastedTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Most rows read at once; more are refused, not cut. */
export const MAX_PASTED = 500;

export type PasteRefusal =
  | { readonly code: 'empty' }
  | { readonly code: 'too-many'; readonly rows: number; readonly max: number };

const HEADINGS: readonly (readonly [RegExp, ModeColumn])[] = [
  [/bit\s*depth|colou?r|chroma|sampling|sound|audio/i, 'skip'],
  [/size|resol|picture/i, 'size'],
  [/width/i, 'width'],
  [/height/i, 'height'],
  [/capt|slow|s&q|sensor|shoot/i, 'capture'],
  [/fps|frame|speed|p$/i, 'fps'],
  [/[kmg]b|rate|bit/i, 'rate'],
  [/codec|comp|type/i, 'codec'],
  [/name|mode|format/i, 'name'],
];

/** A heading holds no figure of a row, and a word that names a column or no digit at all. */
const isHeading = (row: readonly string[]): boolean =>
  !row.some(isFigure) &&
  (row.some((text) => HEADINGS.some(([pattern]) => pattern.test(text))) || !row.some((text) => /\d/.test(text)));

/** Tabs before semicolons before commas: a comma in a pasted table is as often part of a number. */
const delimiterOf = (text: string): string => (text.includes('\t') ? '\t' : text.includes(';') ? ';' : ',');

/**
 * Cuts a pasted table into cells: tabs, commas or semicolons, quotes, line breaks inside quotes and a byte-order mark
 * are understood. The first row is the heading only where it can be nothing else, so that no row is lost.
 */
export function readTable(text: string): PastedTable | PasteRefusal {
  const tidy = text.replace(/^\ufeff/, '').trim();
  const { data } = Papa.parse<string[]>(tidy, {
    skipEmptyLines: 'greedy',
    delimiter: delimiterOf(tidy),
    // A paste a thousand times too long is not unfolded to be refused.
    preview: MAX_PASTED + 2,
  });
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  const [first, ...rest] = rows;
  if (!first || tidy === '') return { code: 'empty' };
  if (rows.length > MAX_PASTED + 1) {
    const lines = tidy.split('\n').length;
    return { code: 'too-many', rows: Math.max(rows.length, lines), max: MAX_PASTED };
  }
  const width = Math.max(...rows.map((row) => row.length));
  const blank = Array.from({ length: width }, (_, at) => `column ${at + 1}`);
  if (rows.length === 1 || !isHeading(first)) return { head: blank, rows };
  return { head: blank.map((name, at) => first[at] || name), rows: rest };
}

export const isRefusal = (table: PastedTable | PasteRefusal): table is PasteRefusal => 'code' in table;

/** What a column without a telling heading holds, by its cells. */
function byCells(cells: readonly string[]): ModeColumn | null {
  const filled = cells.filter(Boolean);
  const most = (test: (text: string) => boolean): boolean =>
    filled.length > 0 && filled.filter(test).length * 2 > filled.length;
  if (most((text) => /\d{3,5}\s*[x×*]\s*\d{3,5}/.test(text))) return 'size';
  if (most((text) => isFigure(text) && unitIn(text) !== null)) return 'rate';
  if (most((text) => /^[\d.,\s]+\s*(?:p|fps)|\d\s*(?:p|fps)?\s*(?:\/|→|->)\s*\d/i.test(text))) return 'fps';
  if (most((text) => /^[\d.,'’\s]+$/.test(text))) {
    const values = filled.map((text) => readNumber(text, 'point'));
    return values.every((value) => value <= 240) ? 'fps' : 'rate';
  }
  return most((text) => /^(?:raw|.*intra|all-?i|long-?gop|ipb)$/i.test(text)) ? 'codec' : null;
}

/** A first guess at what each column is, by its heading, else by what stands in it; each meaning once. */
export function guessColumns({ head, rows }: PastedTable): readonly ModeColumn[] {
  const taken = new Set<ModeColumn>();
  const take = (column: ModeColumn | null | undefined): ModeColumn | null => {
    if (!column || taken.has(column)) return null;
    if (column !== 'skip') taken.add(column);
    return column;
  };
  const named = head.map((title) =>
    take(HEADINGS.find(([pattern, column]) => pattern.test(title) && !taken.has(column))?.[1]),
  );
  const told = named.map((column, at) => column ?? take(byCells(rows.map((row) => row[at] ?? ''))));
  return told.map((column, at) => {
    if (column !== null) return column;
    const isText = rows.some((row) => /[a-z]/i.test(row[at] ?? ''));
    return (isText ? take('name') : null) ?? 'skip';
  });
}

/** How a table is read: what each column is, and what the table itself leaves open until a person says. */
export interface TableReading {
  readonly columns: readonly ModeColumn[];
  /** Unit of bare numbers in the rate column; null while nobody knows. */
  readonly unit: RateUnit | null;
  /** Decimal sign of the rate column; null while `1,200` may be either. */
  readonly decimal: Decimal | null;
  /** Of which speed the rates of slow-motion rows are; null while nobody has said. */
  readonly at: 'recorded' | 'captured' | null;
}

/** What a person chose in place of what the table shows. */
export type Chosen = Partial<{ readonly [key in keyof TableReading]: TableReading[key] | null }>;

const cellsOf = ({ rows }: PastedTable, columns: readonly ModeColumn[], column: ModeColumn): readonly string[] => {
  const at = columns.indexOf(column);
  return at < 0 ? [] : rows.map((row) => row[at] ?? '').filter(Boolean);
};

/** The reading of a table: what it shows by itself, and what was chosen. Nothing is taken that it does not show. */
export function readingOf(table: PastedTable, chosen: Chosen): TableReading {
  const columns = chosen.columns ?? guessColumns(table);
  const title = table.head[columns.indexOf('rate')] ?? '';
  const seen = decimalOf(cellsOf(table, columns, 'rate'));
  const shown = seen === 'none' ? 'point' : seen === 'point' || seen === 'comma' ? seen : null;
  return {
    columns,
    unit: chosen.unit ?? unitIn(title),
    decimal: chosen.decimal ?? shown,
    at: chosen.at ?? null,
  };
}

/** What a table leaves open. */
export interface Questions {
  /** A bare number of the rate column, whose unit nobody has said; null where all have one. */
  readonly unit: string | null;
  /** A number that may be a thousand or one and a bit; null where the column shows which. */
  readonly decimal: string | null;
  /** Whether rates of slow-motion rows may be those of either speed. */
  readonly at: boolean;
}

export function questionsOf(table: PastedTable, reading: TableReading): Questions {
  const rates = cellsOf(table, reading.columns, 'rate');
  const bare = rates.find((text) => /\d/.test(text) && unitIn(text) === null);
  const open = rates.find((text) => /\d[.,]\d{3}(?!\d)/.test(text));
  const slow = table.rows.some((row) => {
    const speeds = speedsIn(row, reading.columns);
    return speeds !== null && speeds.captureFps !== null;
  });
  return {
    unit: reading.unit === null ? (bare ?? null) : null,
    decimal: reading.decimal === null ? (open ?? rates[0] ?? null) : null,
    at: slow && reading.at === null,
  };
}

/** A row read as a mode, or what stops it. */
export type PastedRow =
  | { readonly ok: true; readonly mode: Mode }
  | { readonly ok: false; readonly problem: 'name' | 'fps' | 'rate' | 'asked'; readonly text: string };

/** Speeds of a row, from one column or two; a comma in them is a decimal sign. */
function speedsIn(row: readonly string[], columns: readonly ModeColumn[]) {
  const cell = (column: ModeColumn): string => row[columns.indexOf(column)] ?? '';
  const decimalIn = (text: string): Decimal => (/\d,\d{1,2}(?!\d)/.test(text) ? 'comma' : 'point');
  const [own, other] = [cell('fps'), cell('capture')];
  const speeds = readSpeeds(own, decimalIn(own));
  const captured = readSpeeds(other, decimalIn(other));
  if (!speeds) return captured?.captureFps ? captured : null;
  if (speeds.captureFps !== null || !captured) return speeds;
  const captureFps = captured.captureFps ?? captured.fps;
  return { fps: speeds.fps, captureFps: captureFps === speeds.fps ? null : captureFps };
}

/** Turns one row into a mode by the table's reading; nothing is guessed for a figure that cannot be read. */
export function modeOfRow(row: readonly string[], reading: TableReading): PastedRow {
  const { columns, unit, decimal, at } = reading;
  const cell = (column: ModeColumn): string => row[columns.indexOf(column)] ?? '';
  const name = cell('name') || cell('codec') || cell('size');
  if (!name) return { ok: false, problem: 'name', text: row.join(' ') };
  const speeds = speedsIn(row, columns);
  if (!speeds) return { ok: false, problem: 'fps', text: cell('fps') };
  const isOpen = decimal === null && /\d[.,]\d/.test(cell('rate'));
  const isBare = unit === null && unitIn(cell('rate')) === null && /\d/.test(cell('rate'));
  if (isOpen || isBare) return { ok: false, problem: 'asked', text: cell('rate') };
  const Mbps = readRateMbps(cell('rate'), unit, decimal ?? 'point');
  if (Mbps === null) return { ok: false, problem: 'rate', text: cell('rate') };
  if (speeds.captureFps !== null && at === null) return { ok: false, problem: 'asked', text: cell('fps') };
  const picture = readPicture(cell('size')) ?? readPicture(cell('name'));
  const side = (column: 'width' | 'height'): number => readNumber(cell(column), 'point');
  const width = picture?.width ?? side('width');
  const height = picture?.height ?? side('height');
  const mode: Mode = {
    id: newId(),
    name: name.slice(0, 80),
    codec: readCodec(`${cell('codec')} ${name}`),
    width: width >= 16 && Number.isInteger(width) ? width : null,
    height: height >= 16 && Number.isInteger(height) ? height : null,
    fps: speeds.fps,
    captureFps: speeds.captureFps,
    rate: {
      kind: 'stated',
      Mbps,
      is: 'maximum',
      ...(speeds.captureFps !== null && at !== null ? { at } : {}),
    },
    overhead: null,
    requires: [],
  };
  return streamRate(mode).ok ? { ok: true, mode } : { ok: false, problem: 'rate', text: cell('rate') };
}
