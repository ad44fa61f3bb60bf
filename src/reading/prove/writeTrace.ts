import Papa from 'papaparse';
import { entryAt } from '../../core/entryAt.ts';
import type { WriteTrace } from '../../core/prove/trace/trace.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { finish, type Steps } from '../../core/steps.ts';
import { MB } from '../../core/units/convert.ts';
import { inBytesPerSecond, type RateUnitName } from '../../core/units/spelling.ts';
import { type Decimal, decimalOf } from '../bodies/paste/numbers.ts';
import {
  type Columns,
  type ColumnsProblem,
  type ColumnsSaid,
  columnsOf,
  type FigureKind,
  timeUnitIn,
  totalUnitIn,
  writeUnitIn,
} from './trace/columns.ts';
import { type DateOrder, dateOrderOf, isClock, isDate, isDated, momentOf } from './trace/moments.ts';
import { numberOf } from './trace/numbers.ts';
import { type ProgramProblem, programTable, type TraceProgram, wordsTable } from './trace/programs.ts';

/** Most rows of a trace. */
const MAX_TRACE_ROWS = 2_000_000;
/** Above any card and bus, MB/s. */
const MAX_MBPS = 100_000;
/** Longest trace, seconds: a year. */
const MAX_SECONDS = 3.2e7;
/** Rows that are looked at for what a column is. */
const LOOKED_AT = 2000;
/** Share of rows that may be no figures; more, and it is another kind of file. */
const MOST_UNREAD = 0.1;

export const TIME_UNITS = ['s', 'ms', 'µs', 'min', 'clock'] as const;
/** How times are written; `clock`: hours, minutes and seconds. */
export type TimeUnit = (typeof TIME_UNITS)[number];

/** Units of a write rate that a person is offered; a file may name any other. */
export const WRITE_UNITS = [
  'MB/s',
  'MiB/s',
  'kB/s',
  'KiB/s',
  'GB/s',
  'GiB/s',
  'Mb/s',
  'B/s',
] as const satisfies readonly RateUnitName[];
/** The unit of a write rate. */
export type WriteUnit = RateUnitName;

/** Megabytes a second in one of a unit. */
const inMBps = (unit: WriteUnit): number => inBytesPerSecond(unit) / MB;
const IN_SECONDS: Readonly<Record<Exclude<TimeUnit, 'clock'>, number>> = { s: 1, ms: 1e-3, µs: 1e-6, min: 60 };

/** What a person says of a file that does not say it itself. */
export interface TraceSaid extends ColumnsSaid {
  readonly timeUnit?: TimeUnit | null;
  readonly unit?: WriteUnit | null;
  readonly decimal?: Decimal | null;
  /** Between reports that carry no time, seconds. */
  readonly stepSeconds?: number | null;
  /** Which number of a date is the day. */
  readonly dateOrder?: DateOrder | null;
}

/** A row that is no figures, and was left out. */
interface Unread {
  readonly line: number;
  readonly text: string;
}

export interface ReadTrace {
  readonly trace: WriteTrace;
  readonly timeUnit: TimeUnit;
  readonly unit: WriteUnit;
  /** False where the file does not name its unit and megabytes are taken, as in the form of this app. */
  readonly unitSaid: boolean;
  /** `total`: its figures are all that was written until then, and the pace is what lies between two. */
  readonly kind: FigureKind;
  /** What printed it, where its form tells. */
  readonly program: TraceProgram | null;
  /** Rows left out, and the first of them. */
  readonly unread: number;
  readonly firstUnread: readonly Unread[];
}

export type WriteTraceProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'few' }
  | { readonly code: 'too-many'; readonly max: number }
  | ColumnsProblem
  | ProgramProblem
  | { readonly code: 'which-time' }
  | { readonly code: 'which-date'; readonly text: string }
  | { readonly code: 'which-decimal'; readonly text: string }
  | { readonly code: 'total-back'; readonly line: number; readonly text: string }
  | { readonly code: 'goes-back'; readonly line: number; readonly text: string }
  | { readonly code: 'negative'; readonly line: number; readonly text: string }
  | { readonly code: 'too-fast'; readonly line: number; readonly text: string }
  | { readonly code: 'too-long' }
  | { readonly code: 'not-figures'; readonly line: number; readonly text: string; readonly rows: number };

const hasFigure = (text: string): boolean => /\d/.test(text);
// A row with a plain number or a clock in it is one of figures, whatever words stand beside them.
const isFigure = (cell: string): boolean => /^\s*[-+]?[\d.,]*\d\s*$/.test(cell) || isClock(cell);
const isTitle = (row: readonly string[]): boolean =>
  row.some((cell) => /\p{L}{2,}|°/u.test(cell) && !/^\s*[-+]?\d/.test(cell)) && !row.some(isFigure);

/** The sign between cells: of those that cut most of the first lines alike. */
function delimiterOf(text: string): string {
  const lines = text
    .slice(0, 20_000)
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, 50);
  const count = (sign: string): number => lines.filter((line) => line.includes(sign)).length;
  if (count(';') * 2 > lines.length) return ';';
  if (count('\t') * 2 > lines.length) return '\t';
  if (count('|') * 2 > lines.length) return '|';
  if (count(',') * 2 > lines.length) return ',';
  return ' ';
}

/** Characters cut at a time. */
const PIECE = 1 << 18;

/** Rows of a text, a piece at a time: a row for every line, blank ones too, so that lines are counted as an editor does. */
function* rowsOf(
  text: string,
  delimiter: string,
): Generator<{ readonly rows: readonly string[][]; readonly share: number }> {
  for (let from = 0; from < text.length; ) {
    const end = from + PIECE < text.length ? text.indexOf('\n', from + PIECE) : -1;
    const to = end < 0 ? text.length : end + 1;
    const piece = text.slice(from, end < 0 ? to : end);
    yield { rows: Papa.parse<string[]>(piece, { delimiter }).data, share: to / text.length };
    from = to;
  }
}

/** How a file is cut and understood. */
interface Form {
  readonly delimiter: string;
  readonly columns: Columns;
  readonly order: DateOrder;
  readonly decimal: Decimal;
  readonly timeUnit: TimeUnit;
  readonly unit: WriteUnit;
  readonly unitSaid: boolean;
  /** The first row with figures, counting from 0. */
  readonly first: number;
}

const isRemark = (row: readonly string[]): boolean => row[0]?.startsWith('#') === true;

/** Cells between blanks: a date and the clock behind it, with its half of the day, are one. */
function withoutBlanks(row: readonly string[]): readonly string[] {
  const cells = row.filter((cell) => cell !== '');
  if (cells.length < 2 || !cells.some((cell) => cell.includes(':'))) return cells;
  const all: string[] = [];
  for (const cell of cells) {
    const before = all.at(-1) ?? '';
    const belongs = (isDate(before) && cell.includes(':')) || (/^[ap]\.?m\.?$/i.test(cell) && isClock(before));
    if (belongs) all[all.length - 1] = `${before} ${cell}`;
    else all.push(cell);
  }
  return all;
}

/** How times are written: as a clock, in the unit that is told, or asked. */
function timesOf(
  head: readonly string[],
  sample: readonly (readonly string[])[],
  { time }: Columns,
  said: TraceSaid,
): TimeUnit | null {
  const texts = sample.map((row) => row[time] ?? '');
  if (texts.some((text) => isClock(text) || isDated(text))) return 'clock';
  return said.timeUnit ?? timeUnitIn(head[time] ?? '') ?? timeUnitIn(texts[0] ?? '') ?? bareUnit(texts);
}

/** Reads off the first rows how the file is made, and what a person must say of it. */
function formOf(text: string, said: TraceSaid): Result<Form, WriteTraceProblem> {
  const delimiter = delimiterOf(text);
  const data = Papa.parse<string[]>(text.slice(0, 400_000), { delimiter, preview: LOOKED_AT }).data;
  const rows = delimiter === ' ' ? data.map(withoutBlanks) : data;
  const first = rows.findIndex((row) => !isRemark(row) && !isTitle(row) && row.filter(hasFigure).length >= 2);
  if (first < 0) return err({ code: rows.some((row) => row.some(hasFigure)) ? 'no-columns' : 'empty' });
  const head = rows.slice(0, first).findLast((row) => isTitle(row) && !isRemark(row) && row.length > 1) ?? [];
  const sample = rows.slice(first).filter((row) => row.some(hasFigure));
  const dates = sample.flatMap((row) => row.filter((cell) => isDated(cell)).slice(0, 1));
  const order = said.dateOrder ?? (dates.length > 0 ? dateOrderOf(dates) : 'day-first');
  if (order === 'either') return err({ code: 'which-date', text: dates[0] ?? '' });
  const found = columnsOf(head, sample, said, order);
  if (!found.ok) return found;
  const columns = found.value;
  const { time, rate, celsius, kind } = columns;
  const timeUnit = timesOf(head, sample, columns, said);
  const signs = sample.flatMap((row) => [
    row[rate] ?? '',
    row[celsius ?? -1] ?? '',
    timeUnit === 'clock' ? '' : (row[time] ?? ''),
  ]);
  const seen = delimiter === ',' ? 'point' : decimalOf(signs);
  const decimal = said.decimal ?? (seen === 'none' ? 'point' : seen);
  if (decimal === 'open' || decimal === 'mixed')
    return err({ code: 'which-decimal', text: signs.find((one) => /\d[.,]\d/.test(one)) ?? '' });
  if (timeUnit === null) return err({ code: 'which-time' });
  const unitIn = (text: string): WriteUnit | null => (kind === 'total' ? totalUnitIn(text) : null) ?? writeUnitIn(text);
  const named = unitIn(head[rate] ?? '') ?? unitIn(sample[0]?.[rate] ?? '');
  return ok({
    delimiter,
    columns,
    order,
    decimal,
    timeUnit,
    unit: said.unit ?? named ?? 'MB/s',
    unitSaid: Boolean(said.unit ?? named),
    first,
  });
}

/** Room for a growing list of numbers. */
const grown = (values: Float64Array<ArrayBuffer>, count: number): Float64Array<ArrayBuffer> => {
  if (count < values.length) return values;
  const larger = new Float64Array(values.length * 2);
  larger.set(values);
  return larger;
};

/** A running total as the pace between its rows; the last row stands as the one before it. */
function paceOfTotal(seconds: Float64Array, total: Float64Array): Float64Array<ArrayBuffer> {
  const pace = new Float64Array(total.length);
  for (let row = 0; row + 1 < total.length; row += 1) {
    const [from, to] = [seconds[row] as number, seconds[row + 1] as number];
    pace[row] = to > from ? ((total[row + 1] as number) - (total[row] as number)) / (to - from) : 0;
  }
  pace[total.length - 1] = pace[total.length - 2] ?? 0;
  return pace;
}

/** Why a text is no table: lines with words between may still tell. */
const NO_TABLE: ReadonlySet<string> = new Set(['no-columns', 'not-figures', 'empty', 'few', 'which-column']);

/**
 * Reads a write trace in steps: time, rate and, where there is one, temperature; in any order of columns, and as programs print
 * it. Nothing is guessed: steps that may be seconds or milliseconds, `1,200`, two columns of one kind, figures that only rise,
 * lines of two drives are asked about. Rows that are no figures are left out and told.
 */
export function* writeTraceSteps(text: string, said: TraceSaid = {}): Steps<Result<ReadTrace, WriteTraceProblem>> {
  const marked = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
  const tidy = marked.includes('\r') ? marked.replace(/\r(?!\n)/g, '\n') : marked;
  if (tidy.trim() === '') return err({ code: 'empty' });
  const printed = programTable(tidy, said.stepSeconds ?? null);
  if (printed) return printed.ok ? yield* tableSteps(printed.value.text, said, printed.value.program) : printed;
  const read = yield* tableSteps(tidy, said, null);
  if (read.ok || !NO_TABLE.has(read.error.code)) return read;
  const spoken = wordsTable(tidy, said.stepSeconds ?? null);
  if (!spoken) return read;
  return spoken.ok ? yield* tableSteps(spoken.value.text, said, spoken.value.program) : spoken;
}

function* tableSteps(
  text: string,
  said: TraceSaid,
  program: TraceProgram | null,
): Steps<Result<ReadTrace, WriteTraceProblem>> {
  // Its figures are totals, however long they stand still at first.
  const form = formOf(text, program === 'dd' ? { ...said, kind: 'total' } : said);
  if (!form.ok) return form;
  const { delimiter, columns, order, decimal, timeUnit, unit, unitSaid, first } = form.value;
  const { time, rate, celsius, kind, marked } = columns;
  const factor = timeUnit === 'clock' ? 1 : IN_SECONDS[timeUnit];
  const inUnits = inMBps(unit);
  let seconds = new Float64Array(4096);
  let MBps = new Float64Array(4096);
  let degrees = celsius === null ? null : new Float64Array(4096);
  const unread: Unread[] = [];
  let [missed, kept, day, line] = [0, 0, 0, 0];
  for (const { rows, share } of rowsOf(text, delimiter)) {
    for (const cut of rows) {
      line += 1;
      if (line <= first || (cut.length === 1 && entryAt(cut, 0).trim() === '') || isRemark(cut)) continue;
      const row = delimiter === ' ' ? withoutBlanks(cut) : cut;
      if (marked !== null && row[marked.column]?.trim() !== marked.word) continue;
      const rateText = row[rate] ?? '';
      const timeText = row[time] ?? '';
      let moment = momentOf(timeText, decimal, order) * factor;
      const value = numberOf(rateText, decimal);
      const shown = (): string => row.join(delimiter).slice(0, 60);
      if (!Number.isFinite(moment) || !Number.isFinite(value)) {
        missed += 1;
        if (unread.length < 3) unread.push({ line, text: shown() });
        continue;
      }
      // A cell with a unit of its own counts in it.
      const own = rateText.charCodeAt(rateText.length - 1) > 57 ? writeUnitIn(rateText) : null;
      const written = value * (own === null ? inUnits : inMBps(own));
      if (written < 0) return err({ code: 'negative', line, text: shown() });
      if (kind === 'rate' && written > MAX_MBPS) return err({ code: 'too-fast', line, text: shown() });
      const before = kept > 0 ? (seconds[kept - 1] as number) : moment;
      // Past midnight a clock without a date starts anew.
      if (timeUnit === 'clock' && moment + day < before - 43_200 && !isDated(timeText)) day += 86_400;
      moment += day;
      if (moment < before) return err({ code: 'goes-back', line, text: shown() });
      if (kind === 'total' && kept > 0 && written < (MBps[kept - 1] as number))
        return err({ code: 'total-back', line, text: shown() });
      if (kept === MAX_TRACE_ROWS) return err({ code: 'too-many', max: MAX_TRACE_ROWS });
      if (kept === seconds.length) {
        [seconds, MBps] = [grown(seconds, kept), grown(MBps, kept)];
        if (degrees) degrees = grown(degrees, kept);
      }
      seconds[kept] = moment;
      MBps[kept] = written;
      if (degrees && celsius !== null) degrees[kept] = numberOf(row[celsius] ?? '', decimal);
      kept += 1;
    }
    yield 0.7 * share;
  }
  if (missed > MOST_UNREAD * (kept + missed))
    return err({ code: 'not-figures', line: unread[0]?.line ?? 1, text: unread[0]?.text ?? '', rows: missed });
  if (kept < 5) return err({ code: 'few' });
  if (seconds[kept - 1] === seconds[0]) return err({ code: 'few' });
  const times = spread(seconds.subarray(0, kept));
  const last = times[kept - 1] as number;
  if (last > MAX_SECONDS) return err({ code: 'too-long' });
  const figures = MBps.slice(0, kept);
  const pace = kind === 'total' ? paceOfTotal(times, figures) : figures;
  const fastest = pace.findIndex((one) => one > MAX_MBPS);
  if (fastest >= 0)
    return err({ code: 'too-fast', line: fastest + first + 1, text: plainFigure(figures[fastest] ?? 0) });
  const trace = { seconds: times, MBps: pace, celsius: degrees?.slice(0, kept) ?? null };
  return ok({ trace, timeUnit, unit, unitSaid, kind, program, unread: missed, firstUnread: unread });
}

const plainFigure = (value: number): string => String(Math.round(value));

/** The same at once. */
export const readWriteTrace = (text: string, said: TraceSaid = {}): Result<ReadTrace, WriteTraceProblem> =>
  finish(writeTraceSteps(text, said));

/** A bare step up to this is one of seconds: a log of whole seconds may skip a little. */
const LARGEST_BARE_STEP = 1.1;

/**
 * The unit of bare times: steps of up to one are taken as seconds, as in the form of this app. Larger ones may be
 * milliseconds, or a slow log: null, to be asked.
 */
function bareUnit(texts: readonly string[]): TimeUnit | null {
  const times = texts.map((text) => numberOf(text, null)).filter((one) => !Number.isNaN(one));
  const steps = times
    .slice(1)
    .map((at, place) => at - entryAt(times, place))
    .sort((a, b) => a - b);
  const step = steps[steps.length >> 1] ?? 1;
  return step <= LARGEST_BARE_STEP ? 's' : null;
}

/** Times from zero on; rows that share one are spread to the next, as a log of whole seconds has them. */
function spread(seconds: Float64Array): Float64Array {
  const { length } = seconds;
  const start = seconds[0] as number;
  const times = seconds.map((at) => at - start);
  for (let from = 0; from < length; ) {
    let to = from + 1;
    while (to < length && times[to] === times[from]) to += 1;
    if (to - from > 1) {
      const base = times[from] as number;
      const before = from > 0 ? base - (times[from - 1] as number) : 1;
      const room = to < length ? (times[to] as number) - base : before * (to - from);
      for (let row = from; row < to; row += 1) times[row] = base + (room * (row - from)) / (to - from);
    }
    from = to;
  }
  return times;
}
