import Papa from 'papaparse';
import type { Codec, Mode } from '../core/model/kit.ts';
import { toMbps } from '../core/units/convert.ts';
import { parseRate } from '../core/units/parse.ts';
import { newId } from './kitActions.ts';

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

const GUESSES: readonly (readonly [RegExp, ModeColumn])[] = [
  [/size|resol|picture/i, 'size'],
  [/width/i, 'width'],
  [/height/i, 'height'],
  [/capt|slow|s&q|sensor/i, 'capture'],
  [/fps|frame|p$/i, 'fps'],
  [/mb|rate|bit/i, 'rate'],
  [/codec|comp|type/i, 'codec'],
  [/name|mode|format/i, 'name'],
];

const hasLetters = (row: readonly string[]): boolean => row.every((text) => !/^\s*[\d.,]+\s*$/.test(text));

/**
 * Cuts a pasted table into cells: tabs, commas or semicolons, quotes, line breaks inside quotes and a byte-order mark
 * are understood. The first row is the heading where it holds no bare number.
 */
export function readTable(text: string): PastedTable | PasteRefusal {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), { skipEmptyLines: 'greedy' });
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  const [first, ...rest] = rows;
  if (!first) return { code: 'empty' };
  if (rows.length > MAX_PASTED + 1) return { code: 'too-many', rows: rows.length, max: MAX_PASTED };
  const width = Math.max(...rows.map((row) => row.length));
  const blank = Array.from({ length: width }, (_, at) => `column ${at + 1}`);
  return rows.length > 1 && hasLetters(first) ? { head: first, rows: rest } : { head: blank, rows };
}

export const isRefusal = (table: PastedTable | PasteRefusal): table is PasteRefusal => 'code' in table;

/** A first guess at what each column is, by its heading; each meaning once. */
export function guessColumns({ head }: PastedTable): readonly ModeColumn[] {
  const taken = new Set<ModeColumn>();
  return head.map((title, at) => {
    const found = GUESSES.find(([pattern, column]) => pattern.test(title) && !taken.has(column))?.[1];
    const column = found ?? (at === 0 && !taken.has('name') ? 'name' : 'skip');
    if (column !== 'skip') taken.add(column);
    return column;
  });
}

/** A row read as a mode, or what stops it. */
export type PastedRow =
  | { readonly ok: true; readonly mode: Mode }
  | { readonly ok: false; readonly problem: 'name' | 'fps' | 'rate'; readonly text: string };

/** Decimal comma and thousands blanks, as spreadsheets of many countries write them. */
const numberOf = (text: string): number => Number(text.replace(/\s/g, '').replace(/(\d),(\d)/, '$1.$2'));

function codecOf(text: string): Codec {
  if (/raw/i.test(text)) return 'raw';
  return /intra|all-?i/i.test(text) ? 'intra' : 'long-gop';
}

function rateOf(text: string): number | null {
  const tidy = text.replace(/(\d),(\d)/, '$1.$2');
  // A bare number in a rate column is Mb/s: that is how makers' tables print it, and the preview shows it.
  const read = parseRate(/[a-z]/i.test(tidy) ? tidy : `${tidy} Mb/s`);
  return read.ok ? toMbps(read.value.value) : null;
}

/** Turns one row into a mode by its columns; nothing is guessed for a rate or frame rate that cannot be read. */
export function modeOfRow(row: readonly string[], columns: readonly ModeColumn[]): PastedRow {
  const cell = (column: ModeColumn): string => row[columns.indexOf(column)] ?? '';
  const name = cell('name') || cell('codec');
  if (!name) return { ok: false, problem: 'name', text: row.join(' ') };
  const fps = numberOf(cell('fps').replace(/\s*(p|fps)$/i, ''));
  if (!(fps > 0)) return { ok: false, problem: 'fps', text: cell('fps') };
  const Mbps = rateOf(cell('rate'));
  if (Mbps === null) return { ok: false, problem: 'rate', text: cell('rate') };
  const size = /(\d{2,5})\s*[x×*]\s*(\d{2,5})/.exec(cell('size'));
  const width = size ? Number(size[1]) : numberOf(cell('width') || '0');
  const height = size ? Number(size[2]) : numberOf(cell('height') || '0');
  const capture = numberOf(cell('capture').replace(/\s*(p|fps)$/i, '') || '0');
  return {
    ok: true,
    mode: {
      id: newId(),
      name: name.slice(0, 80),
      codec: codecOf(`${cell('codec')} ${name}`),
      width: width >= 16 ? width : null,
      height: height >= 16 ? height : null,
      fps,
      captureFps: capture > 0 && capture !== fps ? capture : null,
      rate: { kind: 'stated', Mbps, is: 'maximum' },
      overhead: null,
      requires: [],
    },
  };
}
