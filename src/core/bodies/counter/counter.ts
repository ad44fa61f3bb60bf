import { entryAt } from '../../entryAt.ts';
import type { Body, CounterReading, Mode } from '../../kit/model.ts';
import { COUNTER_USABLE } from '../../standards/assumptions.ts';
import { finish, type Steps } from '../../steps.ts';
import { fromGigabytes, KB, MB } from '../../units/convert.ts';
import { exactFrameRate } from '../../units/frameRate.ts';
import { streamRate } from '../rate/streamRate.ts';
import { type LinearSolver, leastRatio, mostRatio, normalised, type OpenProgramme, type Row } from './linear.ts';

/**
 * What a body's counter gives away. A reading of t for an empty card means t ≤ minutes < t + 1, and minutes =
 * usable × capacity ÷ (picture + fixed + per frame × fps): linear in the three unknowns once multiplied out, so several
 * readings cut out a space of constants that explain them all [domain.md §6].
 */
export interface Extent {
  readonly low: number;
  readonly high: number;
}

/** What the readings leave open of a body's constants, each as far as it may go. */
interface Decoded {
  /** Usable share of the label. */
  readonly usable: Extent;
  /** Fixed rate beside the picture, bytes per second. */
  readonly fixed: Extent;
  /** Data with every frame, bytes. */
  readonly perFrame: Extent;
  /** Minutes of every mode that has a rate, on the capacity asked for. */
  readonly predictions: readonly { readonly modeId: string; readonly minutes: Extent }[];
}

/** What came of the readings: constants, constants without one odd reading, none that fit, or too few to tell. */
type CounterResult =
  | { readonly code: 'decoded'; readonly decoded: Decoded; readonly used: number }
  /** One reading fits no constants that explain the others. */
  | { readonly code: 'odd-one'; readonly odd: number; readonly decoded: Decoded; readonly used: number }
  | { readonly code: 'no-fit' }
  | { readonly code: 'too-few'; readonly needed: number };

/** What a counter's readings tell, and which of them tell nothing. */
export interface CounterAnswer {
  /** Readings set aside, by place: the same long value in two or more modes that differ, which is the counter's cap. */
  readonly capped: readonly number[];
  /** Readings set aside: the same value in three or more modes that differ, which is a bucket and no measurement. */
  readonly bucketed: readonly number[];
  readonly result: CounterResult;
}

/** What the constants may be at all [A]: 80 to 100 % usable, up to 20 Mb/s fixed, up to 200 kB a frame. */
const LIMITS = {
  usable: [COUNTER_USABLE.low, COUNTER_USABLE.high],
  fixedMBps: [0, 2.5],
  perFrameKB: [0, 200],
} as const;

/** Fewest readings worth decoding. */
const FEWEST = 2;

interface Usable {
  readonly at: number;
  readonly mode: Mode;
  readonly reading: CounterReading;
  readonly picture: number;
  readonly fps: number;
}

function readingsOf(body: Pick<Body, 'modes'>, counters: readonly CounterReading[]): readonly Usable[] {
  return counters.flatMap((reading, at): Usable[] => {
    const mode = body.modes.find(({ id }) => id === reading.modeId);
    // A rate that was itself read off the counter would only prove itself.
    const rate =
      mode && mode.rate.kind !== 'counter'
        ? streamRate({ ...mode, overhead: { fixedMbps: 0, perFrameKB: 0 }, sound: null, proxyMbps: null }, null)
        : null;
    if (!mode || !rate?.ok) return [];
    return [{ at, mode, reading, picture: rate.value.average, fps: exactFrameRate(mode.captureFps ?? mode.fps) }];
  });
}

/**
 * Readings of one capacity that agree although their rates differ by more than whole minutes allow. The longest such
 * value in two modes is a cap; any in three is a bucket.
 */
function agreeing(readings: readonly Usable[], least: number, longestOnly: boolean): readonly number[] {
  const longest = Math.max(...readings.map(({ reading }) => reading.minutes));
  return readings
    .filter(({ reading }) => !longestOnly || reading.minutes === longest)
    .filter((one) => {
      const same = readings.filter(
        ({ reading }) => reading.minutes === one.reading.minutes && reading.capacityGB === one.reading.capacityGB,
      );
      const rates = same.map(({ picture }) => picture);
      const spread = Math.max(...rates) / Math.min(...rates);
      return same.length >= least && spread > (one.reading.minutes + 2) / Math.max(1, one.reading.minutes - 1);
    })
    .map(({ at }) => at);
}

/** Unknowns: usable share, fixed in MB/s, per frame in kB. */
const UNKNOWNS = 3;

/** What the constants may be at all. */
const BOX: readonly Row[] = [
  { coefficients: [-1, 0, 0], atMost: -LIMITS.usable[0] },
  { coefficients: [1, 0, 0], atMost: LIMITS.usable[1] },
  { coefficients: [0, -1, 0], atMost: -LIMITS.fixedMBps[0] },
  { coefficients: [0, 1, 0], atMost: LIMITS.fixedMBps[1] },
  { coefficients: [0, 0, -1], atMost: -LIMITS.perFrameKB[0] },
  { coefficients: [0, 0, 1], atMost: LIMITS.perFrameKB[1] },
];

/** What one reading says: low × (rate + fixed + frame × per frame) ≤ usable × capacity ≤ high × (the same), in MB. */
function rowsOf({ reading, picture, fps }: Usable): readonly Row[] {
  const capacity = fromGigabytes(reading.capacityGB) / MB;
  const low = reading.minutes * 60;
  const high = low + 60;
  const rate = picture / MB;
  const frame = (fps * KB) / MB;
  return [
    { coefficients: [-capacity, low, low * frame], atMost: -low * rate },
    { coefficients: [capacity, -high, -high * frame], atMost: high * rate },
  ].map(normalised);
}

const axis = (at: number, sign: number): readonly number[] =>
  Array.from({ length: UNKNOWNS }, (_, place) => (place === at ? sign : 0));

/** Runs something over the programme of some readings; it is closed again whatever happens. */
function* withProgramme<T>(
  readings: readonly Usable[],
  solve: LinearSolver,
  run: (programme: OpenProgramme) => Steps<T>,
): Steps<T> {
  const programme = solve(UNKNOWNS, [...BOX, ...readings.flatMap(rowsOf)]);
  try {
    return yield* run(programme);
  } finally {
    programme.close();
  }
}

/** How far one unknown may go; null where no constants explain the readings. */
function extent(programme: OpenProgramme, at: number): Extent | null {
  const low = programme.least(axis(at, 1));
  const high = low && programme.least(axis(at, -1));
  return low && high ? { low: low.value, high: -high.value } : null;
}

const scaled = ({ low, high }: Extent, by: number): Extent => ({ low: low * by, high: high * by });

function decode(
  readings: readonly Usable[],
  body: Pick<Body, 'modes'>,
  capacityGB: number,
  solve: LinearSolver,
): Steps<Decoded | null> {
  const all = readingsOf(
    body,
    body.modes.map(({ id }) => ({ modeId: id, capacityGB, minutes: 0 })),
  );
  return withProgramme(readings, solve, function* (programme) {
    yield 0;
    const [usable, fixed, perFrame] = [0, 1, 2].map((at) => extent(programme, at));
    if (!usable || !fixed || !perFrame) return null;
    const known = new Map<string, Extent | null>();
    const predictions: { readonly modeId: string; readonly minutes: Extent }[] = [];
    for (const [at, { mode, picture, fps }] of all.entries()) {
      yield at / all.length;
      const key = `${picture} ${fps}`;
      // Modes that differ only in name are worked out once.
      const minutes = known.has(key) ? known.get(key) : minutesOf(programme, capacityGB, picture, fps);
      known.set(key, minutes ?? null);
      if (minutes) predictions.push({ modeId: mode.id, minutes });
    }
    return { usable, fixed: scaled(fixed, MB), perFrame: scaled(perFrame, KB), predictions };
  });
}

/** What the counter would show of a mode: usable × capacity ÷ what it writes, least and most. */
function minutesOf(programme: OpenProgramme, capacityGB: number, picture: number, fps: number): Extent | null {
  const ratio = {
    over: [fromGigabytes(capacityGB) / MB / 60, 0, 0],
    overPlus: 0,
    under: [0, 1, (fps * KB) / MB],
    underPlus: picture / MB,
  };
  const [low, high] = [leastRatio(programme, ratio), mostRatio(programme, ratio)];
  return low === null || high === null ? null : { low, high };
}

/**
 * Decodes a body's counter readings, in steps.
 *
 * @param capacityGB - label of the card to predict other modes for; above 0
 * @param solve - a solver of linear programmes
 */
export function* decodeSteps(
  body: Pick<Body, 'modes'>,
  counters: readonly CounterReading[],
  capacityGB: number,
  solve: LinearSolver,
): Steps<CounterAnswer> {
  const readings = readingsOf(body, counters);
  const bucketed = agreeing(readings, 3, false);
  const capped = agreeing(readings, 2, true).filter((at) => !bucketed.includes(at));
  const aside = new Set([...capped, ...bucketed]);
  const telling = readings.filter(({ at }) => !aside.has(at));
  return { capped, bucketed, result: yield* solved(telling, body, capacityGB, solve) };
}

/** The same at once, where nobody waits in between. */
export const decodeCounter = (
  body: Pick<Body, 'modes'>,
  counters: readonly CounterReading[],
  capacityGB: number,
  solve: LinearSolver,
): CounterAnswer => finish(decodeSteps(body, counters, capacityGB, solve));

/** Everything a mode writes, megabits a second, as far as readings of the counter tell. */
export interface CounterRate {
  readonly lowMbps: number;
  readonly highMbps: number;
}

/**
 * The rate of a mode that only its counter readings tell of. A reading of t minutes on an empty card means that its
 * usable room lasts from t to t + 1 minutes; the usable share is what the body's other readings leave open, else 80 to
 * 100 % [A].
 *
 * @returns null without a reading of one minute or more, or where the readings exclude each other
 *   57 minutes on 256 GB come to 471 to 599 Mb/s
 */
export function* counterRateSteps(
  body: Pick<Body, 'modes'>,
  counters: readonly CounterReading[],
  modeId: string,
  solve: LinearSolver,
): Steps<CounterRate | null> {
  const own = counters.filter((one) => one.modeId === modeId && one.minutes >= 1);
  if (own.length === 0) return null;
  const others = counters.filter((one) => one.modeId !== modeId);
  // Of the others only their usable share is asked, so nothing has to be predicted.
  const { result } = yield* decodeSteps({ modes: body.modes }, others, own[0]?.capacityGB ?? 1, solve);
  const usable = 'decoded' in result ? result.decoded.usable : { low: LIMITS.usable[0], high: LIMITS.usable[1] };
  const least = Math.max(...own.map(({ capacityGB, minutes }) => capacityGB / (minutes + 1)));
  const most = Math.min(...own.map(({ capacityGB, minutes }) => capacityGB / minutes));
  if (least >= most) return null;
  const Mbps = (GBperMinute: number): number => (GBperMinute * 8000) / 60;
  return { lowMbps: Mbps(usable.low * least), highMbps: Mbps(usable.high * most) };
}

/** The same at once. */
export const counterRate = (
  body: Pick<Body, 'modes'>,
  counters: readonly CounterReading[],
  modeId: string,
  solve: LinearSolver,
): CounterRate | null => finish(counterRateSteps(body, counters, modeId, solve));

/**
 * Readings in the order in which they are suspected where not all can be explained: those first that give way when the
 * sum of what has to give is least.
 */
function suspects(telling: readonly Usable[], solve: LinearSolver): readonly Usable[] {
  const columns = UNKNOWNS + telling.length;
  const wide = ({ coefficients, atMost }: Row, slack: number | null): Row => ({
    coefficients: Array.from({ length: columns }, (_, at) =>
      at < UNKNOWNS ? (coefficients[at] ?? 0) : at - UNKNOWNS === slack ? -1 : 0,
    ),
    atMost,
  });
  const rows = [
    ...BOX.map((row) => wide(row, null)),
    ...telling.flatMap((one, at) => rowsOf(one).map((row) => wide(row, at))),
    ...telling.map((_, at) => ({
      coefficients: Array.from({ length: columns }, (__, place) => (place === UNKNOWNS + at ? -1 : 0)),
      atMost: 0,
    })),
  ];
  const programme = solve(columns, rows);
  try {
    const found = programme.least(Array.from({ length: columns }, (_, at) => (at < UNKNOWNS ? 0 : 1)));
    const giving = (at: number): number => found?.point[UNKNOWNS + at] ?? 0;
    return [...telling.keys()].sort((a, b) => giving(b) - giving(a) || a - b).map((at) => entryAt(telling, at));
  } finally {
    programme.close();
  }
}

/** Whether any constants explain these readings. */
const explained = (readings: readonly Usable[], solve: LinearSolver): Steps<boolean> =>
  withProgramme(readings, solve, function* (programme) {
    yield 0;
    return programme.least(axis(0, 1)) !== null;
  });

function* solved(
  telling: readonly Usable[],
  body: Pick<Body, 'modes'>,
  capacityGB: number,
  solve: LinearSolver,
): Steps<CounterResult> {
  if (telling.length < FEWEST) return { code: 'too-few', needed: FEWEST };
  const decoded = yield* decode(telling, body, capacityGB, solve);
  if (decoded) return { code: 'decoded', decoded, used: telling.length };
  if (telling.length <= FEWEST) return { code: 'no-fit' };
  for (const odd of suspects(telling, solve)) {
    const rest = telling.filter((one) => one !== odd);
    if (!(yield* explained(rest, solve))) continue;
    const without = yield* decode(rest, body, capacityGB, solve);
    if (without) return { code: 'odd-one', odd: odd.at, decoded: without, used: rest.length };
  }
  return { code: 'no-fit' };
}
