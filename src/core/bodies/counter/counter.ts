import { entryAt } from '../../entryAt.ts';
import { type Body, COUNTER_ROUNDINGS, type CounterReading, type CounterRounding, type Mode } from '../../kit/model.ts';
import { COUNTER_USABLE } from '../../standards/assumptions.ts';
import { finish, type Steps } from '../../steps.ts';
import { fromGigabytes, KB, MB } from '../../units/convert.ts';
import { exactFrameRate } from '../../units/frameRate.ts';
import { streamRate } from '../rate/streamRate.ts';
import { type LinearSolver, leastRatio, mostRatio, normalised, type OpenProgramme, type Row } from './linear.ts';
import { ASSUMED_ROUNDING, minutesLeft } from './rounding.ts';

/** What of a body its counter is read with; a rounding that is missing or null is not told. */
type CountedBody = Pick<Body, 'modes' | 'counterRounds'>;

/**
 * What a body's counter gives away. A reading of t for an empty card of a counter that rounds down means t ≤ minutes < t + 1,
 * and minutes = usable × capacity ÷ (picture + fixed + per frame × fps): linear in the three unknowns once multiplied out, so
 * several readings cut out a space of constants that explain them all [domain.md §6].
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
  /** How the counter is taken to round, for all that is said here. */
  readonly rounds: CounterRounding;
  /** Why: somebody told, only this explains the readings, or nothing speaks against the usual. */
  readonly roundsBy: 'told' | 'found' | 'assumed';
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
function rowsOf({ reading, picture, fps }: Usable, rounds: CounterRounding): readonly Row[] {
  const capacity = fromGigabytes(reading.capacityGB) / MB;
  const left = minutesLeft(reading.minutes, rounds);
  const [low, high] = [left.low * 60, left.high * 60];
  const rate = picture / MB;
  const frame = (fps * KB) / MB;
  return [
    { coefficients: [-capacity, low, low * frame], atMost: -low * rate },
    { coefficients: [capacity, -high, -high * frame], atMost: high * rate },
  ].map(normalised);
}

const axis = (at: number, sign: number): readonly number[] =>
  Array.from({ length: UNKNOWNS }, (_, place) => (place === at ? sign : 0));

/** Readings, how their counter is taken to round, and what solves them. */
interface Told {
  readonly readings: readonly Usable[];
  readonly rounds: CounterRounding;
  readonly solve: LinearSolver;
}

/** Runs something over the programme of some readings; it is closed again whatever happens. */
function* withProgramme<T>({ readings, rounds, solve }: Told, run: (programme: OpenProgramme) => Steps<T>): Steps<T> {
  const programme = solve(UNKNOWNS, [...BOX, ...readings.flatMap((one) => rowsOf(one, rounds))]);
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

function decode(told: Told, body: CountedBody, capacityGB: number): Steps<Decoded | null> {
  const all = readingsOf(
    body,
    body.modes.map(({ id }) => ({ modeId: id, capacityGB, minutes: 0 })),
  );
  return withProgramme(told, function* (programme) {
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
  body: CountedBody,
  counters: readonly CounterReading[],
  capacityGB: number,
  solve: LinearSolver,
): Steps<CounterAnswer> {
  const readings = readingsOf(body, counters);
  const bucketed = agreeing(readings, 3, false);
  const capped = agreeing(readings, 2, true).filter((at) => !bucketed.includes(at));
  const aside = new Set([...capped, ...bucketed]);
  const telling = readings.filter(({ at }) => !aside.has(at));
  const told = body.counterRounds ?? null;
  const rounds = told ?? (yield* roundingOf(telling, solve));
  const result = yield* solved({ readings: telling, rounds: rounds ?? ASSUMED_ROUNDING, solve }, body, capacityGB);
  return {
    capped,
    bucketed,
    rounds: rounds ?? ASSUMED_ROUNDING,
    roundsBy: told ? 'told' : rounds ? 'found' : 'assumed',
    result,
  };
}

/** The only rounding by which constants explain all readings; null where several do, or none. */
function* roundingOf(readings: readonly Usable[], solve: LinearSolver): Steps<CounterRounding | null> {
  if (readings.length < FEWEST) return null;
  const fitting: CounterRounding[] = [];
  for (const rounds of COUNTER_ROUNDINGS) if (yield* explained({ readings, rounds, solve })) fitting.push(rounds);
  return fitting.length === 1 ? (fitting[0] ?? null) : null;
}

/** The same at once, where nobody waits in between. */
export const decodeCounter = (
  body: CountedBody,
  counters: readonly CounterReading[],
  capacityGB: number,
  solve: LinearSolver,
): CounterAnswer => finish(decodeSteps(body, counters, capacityGB, solve));

/** Everything a mode writes, megabits a second, as far as readings of the counter tell. */
interface Between {
  readonly lowMbps: number;
  readonly highMbps: number;
}

/** What readings say of a rate, and how their counter is taken to round for it. */
export interface CounterRate extends Between {
  readonly rounds: CounterRounding;
  readonly roundsBy: CounterAnswer['roundsBy'];
  /** What they would say of a counter that rounds in each way; null where the readings exclude each other then. */
  readonly by: Readonly<Record<CounterRounding, Between | null>>;
}

const MEGABITS_A_MINUTE = 8000 / 60;

/** Between what minutes shown allow, on some usable share of the label; null where they exclude each other. */
function between(own: readonly CounterReading[], usable: Extent, rounds: CounterRounding): Between | null {
  const ends = own.map(({ capacityGB, minutes }) => ({ capacityGB, ...minutesLeft(minutes, rounds) }));
  const least = Math.max(
    ...ends.map(({ capacityGB, high }) => (high > 0 ? capacityGB / high : Number.POSITIVE_INFINITY)),
  );
  const most = Math.min(...ends.map(({ capacityGB, low }) => (low > 0 ? capacityGB / low : Number.POSITIVE_INFINITY)));
  if (least >= most || !Number.isFinite(most)) return null;
  return { lowMbps: usable.low * least * MEGABITS_A_MINUTE, highMbps: usable.high * most * MEGABITS_A_MINUTE };
}

/**
 * The rate of a mode that only its counter readings tell of. A reading of t minutes on an empty card means that its
 * usable room lasts from t to t + 1 minutes, where the counter rounds down; the usable share is what the body's other
 * readings leave open, else 80 to 100 % [A].
 *
 * @returns null without a reading of one minute or more, or where the readings exclude each other
 *   57 minutes on 256 GB come to 471 to 599 Mb/s
 */
export function* counterRateSteps(
  body: CountedBody,
  counters: readonly CounterReading[],
  modeId: string,
  solve: LinearSolver,
): Steps<CounterRate | null> {
  const own = counters.filter((one) => one.modeId === modeId && one.minutes >= 1);
  if (own.length === 0) return null;
  const others = counters.filter((one) => one.modeId !== modeId);
  // Of the others only their usable share and their rounding are asked, so nothing has to be predicted.
  const { result, ...found } = yield* decodeSteps(body, others, own[0]?.capacityGB ?? 1, solve);
  const shares = { low: LIMITS.usable[0], high: LIMITS.usable[1] };
  const usable = 'decoded' in result ? result.decoded.usable : shares;
  // A share was worked out for one rounding: another may use the whole label.
  const as = (rounds: CounterRounding): Between | null =>
    between(own, rounds === found.rounds ? usable : shares, rounds);
  const by = { down: as('down'), nearest: as('nearest'), up: as('up') };
  const rate = by[found.rounds];
  return rate && { ...rate, rounds: found.rounds, roundsBy: found.roundsBy, by };
}

/** The same at once. */
export const counterRate = (
  body: CountedBody,
  counters: readonly CounterReading[],
  modeId: string,
  solve: LinearSolver,
): CounterRate | null => finish(counterRateSteps(body, counters, modeId, solve));

/**
 * Readings in the order in which they are suspected where not all can be explained: those first that give way when the
 * sum of what has to give is least.
 */
function suspects({ readings: telling, rounds, solve }: Told): readonly Usable[] {
  const columns = UNKNOWNS + telling.length;
  const wide = ({ coefficients, atMost }: Row, slack: number | null): Row => ({
    coefficients: Array.from({ length: columns }, (_, at) =>
      at < UNKNOWNS ? (coefficients[at] ?? 0) : at - UNKNOWNS === slack ? -1 : 0,
    ),
    atMost,
  });
  const rows = [
    ...BOX.map((row) => wide(row, null)),
    ...telling.flatMap((one, at) => rowsOf(one, rounds).map((row) => wide(row, at))),
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
const explained = (told: Told): Steps<boolean> =>
  withProgramme(told, function* (programme) {
    yield 0;
    return programme.least(axis(0, 1)) !== null;
  });

function* solved(told: Told, body: CountedBody, capacityGB: number): Steps<CounterResult> {
  const { readings } = told;
  if (readings.length < FEWEST) return { code: 'too-few', needed: FEWEST };
  const decoded = yield* decode(told, body, capacityGB);
  if (decoded) return { code: 'decoded', decoded, used: readings.length };
  if (readings.length <= FEWEST) return { code: 'no-fit' };
  for (const odd of suspects(told)) {
    const rest = { ...told, readings: readings.filter((one) => one !== odd) };
    if (!(yield* explained(rest))) continue;
    const without = yield* decode(rest, body, capacityGB);
    if (without) return { code: 'odd-one', odd: odd.at, decoded: without, used: rest.readings.length };
  }
  return { code: 'no-fit' };
}
