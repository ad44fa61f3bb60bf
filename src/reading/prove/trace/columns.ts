import { entryAt } from '../../../core/entryAt.ts';
import { err, ok, type Result } from '../../../core/result.ts';
import { type RateUnitName, rateUnitIn, readRateUnit } from '../../../core/units/spelling.ts';
import { type Decimal, decimalOf } from '../../bodies/paste/numbers.ts';
import { type DateOrder, isClock, isDate, momentOf } from './moments.ts';
import { numberOf } from './numbers.ts';

/** What a column of figures is: a pace at each moment, or all that was written until then. */
export type FigureKind = 'rate' | 'total';

/** Which column is which, counting from 0. */
export interface Columns {
  readonly time: number;
  readonly rate: number;
  readonly celsius: number | null;
  readonly kind: FigureKind;
  /** Rows that count carry this word in this column; null: all do. */
  readonly marked: Marked | null;
}

interface Marked {
  readonly column: number;
  readonly word: string;
}

/** A column that may be meant. */
interface Choice {
  readonly column: number;
  readonly title: string;
}

export type ColumnsProblem =
  | { readonly code: 'no-columns' }
  /** More than one column may be the rate. */
  | { readonly code: 'which-column'; readonly choices: readonly Choice[] }
  /** The figures only rise: a running total, or a rate that rises. */
  | { readonly code: 'which-kind'; readonly title: string }
  /** Lines are told apart by a word: a direction, or a drive. */
  | { readonly code: 'which-rows'; readonly words: readonly string[] }
  | { readonly code: 'only-reads' }
  /** What stands in for a pace is a peak, a target or what is left. */
  | { readonly code: 'no-pace'; readonly title: string };

/** What a person says of columns. */
export interface ColumnsSaid {
  readonly column?: number | null;
  readonly kind?: FigureKind | null;
  readonly rows?: string | null;
}

type Row = readonly string[];

/** The unit that a text names; null where it names none, or one that may be bits or bytes. A small b counts bits. */
export function writeUnitIn(title: string): RateUnitName | null {
  const found = rateUnitIn(title.replace(/[_()[\]]/g, ' '));
  const unit = found === null ? null : readRateUnit(found);
  return unit === null || unit === 'open' ? null : unit.name;
}

// A small b may be bits: `Mb` without its time is asked about.
const SIZES: readonly (readonly [RegExp, RateUnitName])[] = [
  [/(?:^|[^A-Za-z])[Gg]iB(?![A-Za-z/])/, 'GiB/s'],
  [/(?:^|[^A-Za-z])[Gg]B(?![A-Za-z/])|gigabytes?/, 'GB/s'],
  [/(?:^|[^A-Za-z])[Mm]iB(?![A-Za-z/])/, 'MiB/s'],
  [/(?:^|[^A-Za-z])[Mm]B(?![A-Za-z/])|megabytes?/, 'MB/s'],
  [/(?:^|[^A-Za-z])[Kk]iB(?![A-Za-z/])/, 'KiB/s'],
  [/(?:^|[^A-Za-z])[Kk]B(?![A-Za-z/])|kilobytes?/, 'kB/s'],
  [/(?:^|[^a-z])bytes?(?![a-z/])/i, 'B/s'],
];

/** Whether a title says that its unit is of a time: MB/s, Mbps, per second. `Mbit` alone may be a total as well. */
const isPerTime = (title: string): boolean => /\/\s*(?:s|sec|min|h)\b|ps\b|\bper\b/i.test(title.replace(/_/g, ' '));

/** The unit of a running total by its title, as the rate it makes in a second; null where it names none. */
export function totalUnitIn(title: string): RateUnitName | null {
  if (isPerTime(title)) return null;
  const tidy = title.replace(/_/g, ' ');
  return SIZES.find(([pattern]) => pattern.test(tidy))?.[1] ?? writeUnitIn(title);
}

const RATE_WORDS = /\b(?:rate|speed|throughput|bw|bandwidth)/i;
const WRITES = /\bwrit|\bwrtn|\bwr\b|^w\b|^w[kmg]?i?b\/s/i;
const READS = /\bread|\brd\b|^r\b|^r[kmg]?i?b\/s/i;
/** Not Fahrenheit: its figures would be taken for a card on fire. */
const CELSIUS = /^(?!.*(?:°\s*F|fahrenheit)).*(?:°|celsius|temp|\bdeg)/i;
/** What is no pace at each moment, whatever its unit: what was reached once, asked for, or still to come. */
const NO_PACE =
  /%|percent|\bpeak|\bmax|\bburst|\btarget|\blimit|\brequest|\bremain|(?:^|b\s+|time\s+)left\b|\bfree\b|\beta\b|\biops\b|\bqueue|\blatency|°\s*F|fahrenheit/i;
const TIME = /time|elapsed|stamp|\bt\b|clock|^date/i;
const TOTAL_WORDS = /\btotal|\bcopied|\btransferred|\bdone\b|\bwritten\b|\bsum\b/i;

/** The unit of times that a text names. */
export function timeUnitIn(text: string): 's' | 'ms' | 'µs' | 'min' | null {
  if (/\b(?:ms|milli\w*|msec)\b|_ms\b/i.test(text)) return 'ms';
  if (/[µu]s\b|micro/i.test(text)) return 'µs';
  if (/\bmin(?:utes?)?\b/i.test(text)) return 'min';
  if (/\b(?:s|sec|secs|seconds?)\b|_s\b|\(s\)|\[s\]/i.test(text)) return 's';
  return null;
}

const hasFigure = (text: string): boolean => /\d/.test(text);

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

const figuresOf = (rows: readonly Row[], column: number, decimal: Decimal | null): readonly number[] =>
  rows.map((row) => numberOf(row[column] ?? '', decimal)).filter((one) => !Number.isNaN(one));

/** Fewer rows than these say nothing, and are refused for it later. */
const FEWEST = 5;

/** Whether figures never fall and do rise: a time, or a running total. */
const onlyForward = (values: readonly number[]): boolean =>
  values.length >= FEWEST &&
  values.slice(1).every((value, at) => value >= entryAt(values, at)) &&
  (values.at(-1) as number) > (values[0] as number);

/** Whether figures only rise, and by more than a little: a running total does, a pace hardly ever. */
function onlyRises(values: readonly number[]): boolean {
  if (values.length < FEWEST) return false;
  const rises = values.slice(1).filter((value, at) => value > entryAt(values, at)).length;
  const falls = values.slice(1).some((value, at) => value < entryAt(values, at));
  return !falls && rises >= 0.2 * (values.length - 1) && (values.at(-1) as number) > 1.1 * (values[0] as number);
}

/** A temperature that any card was ever seen at, °C. */
const canBeCelsius = (values: readonly number[]): boolean => values.every((value) => value >= -40 && value <= 130);

/** What the titles of figures may mean; each column by the first of these that its title is. */
type Meaning = 'celsius' | 'no-pace' | 'rate' | 'total' | 'time' | 'write' | 'other';

function meaningOf(title: string): Meaning {
  if (CELSIUS.test(title)) return 'celsius';
  if (NO_PACE.test(title)) return 'no-pace';
  const isTotal = TOTAL_WORDS.test(title);
  if (RATE_WORDS.test(title) || (writeUnitIn(title) !== null && (isPerTime(title) || !isTotal))) return 'rate';
  if (TIME.test(title)) return 'time';
  if (isTotal || totalUnitIn(title) !== null) return 'total';
  if (timeUnitIn(title) !== null) return 'time';
  return WRITES.test(title) ? 'write' : 'other';
}

/** A column of moments: one of clock times before one of dates alone. */
function timeAmong(columns: readonly number[], rows: readonly Row[]): number | undefined {
  const clock = columns.find((column) => isClock(rows[0]?.[column] ?? ''));
  return clock ?? columns.find((column) => !isDate((rows[0]?.[column] ?? '').trim()));
}

/** What the figures of a column are by its title and by themselves; null where that is open. */
function kindOf(title: string, meaning: Meaning, figures: readonly number[]): FigureKind | null {
  const rises = onlyRises(figures);
  if (meaning === 'total') return rises ? 'total' : null;
  if (meaning === 'rate' && isPerTime(title)) return 'rate';
  return rises ? null : 'rate';
}

/** Columns by what their titles say. */
function titled(
  head: Row,
  rows: readonly Row[],
  said: ColumnsSaid,
  decimal: Decimal | null,
): Result<Omit<Columns, 'marked'>, ColumnsProblem> {
  const titles = head.map((title) => title.trim());
  const meanings = titles.map(meaningOf);
  const withFigures = titles.map((_, at) => at).filter((at) => rows.some((row) => hasFigure(row[at] ?? '')));
  const of = (meaning: Meaning): readonly number[] => withFigures.filter((at) => meanings[at] === meaning);
  const time = timeAmong(of('time'), rows);
  if (time === undefined) return err({ code: 'no-columns' });
  const isRead = (at: number): boolean => READS.test(titles[at] ?? '') && !WRITES.test(titles[at] ?? '');
  const named = [of('rate'), of('total'), of('write')];
  const [writes = []] = named.map((kind) => kind.filter((at) => !isRead(at))).filter((kind) => kind.length > 0);
  if (writes.length === 0) {
    if (named.some((kind) => kind.length > 0)) return err({ code: 'only-reads' });
    const [noPace] = of('no-pace');
    return err(noPace === undefined ? { code: 'no-columns' } : { code: 'no-pace', title: titles[noPace] ?? '' });
  }
  // A title that names writing stands before one that names nothing.
  const writing = writes.filter((at) => WRITES.test(titles[at] ?? ''));
  const left = writing.length > 0 ? writing : writes;
  const chosen = said.column != null && writes.includes(said.column) ? said.column : left.length === 1 ? left[0] : null;
  if (chosen == null)
    return err({
      code: 'which-column',
      choices: left.map((column) => ({ column, title: titles[column] || `column ${column + 1}` })),
    });
  const title = titles[chosen] ?? '';
  const kind = said.kind ?? kindOf(title, meanings[chosen] ?? 'other', figuresOf(rows, chosen, decimal));
  if (kind === null) return err({ code: 'which-kind', title });
  return ok({ time, rate: chosen, celsius: of('celsius')[0] ?? null, kind });
}

/** Columns by their titles, or by their first figures where they have none. */
const shown = (head: Row, rows: readonly Row[], columns: readonly number[]): readonly Choice[] =>
  columns.map((column) => ({
    column,
    title:
      head[column]?.trim() ||
      `${rows
        .slice(0, 3)
        .map((row) => (row[column] ?? '').trim())
        .join(', ')} …`,
  }));

/** Columns without titles: the one that rises most evenly is the time; the rest is settled by its figures, or asked. */
function untitled(
  rows: readonly Row[],
  said: ColumnsSaid,
  { head, order, decimal }: { readonly head: Row; readonly order: DateOrder; readonly decimal: Decimal | null },
): Result<Omit<Columns, 'marked'>, ColumnsProblem> {
  const hasTitles = head.length > 0;
  const width = Math.max(...rows.map((row) => row.length));
  const filled = Array.from({ length: width }, (_, at) => at).filter(
    (at) => rows.filter((row) => !Number.isNaN(momentOf(row[at] ?? '', decimal, order))).length > 0.25 * rows.length,
  );
  const clock = filled.find((at) => isClock(rows[0]?.[at] ?? ''));
  const rising = filled
    .filter((at) => clock === undefined || at === clock)
    .map((at) => ({
      at,
      uneven: unevenness(
        rows.map((row) => momentOf(row[at] ?? '', decimal, order)).filter((one) => !Number.isNaN(one)),
      ),
    }))
    .filter(({ uneven }) => Number.isFinite(uneven));
  const [first] = rising;
  if (first === undefined || filled.length < 2) return err({ code: 'no-columns' });
  // Two that rise: the one that is no pace is the time, and no figure tells which.
  const both = rising.filter(({ at }) => onlyForward(figuresOf(rows, at, decimal)));
  const fromZero = both.filter(({ at }) => figuresOf(rows, at, decimal)[0] === 0);
  const warming = both.filter((one) => !fromZero.includes(one) && canBeCelsius(figuresOf(rows, one.at, decimal)));
  // One that begins at nothing beside one that warms, and a pace beside both: they tell themselves apart.
  const isPlain = filled.length > 2 && fromZero.length === 1 && warming.length === both.length - 1;
  if (both.length > 1 && filled.length > 2 && !isPlain) return err({ code: 'no-columns' });
  const isOpen = both.length > 1 && !isPlain;
  const isTold = isOpen && said.column != null && filled.includes(said.column);
  if (isOpen && !isTold) return err({ code: 'which-column', choices: shown(head, rows, filled) });
  const best = isTold
    ? (rising.find(({ at }) => at !== said.column) ?? first)
    : isPlain && fromZero[0]
      ? fromZero[0]
      : rising.reduce((one, other) => (other.uneven < one.uneven - 1e-9 ? other : one), first);
  const others = filled.filter((at) => at !== best.at);
  const figures = (column: number): readonly number[] => figuresOf(rows, column, decimal);
  const warm = others.filter((column) => canBeCelsius(figures(column)));
  const fast = others.filter((column) => !warm.includes(column));
  // One column that cannot be a temperature beside one that can: the figures tell them apart.
  const settled =
    others.length === 1 ? others[0] : others.length === 2 && fast.length === 1 && !hasTitles ? fast[0] : undefined;
  const chosen = said.column != null && others.includes(said.column) ? said.column : settled;
  if (chosen === undefined) return err({ code: 'which-column', choices: shown(head, rows, others) });
  if (said.kind == null && onlyRises(figures(chosen))) return err({ code: 'which-kind', title: '' });
  const [celsius] = warm.filter((column) => column !== chosen);
  return ok({
    time: best.at,
    rate: chosen,
    // Titles that do not say so name no temperature.
    celsius: others.length === 2 && celsius !== undefined && !hasTitles ? celsius : null,
    kind: said.kind ?? 'rate',
  });
}

/** Most kinds of lines that a word tells apart. */
const MOST_WORDS = 8;
const READ_WORD = /^(?:r|rd|read|reads|reading)$/i;
const WRITE_WORD = /^(?:w|wr|write|writes|writing|written)$/i;

/** A word that may name a drive or a direction: /dev/sda, E:, write. Files that come one after another are none. */
const isName = (word: string): boolean => /\p{L}/u.test(word) && !/^[\d.,]/.test(word) && !/\.\w{2,4}$/.test(word);

/** A column of words that tells lines apart, and which of them count. */
function marked(
  rows: readonly Row[],
  taken: readonly (number | null)[],
  said: ColumnsSaid,
): Result<Marked | null, ColumnsProblem> {
  const width = Math.max(...rows.map((row) => row.length));
  for (let column = 0; column < width; column += 1) {
    if (taken.includes(column)) continue;
    const cells = rows.map((row) => (row[column] ?? '').trim()).filter((cell) => cell !== '');
    const words = [...new Set(cells)];
    if (cells.length < 0.9 * rows.length || words.length > MOST_WORDS || !words.every(isName)) continue;
    if (words.every((word) => READ_WORD.test(word))) return err({ code: 'only-reads' });
    if (words.length < 2) continue;
    const chosen = words.find((word) => word === said.rows);
    if (chosen !== undefined) return ok({ column, word: chosen });
    // One of reads beside one of writes, or two drives: never taken by what comes first.
    const isDirection = words.every((word) => READ_WORD.test(word) || WRITE_WORD.test(word));
    const often = words.filter((word) => cells.filter((cell) => cell === word).length >= 0.1 * cells.length);
    if (isDirection || often.length > 1) return err({ code: 'which-rows', words });
  }
  return ok(null);
}

/**
 * Which column of a log is which. Nothing is taken by its place: what titles and figures leave open is asked.
 *
 * @param head - titles; empty where there are none
 * @param rows - the first of those with figures
 */
export function columnsOf(
  head: Row,
  rows: readonly Row[],
  said: ColumnsSaid,
  order: DateOrder,
): Result<Columns, ColumnsProblem> {
  // The sign of whole cells, so far as it is plain; which one it is where it is not, is asked later.
  const sign = decimalOf(rows.flatMap((row) => row.filter((cell) => !cell.includes(':'))));
  const decimal = sign === 'comma' ? sign : null;
  const byTitle = titled(head, rows, said, decimal);
  const found =
    byTitle.ok || byTitle.error.code !== 'no-columns' ? byTitle : untitled(rows, said, { head, order, decimal });
  if (!found.ok) return found;
  const { time, rate, celsius } = found.value;
  const rowsThatCount = marked(rows, [time, rate, celsius], said);
  return rowsThatCount.ok ? ok({ ...found.value, marked: rowsThatCount.value }) : rowsThatCount;
}
