import { ASSUMED_ROUNDING, minutesLeft } from '../../../core/bodies/counter/rounding.ts';
import type { CounterReading, CounterRounding } from '../../../core/kit/model.ts';
import { COUNTER_USABLE } from '../../../core/standards/assumptions.ts';

/** What a cell of minutes says: whole minutes of a card, or that it is no less. */
interface Minutes {
  readonly minutes: number;
  readonly atLeast: boolean;
}

const AT_LEAST = /^(?:>=?|≥|over|more\s+than|at\s+least|min\.)\s*|\s*(?:\+|or\s+more|and\s+more)$/i;
const HOURS = '(?:h|hrs?|hours?)';
const MINUTES = "(?:m|min|mins|minutes?|['′])";
const CLOCK = /^(\d{1,3}):([0-5]\d)$/;
const SPOKEN = new RegExp(String.raw`^(\d{1,3})\s*${HOURS}\.?\s*(?:(\d{1,2})\s*${MINUTES}?\.?)?$`, 'i');
const BARE = new RegExp(String.raw`^(\d{1,5})\s*(?:${MINUTES}\.?)?$`, 'i');

/**
 * A cell of minutes: `1:15` is hours and minutes, as counters of cards show them; also `1 h 15 min`, `75 min`, `75`, and
 * `[ 75 ]` as a display frames it.
 */
export function readMinutes(text: string): Minutes | null {
  const bare = text.trim().replace(/^\[\s*(.*?)\s*\]$/, '$1');
  const atLeast = AT_LEAST.test(bare);
  const figure = bare
    .replace(AT_LEAST, '')
    .replace(/^(?:about|approx\.?|ca\.?|~|≈)\s*/i, '')
    .trim();
  const hours = CLOCK.exec(figure) ?? SPOKEN.exec(figure);
  const minutes = hours ? Number(hours[1]) * 60 + Number(hours[2] ?? 0) : Number(BARE.exec(figure)?.[1] ?? Number.NaN);
  return minutes >= 1 ? { minutes, atLeast } : null;
}

/** Whether a cell can be nothing else than minutes: a bare number may be a rate as well. */
export const isMinutes = (text: string): boolean => readMinutes(text) !== null && !/^\s*\d+\s*$/.test(text);

const SIZE = /(\d+(?:[.,]\d+)?)\s*([GT])[BoO](?![\w/])/i;

/** The size of a card that a text names, GB; null where it names none. */
export function sizeIn(text: string): number | null {
  const found = SIZE.exec(text);
  if (!found) return null;
  return Number((found[1] ?? '').replace(',', '.')) * (/t/i.test(found[2] ?? '') ? 1000 : 1);
}

/** A reading of a mode on a card of one size, with the column it stands in. */
export interface Shown extends Omit<CounterReading, 'modeId'> {
  readonly column: number;
  readonly atLeast: boolean;
}

const MEGABITS_IN_GB = 8000;

/** Everything a mode writes, Mb/s: between these. */
export interface Between {
  readonly low: number;
  readonly high: number;
}

function between({ capacityGB, minutes }: Shown, rounds: CounterRounding): Between {
  const left = minutesLeft(minutes, rounds);
  const size = capacityGB * MEGABITS_IN_GB;
  return { low: size / (left.high * 60), high: size / (left.low * 60) };
}

/**
 * What a mode writes by its minutes on one or several sizes: of a counter that rounds down, t minutes shown are t to t + 1,
 * on 80 to 100 % of the card.
 *
 * @returns null where no reading tells, since each is only at least, or may be none at all; `odd` where they exclude each other
 */
export function rateByMinutes(
  shown: readonly Shown[],
  rounds: CounterRounding = ASSUMED_ROUNDING,
): Between | 'odd' | null {
  const usable = COUNTER_USABLE;
  const telling = shown.filter(({ atLeast, minutes }) => !atLeast && minutesLeft(minutes, rounds).low > 0);
  if (telling.length === 0) return null;
  // The share is the same for all sizes, so that what they say apart from it has to meet.
  const bare = telling.map((one) => between(one, rounds));
  const low = Math.max(...bare.map((one) => one.low));
  const high = Math.min(...bare.map((one) => one.high));
  return low >= high ? 'odd' : { low: low * usable.low, high: high * usable.high };
}

/** A row with what its counter shows, and how much picture it writes a second. */
interface CountedRow {
  readonly shown: readonly Shown[];
  /** Pixels a second; frames a second where no size is told. */
  readonly pace: number;
  /** Whether its rate follows the picture, as that of intra and raw does: long-GOP modes of unlike pictures share a rate. */
  readonly follows: boolean;
}

/** Paces that differ this much are not one rate [A]. */
const UNLIKE = 2;

/** Sizes that differ this much last no equal time. */
const LARGER = 1.5;

/** Values that are shown for modes that cannot write alike, as the longest of their size, or for sizes that differ. */
function capsOf(rows: readonly CountedRow[]): ReadonlySet<number> {
  const longest = new Map<number, number>();
  for (const { shown } of rows)
    for (const { column, minutes } of shown) longest.set(column, Math.max(longest.get(column) ?? 0, minutes));
  const overModes = [...longest].flatMap(([column, minutes]) => {
    const same = rows.filter(({ shown }) => shown.some((one) => one.column === column && one.minutes === minutes));
    const paces = same.map(({ pace }) => pace);
    return same.length > 1 && Math.max(...paces) >= Math.min(...paces) * UNLIKE ? [minutes] : [];
  });
  const overSizes = rows.flatMap(({ shown }) =>
    shown.flatMap((one) =>
      shown.some((other) => other.minutes === one.minutes && other.capacityGB >= one.capacityGB * LARGER)
        ? [one.minutes]
        : [],
    ),
  );
  return new Set([...overModes, ...overSizes]);
}

/** Modes that show one value are a bucket of the counter from this many on [A]. */
const BUCKET = 3;

/** Whether the minutes of a row can all be true. */
const isPossible = (shown: readonly Shown[], rounds: CounterRounding): boolean =>
  rateByMinutes(shown, rounds) !== 'odd';

/**
 * Whether a reading is one that its counter shows for several modes alike: of modes whose rate follows their picture and
 * whose pictures are unlike, or where without it the sizes of a mode agree again.
 */
function isBucketed(one: Shown, rows: readonly CountedRow[], rounds: CounterRounding): boolean {
  const isIt = (other: Shown): boolean => other.column === one.column && other.minutes === one.minutes;
  const same = rows.filter(({ shown }) => shown.some(isIt));
  if (one.atLeast || same.length < BUCKET) return false;
  const follow = same.filter(({ follows }) => follows).map(({ pace }) => pace);
  if (follow.length >= BUCKET && Math.max(...follow) >= Math.min(...follow) * UNLIKE) return true;
  return same.some(
    ({ shown }) =>
      !isPossible(shown, rounds) &&
      isPossible(
        shown.filter((other) => !isIt(other)),
        rounds,
      ),
  );
}

/** Rows without the readings that their counter shows for several modes alike: those measure none of them. */
export function withoutBuckets<Row extends CountedRow>(
  rows: readonly Row[],
  rounds: CounterRounding = ASSUMED_ROUNDING,
): readonly (Row & { readonly aside: readonly Shown[] })[] {
  return rows.map((row) => {
    const aside = row.shown.filter((one) => isBucketed(one, rows, rounds));
    return { ...row, shown: row.shown.filter((one) => !aside.includes(one)), aside };
  });
}

/** Readings of a table with those marked as at least that are a cap of the counter and no measurement. */
export function withCaps<Row extends CountedRow>(rows: readonly Row[]): readonly Row[] {
  const caps = capsOf(rows);
  return rows.map((row) => ({
    ...row,
    shown: row.shown.map((one) => (caps.has(one.minutes) ? { ...one, atLeast: true } : one)),
  }));
}

/** Whole minutes that somebody typed as a display shows them; null where it is none, or only at least. */
export function shownMinutes(text: string): number | null {
  const read = readMinutes(text);
  return read === null || read.atLeast ? null : read.minutes;
}

/** Whether a text is the end of a counter, which shows no more: it tells no rate. */
export const isCounterEnd = (text: string): boolean => readMinutes(text)?.atLeast === true;
