import Papa from 'papaparse';
import { entryAt } from '../../core/entryAt.ts';
import type { WriteTrace } from '../../core/prove/trace/trace.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { finish, type Steps } from '../../core/steps.ts';
import { MB } from '../../core/units/convert.ts';
import { inBytesPerSecond, type RateUnitName, rateUnitIn, readRateUnit } from '../../core/units/spelling.ts';
import { type Decimal, decimalOf } from '../bodies/paste/numbers.ts';

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
export interface TraceSaid {
  readonly timeUnit?: TimeUnit | null;
  readonly unit?: WriteUnit | null;
  readonly decimal?: Decimal | null;
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
  /** Rows left out, and the first of them. */
  readonly unread: number;
  readonly firstUnread: readonly Unread[];
}

export type WriteTraceProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'few' }
  | { readonly code: 'too-many'; readonly max: number }
  | { readonly code: 'no-columns' }
  | { readonly code: 'which-time' }
  | { readonly code: 'which-decimal'; readonly text: string }
  | { readonly code: 'goes-back'; readonly line: number; readonly text: string }
  | { readonly code: 'negative'; readonly line: number; readonly text: string }
  | { readonly code: 'too-fast'; readonly line: number; readonly text: string }
  | { readonly code: 'too-long' }
  | { readonly code: 'not-figures'; readonly line: number; readonly text: string; readonly rows: number };

type Column = 'time' | 'rate' | 'celsius';
type Columns = Readonly<Partial<Record<Column, number>>>;

const CLOCK = /^(?:\d+-\d+-\d+[ T])?(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/;

/** The unit that a text names; null where it names none, or one that may be bits or bytes. A small b counts bits. */
export function writeUnitIn(title: string): WriteUnit | null {
  const found = rateUnitIn(title.replace(/[_()[\]]/g, ' '));
  const unit = found === null ? null : readRateUnit(found);
  return unit === null || unit === 'open' ? null : unit.name;
}

function timeUnitIn(text: string): TimeUnit | null {
  if (/\b(?:ms|milli\w*|msec)\b|_ms\b/i.test(text)) return 'ms';
  if (/[µu]s\b|micro/i.test(text)) return 'µs';
  if (/\bmin(?:utes?)?\b/i.test(text)) return 'min';
  if (/\b(?:s|sec|secs|seconds?)\b|_s\b|\(s\)|\[s\]/i.test(text)) return 's';
  return null;
}

const hasFigure = (text: string): boolean => /\d/.test(text);
const isTitle = (row: readonly string[]): boolean =>
  row.some((cell) => /\p{L}{2,}|°/u.test(cell) && !/^\s*[-+]?\d/.test(cell));

/** Columns by their titles. */
function titled(head: readonly string[]): Columns {
  const at = (pattern: RegExp): number => head.findIndex((cell) => pattern.test(cell));
  const celsius = at(/°|celsius|temp|\bdeg/i);
  const rate = head.findIndex(
    (cell, place) =>
      place !== celsius && (writeUnitIn(cell) !== null || /\b(?:rate|speed|write|throughput|bw|bandwidth)/i.test(cell)),
  );
  const time = head.findIndex(
    (cell, place) =>
      place !== celsius &&
      place !== rate &&
      (/time|elapsed|stamp|\bt\b|clock/i.test(cell) || timeUnitIn(cell) !== null),
  );
  return {
    ...(time >= 0 ? { time } : {}),
    ...(rate >= 0 ? { rate } : {}),
    ...(celsius >= 0 ? { celsius } : {}),
  };
}

/** Share of steps forward from which a column may be one of times; one that goes back is told of later. */
const FORWARD = 0.75;

/** How unevenly a column rises: 0 like a clock; infinite where it does not rise. */
function unevenness(values: readonly number[]): number {
  const steps = values.slice(1).map((value, at) => value - entryAt(values, at));
  const forward = steps.filter((step) => step >= 0).length;
  const rises = steps.reduce((sum, step) => sum + Math.max(0, step), 0);
  if (steps.length === 0 || forward < FORWARD * steps.length || rises <= 0) return Number.POSITIVE_INFINITY;
  const mean = rises / steps.length;
  return steps.reduce((sum, step) => sum + Math.abs(step - mean), 0) / steps.length / mean;
}

/** Columns without titles: the one that rises most evenly is the time; then the rate, then a temperature. */
function untitled(rows: readonly (readonly string[])[]): Columns {
  const width = Math.max(...rows.map((row) => row.length));
  const filled = Array.from({ length: width }, (_, at) => at).filter((at) =>
    rows.some((row) => hasFigure(row[at] ?? '')),
  );
  const rising = filled.map((at) => ({
    at,
    uneven: unevenness(rows.map((row) => timeOf(row[at] ?? '', null)).filter((one) => !Number.isNaN(one))),
  }));
  const best = rising.reduce(
    (one, other) => (other.uneven < one.uneven - 1e-9 ? other : one),
    rising[0] ?? { at: 0, uneven: Number.POSITIVE_INFINITY },
  );
  const [rate, celsius] = filled.filter((at) => at !== best.at);
  return !Number.isFinite(best.uneven) || rate === undefined
    ? {}
    : { time: best.at, rate, ...(celsius === undefined ? {} : { celsius }) };
}

const timeOf = (text: string, decimal: Decimal | null): number => {
  const clock = text.includes(':') ? CLOCK.exec(text.trim()) : null;
  if (clock) {
    const [, a = '0', b = '0', c] = clock;
    return c === undefined
      ? Number(a) * 60 + Number(b)
      : Number(a) * 3600 + Number(b) * 60 + Number(c.replace(',', '.'));
  }
  return numberOf(text, decimal);
};

/** A number by the file’s decimal sign; NaN where a text is none. The common form goes the short way. */
function numberOf(text: string, decimal: Decimal | null): number {
  if (text === '') return Number.NaN;
  if (decimal !== 'comma') {
    const plain = Number(text);
    if (!Number.isNaN(plain)) return plain;
  }
  const trimmed = text
    .trim()
    .replace(/\s*(?:[a-zµ°%].*)$/i, '')
    .replace(/(?<=\d)[\s'’\u00a0\u202f](?=\d{3})/g, '');
  if (!/^[-+−]?[\d.,]*\d[\d.,]*(?:e[-+]?\d+)?$/i.test(trimmed)) return Number.NaN;
  const plain = decimal === 'comma' ? trimmed.replaceAll('.', '').replace(',', '.') : trimmed.replaceAll(',', '');
  return Number(plain.replace('−', '-'));
}

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
  readonly columns: Columns & { readonly time: number; readonly rate: number };
  readonly decimal: Decimal;
  readonly timeUnit: TimeUnit;
  readonly unit: WriteUnit;
  readonly unitSaid: boolean;
  /** The first row with figures, counting from 0. */
  readonly first: number;
}

const isRemark = (row: readonly string[]): boolean => row[0]?.startsWith('#') === true;
const withoutBlanks = (row: readonly string[]): readonly string[] => row.filter((cell) => cell !== '');

/** Reads off the first rows how the file is made, and what a person must say of it. */
function formOf(text: string, said: TraceSaid): Result<Form, WriteTraceProblem> {
  const delimiter = delimiterOf(text);
  const data = Papa.parse<string[]>(text.slice(0, 400_000), { delimiter, preview: LOOKED_AT }).data;
  const rows = delimiter === ' ' ? data.map(withoutBlanks) : data;
  const first = rows.findIndex((row) => !isRemark(row) && !isTitle(row) && row.filter(hasFigure).length >= 2);
  if (first < 0) return err({ code: rows.some((row) => row.some(hasFigure)) ? 'no-columns' : 'empty' });
  const head = rows.slice(0, first).findLast((row) => isTitle(row) && !isRemark(row) && row.length > 1) ?? [];
  const sample = rows.slice(first);
  const byTitle = titled(head);
  const isTold = byTitle.time !== undefined && byTitle.rate !== undefined;
  const columns = isTold ? byTitle : untitled(sample);
  const { time, rate, celsius } = columns;
  if (time === undefined || rate === undefined) return err({ code: 'no-columns' });
  const isClock = sample[0]?.[time]?.includes(':') === true;
  const signs = sample.flatMap((row) => [row[rate] ?? '', row[celsius ?? -1] ?? '', isClock ? '' : (row[time] ?? '')]);
  const seen = delimiter === ',' ? 'point' : decimalOf(signs);
  const decimal = said.decimal ?? (seen === 'none' ? 'point' : seen);
  if (decimal === 'open' || decimal === 'mixed')
    return err({ code: 'which-decimal', text: signs.find((one) => /\d[.,]\d/.test(one)) ?? '' });
  const named = writeUnitIn(head[rate] ?? '') ?? writeUnitIn(sample[0]?.[rate] ?? '');
  const timeUnit = isClock
    ? 'clock'
    : (said.timeUnit ??
      timeUnitIn(head[time] ?? '') ??
      timeUnitIn(sample[0]?.[time] ?? '') ??
      bareUnit(sample, time, decimal));
  if (timeUnit === null) return err({ code: 'which-time' });
  const unit = said.unit ?? named ?? 'MB/s';
  return ok({
    delimiter,
    columns: { ...columns, time, rate },
    decimal,
    timeUnit,
    unit,
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

/**
 * Reads a write trace in steps: time, rate and, where there is one, temperature; any order of columns where titles tell it.
 * Nothing is guessed: steps that may be seconds or milliseconds, and `1,200`, are asked about. Rows that are no figures are
 * left out and told.
 */
export function* writeTraceSteps(text: string, said: TraceSaid = {}): Steps<Result<ReadTrace, WriteTraceProblem>> {
  const tidy = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
  if (tidy.trim() === '') return err({ code: 'empty' });
  const form = formOf(tidy, said);
  if (!form.ok) return form;
  const { delimiter, columns, decimal, timeUnit, unit, unitSaid, first } = form.value;
  const { time, rate, celsius } = columns;
  const factor = timeUnit === 'clock' ? 1 : IN_SECONDS[timeUnit];
  const inUnits = inMBps(unit);
  let seconds = new Float64Array(4096);
  let MBps = new Float64Array(4096);
  let degrees = celsius === undefined ? null : new Float64Array(4096);
  const unread: Unread[] = [];
  let [missed, kept, day, line] = [0, 0, 0, 0];
  for (const { rows, share } of rowsOf(tidy, delimiter)) {
    for (const cut of rows) {
      line += 1;
      if (line <= first || (cut.length === 1 && entryAt(cut, 0).trim() === '') || isRemark(cut)) continue;
      const row = delimiter === ' ' ? withoutBlanks(cut) : cut;
      const rateText = row[rate] ?? '';
      let moment = timeOf(row[time] ?? '', decimal) * factor;
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
      if (written > MAX_MBPS) return err({ code: 'too-fast', line, text: shown() });
      const before = kept > 0 ? (seconds[kept - 1] as number) : moment;
      // Past midnight a clock starts anew.
      if (timeUnit === 'clock' && moment + day < before - 43_200) day += 86_400;
      moment += day;
      if (moment < before) return err({ code: 'goes-back', line, text: shown() });
      if (kept === MAX_TRACE_ROWS) return err({ code: 'too-many', max: MAX_TRACE_ROWS });
      if (kept === seconds.length) {
        [seconds, MBps] = [grown(seconds, kept), grown(MBps, kept)];
        if (degrees) degrees = grown(degrees, kept);
      }
      seconds[kept] = moment;
      MBps[kept] = written;
      if (degrees && celsius !== undefined) degrees[kept] = numberOf(row[celsius] ?? '', decimal);
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
  const trace = { seconds: times, MBps: MBps.slice(0, kept), celsius: degrees?.slice(0, kept) ?? null };
  return ok({ trace, timeUnit, unit, unitSaid, unread: missed, firstUnread: unread });
}

/** The same at once. */
export const readWriteTrace = (text: string, said: TraceSaid = {}): Result<ReadTrace, WriteTraceProblem> =>
  finish(writeTraceSteps(text, said));

/**
 * The unit of bare times: a step of up to ten is taken as seconds, as in the form of this app. One of hundreds may be
 * milliseconds, or a slow log: null, to be asked.
 */
function bareUnit(rows: readonly (readonly string[])[], column: number, decimal: Decimal): TimeUnit | null {
  const times = rows.map((row) => timeOf(row[column] ?? '', decimal)).filter((one) => !Number.isNaN(one));
  const steps = times
    .slice(1)
    .map((at, place) => at - entryAt(times, place))
    .sort((a, b) => a - b);
  const step = steps[steps.length >> 1] ?? 1;
  return step <= 10 ? 's' : null;
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
