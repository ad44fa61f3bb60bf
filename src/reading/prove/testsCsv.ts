import Papa from 'papaparse';
import {
  AIR_MOVEMENTS,
  type Body,
  type Card,
  CONSTANCIES,
  type Mode,
  TEST_ENDS,
  TEST_STARTS,
  type Test,
} from '../../core/kit/model.ts';
import { RANGES, type Range } from '../../core/kit/ranges.ts';
import { readDate } from '../../core/units/date.ts';
import { readNumber } from '../../core/units/number.ts';
import { parseDuration } from '../../core/units/parse.ts';

/** Columns of the test log as a table, in the order of the file; units in their names. */
export const TEST_COLUMNS = [
  'body',
  'mode',
  'fps',
  'card',
  'slot',
  'date',
  'end',
  'seconds',
  'clipGB',
  'writtenMBps',
  'rateIs',
  'ambientWithSunC',
  'air',
  'start',
  'order',
  'takes',
  'restSeconds',
  'formatted',
  'firmware',
  'warning',
  'note',
] as const;
type Column = (typeof TEST_COLUMNS)[number] | 'minutes';

/** Most lines read at once; more are refused, not cut. */
const MAX_TEST_LINES = 20_000;

/** What is wrong with one line. */
export interface LineProblem {
  /** As in the file, the heading being 1. */
  readonly line: number;
  readonly column: string;
  readonly problem:
    | 'unknown'
    | 'several'
    | 'missing'
    | 'not-one-of'
    | 'no-number'
    | 'out-of-range'
    | 'no-date'
    | 'open-date'
    | 'open-number';
  readonly text: string;
}

/** What a table of tests comes to. */
export type TestsTable =
  | { readonly code: 'too-many'; readonly lines: number; readonly max: number }
  | { readonly code: 'no-columns'; readonly missing: readonly string[] }
  | {
      readonly code: 'read';
      readonly tests: readonly Omit<Test, 'id'>[];
      /** Lines whose take stands in the log already. */
      readonly known: number;
      readonly problems: readonly LineProblem[];
    };

interface Given {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

/** Headings of people and of spreadsheets beside our own. */
const ALSO: Readonly<Record<string, Column>> = {
  camera: 'body',
  frames: 'fps',
  'frame rate': 'fps',
  result: 'end',
  ended: 'end',
  length: 'minutes',
  duration: 'minutes',
  time: 'minutes',
  min: 'minutes',
  sec: 'seconds',
  s: 'seconds',
  'clip gb': 'clipGB',
  gb: 'clipGB',
  'mb/s': 'writtenMBps',
  ambient: 'ambientWithSunC',
  'ambient °c': 'ambientWithSunC',
  comment: 'note',
  notes: 'note',
};
const ENDS: Readonly<Record<string, Test['end']>> = {
  filled: 'full',
  'ended full': 'full',
  drop: 'dropped',
  'dropped frames': 'dropped',
  'was stopped': 'stopped',
  stop: 'stopped',
  'cut off': 'cut-off',
  'body shut down': 'cut-off',
  'camera shut down': 'cut-off',
  overheated: 'cut-off',
  // Nobody says that the card was full: held for as long as it lasted, and no more.
  ok: 'stopped',
  fine: 'stopped',
  good: 'stopped',
  pass: 'stopped',
  passed: 'stopped',
};

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

function columnOf(heading: string): Column | null {
  const found = [...TEST_COLUMNS, 'minutes' as const].find((column) => same(column, heading));
  return found ?? ALSO[heading.trim().toLowerCase()] ?? null;
}

/** A cell that was made harmless for spreadsheets, as it was. */
const plainCell = (cell: string): string => cell.replace(/^'(?=\s*[=+\-@])/, '').trim();

interface Line {
  readonly number: number;
  readonly cells: Readonly<Partial<Record<Column, string>>>;
  readonly problems: LineProblem[];
}

const cell = ({ cells }: Line, column: Column): string => plainCell(cells[column] ?? '');

function complain(line: Line, column: Column, problem: LineProblem['problem'], text = cell(line, column)): null {
  line.problems.push({ line: line.number, column, problem, text });
  return null;
}

function numberIn(line: Line, column: Column, range: Range, whole = false): number | null {
  const text = cell(line, column);
  if (text === '') return null;
  const read = readNumber(text);
  if (!read.ok) return complain(line, column, read.error.code === 'open-number' ? 'open-number' : 'no-number');
  const { value } = read;
  const isIn =
    Number.isFinite(value) && value >= range.min && value <= range.max && !(whole && !Number.isInteger(value));
  return isIn ? value : complain(line, column, 'out-of-range');
}

function wordIn<T extends string>(line: Line, column: Column, words: readonly T[]): T | null {
  const text = cell(line, column);
  if (text === '') return null;
  return words.find((word) => same(word, text)) ?? complain(line, column, 'not-one-of');
}

/** The one thing of a list that a cell names. */
function namedIn<T>(line: Line, column: Column, all: readonly T[], nameOf: (one: T) => string): T | null {
  const text = cell(line, column);
  if (text === '') return complain(line, column, 'missing');
  const found = all.filter((one) => same(nameOf(one), text));
  if (found.length === 1) return found[0] as T;
  return complain(line, column, found.length === 0 ? 'unknown' : 'several');
}

function modeIn(line: Line, body: Body): Mode | null {
  const fps = numberIn(line, 'fps', { min: 0.01, max: 100_000 });
  const modes = body.modes.filter((mode) => fps === null || Math.abs((mode.captureFps ?? mode.fps) - fps) < 0.02);
  return namedIn(line, 'mode', modes, ({ name }) => name);
}

/** Seconds from their own column, else from one of minutes or `9:22`. */
function secondsIn(line: Line): number | null {
  if (cell(line, 'seconds') !== '') return numberIn(line, 'seconds', { min: 0, max: 1e9 });
  const text = cell(line, 'minutes');
  if (text === '') return complain(line, 'seconds', 'missing');
  const read = parseDuration(/^\d+(?:[.,]\d+)?$/.test(text) ? `${text} min` : text, 'minutes');
  return read.ok ? read.value.value : complain(line, 'minutes', 'no-number');
}

function endIn(line: Line): Test['end'] | null {
  const text = cell(line, 'end').toLowerCase();
  if (text === '') return complain(line, 'end', 'missing');
  return ENDS[text] ?? TEST_ENDS.find((end) => end === text) ?? complain(line, 'end', 'not-one-of');
}

function dateIn(line: Line): string | null {
  const text = cell(line, 'date');
  if (text === '') return null;
  const read = readDate(text);
  return read.ok ? read.value : complain(line, 'date', read.error.code);
}

const YES = ['yes', 'true', '1', 'y'];
const NO = ['no', 'false', '0', 'n'];

function yesIn(line: Line, column: Column): boolean | null {
  const text = cell(line, column).toLowerCase();
  if (text === '') return null;
  return YES.includes(text) ? true : NO.includes(text) ? false : complain(line, column, 'not-one-of');
}

function textIn(line: Line, column: Column, most: number): string | null {
  const text = cell(line, column);
  return text === '' ? null : text.length > most ? complain(line, column, 'out-of-range') : text;
}

function testIn(line: Line, { bodies, cards }: Given): Omit<Test, 'id'> | null {
  // With one body in the kit a table needs no column for it.
  const [only] = bodies;
  const body =
    bodies.length === 1 && only && cell(line, 'body') === '' ? only : namedIn(line, 'body', bodies, ({ name }) => name);
  const card = namedIn(line, 'card', cards, ({ label }) => label);
  const mode = body ? modeIn(line, body) : null;
  const slot = body && cell(line, 'slot') !== '' ? namedIn(line, 'slot', body.slots, ({ name }) => name) : null;
  const end = endIn(line);
  const seconds = secondsIn(line);
  const rest = {
    date: dateIn(line),
    clipGB: numberIn(line, 'clipGB', { min: 0, max: RANGES.takeAmount.max }),
    writtenMBps: numberIn(line, 'writtenMBps', RANGES.takeAmount),
    rateIs: wordIn(line, 'rateIs', CONSTANCIES),
    ambientWithSunC: numberIn(line, 'ambientWithSunC', RANGES.temperatureC),
    air: wordIn(line, 'air', AIR_MOVEMENTS),
    start: wordIn(line, 'start', TEST_STARTS),
    order: numberIn(line, 'order', RANGES.takes, true),
    takes: numberIn(line, 'takes', RANGES.takes, true),
    restSeconds: numberIn(line, 'restSeconds', { min: 0, max: RANGES.restMinutes.max * 60 }),
    formatted: yesIn(line, 'formatted'),
    firmware: textIn(line, 'firmware', 120),
    warning: textIn(line, 'warning', 500),
    note: textIn(line, 'note', 2000),
  };
  if (line.problems.length > 0 || !body || !card || !mode || end === null || seconds === null) return null;
  return { bodyId: body.id, modeId: mode.id, cardId: card.id, slotId: slot?.id ?? null, end, seconds, ...rest };
}

const keyOf = ({ bodyId, modeId, cardId, end, seconds, date }: Omit<Test, 'id'>): string =>
  JSON.stringify([bodyId, modeId, cardId, end, seconds, date ?? null]);

/**
 * Reads a table of tests as the log writes it, or as people keep theirs: any order of columns, comma, semicolon or tab.
 * Bodies, cards and modes are named as in the kit; a name that is not there, or there twice, is told by its line. Lines that
 * stand in the log already are counted and left out. A plain “ok” is a take that was stopped: nobody said the card was full.
 */
export function readTestsTable(text: string, given: Given): TestsTable {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' });
  const [head = [], ...rows] = data;
  if (rows.length > MAX_TEST_LINES) return { code: 'too-many', lines: rows.length, max: MAX_TEST_LINES };
  const columns = head.map(columnOf);
  const needed: readonly Column[] = [...(given.bodies.length === 1 ? [] : ['body' as const]), 'mode', 'card', 'end'];
  const missing: string[] = needed.filter((column) => !columns.includes(column));
  if (!columns.includes('seconds') && !columns.includes('minutes')) missing.push('seconds');
  if (missing.length > 0) return { code: 'no-columns', missing };
  const before = new Set(given.tests.map(keyOf));
  const tests: Omit<Test, 'id'>[] = [];
  const problems: LineProblem[] = [];
  let known = 0;
  for (const [at, row] of rows.entries()) {
    const cells = Object.fromEntries(columns.flatMap((column, place) => (column ? [[column, row[place] ?? '']] : [])));
    const line: Line = { number: at + 2, cells, problems: [] };
    const test = testIn(line, given);
    problems.push(...line.problems);
    if (test && before.has(keyOf(test))) known += 1;
    else if (test) tests.push(test);
  }
  return { code: 'read', tests, known, problems };
}
