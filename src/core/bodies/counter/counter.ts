import type { Body, CounterReading, Mode } from '../../kit/model.ts';
import { fromGB, KB, MB } from '../../units/convert.ts';
import { exactFrameRate } from '../../units/frameRate.ts';
import { streamRate } from '../rate/streamRate.ts';
import { corners, type HalfSpace } from './polytope.ts';

/**
 * What a body's counter gives away. A reading of t for an empty card means t ≤ minutes < t + 1, and minutes =
 * usable × capacity ÷ (picture + fixed + per frame × fps): linear in the three unknowns once multiplied out, so several
 * readings cut out a space of constants that explain them all [handbook §6].
 */
export interface Range {
  readonly low: number;
  readonly high: number;
}

export interface Decoded {
  /** Usable share of the label. */
  readonly usable: Range;
  /** Fixed rate beside the picture, bytes per second. */
  readonly fixed: Range;
  /** Data with every frame, bytes. */
  readonly perFrame: Range;
  /** Minutes of every mode that has a rate, on the capacity asked for. */
  readonly predictions: readonly { readonly modeId: string; readonly minutes: Range }[];
}

export type CounterResult =
  | { readonly code: 'decoded'; readonly decoded: Decoded; readonly used: number }
  /** One reading fits no constants that explain the others. */
  | { readonly code: 'odd-one'; readonly odd: number; readonly decoded: Decoded; readonly used: number }
  | { readonly code: 'no-fit' }
  | { readonly code: 'too-few'; readonly needed: number };

export interface CounterAnswer {
  /** Readings set aside, by place: the same long value in two or more modes that differ, which is the counter's cap. */
  readonly capped: readonly number[];
  /** Readings set aside: the same value in three or more modes that differ, which is a bucket and no measurement. */
  readonly bucketed: readonly number[];
  readonly result: CounterResult;
}

/** What the constants may be at all [A]: 80 to 100 % usable, up to 20 Mb/s fixed, up to 200 kB a frame. */
const LIMITS = { usable: [0.8, 1], fixedMBps: [0, 2.5], perFrameKB: [0, 200] } as const;

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
        ? streamRate({ ...mode, overhead: { fixedMbps: 0, perFrameKB: 0 }, sound: null, proxyMbps: null })
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

/** Unknowns: usable share, fixed in MB/s, per frame in kB. All bounds in MB. */
function halfSpaces(readings: readonly Usable[]): readonly HalfSpace[] {
  const box: HalfSpace[] = [
    { normal: [-1, 0, 0], bound: -LIMITS.usable[0] },
    { normal: [1, 0, 0], bound: LIMITS.usable[1] },
    { normal: [0, -1, 0], bound: -LIMITS.fixedMBps[0] },
    { normal: [0, 1, 0], bound: LIMITS.fixedMBps[1] },
    { normal: [0, 0, -1], bound: -LIMITS.perFrameKB[0] },
    { normal: [0, 0, 1], bound: LIMITS.perFrameKB[1] },
  ];
  for (const { reading, picture, fps } of readings) {
    const capacity = fromGB(reading.capacityGB) / MB;
    const low = reading.minutes * 60;
    const high = low + 60;
    const rate = picture / MB;
    const frame = (fps * KB) / MB;
    // low × (rate + fixed + frame × per frame) ≤ usable × capacity ≤ high × (rate + fixed + frame × per frame)
    box.push({ normal: [-capacity, low, low * frame], bound: -low * rate });
    box.push({ normal: [capacity, -high, -high * frame], bound: high * rate });
  }
  return box;
}

const rangeOf = (values: readonly number[]): Range => ({ low: Math.min(...values), high: Math.max(...values) });

function decode(readings: readonly Usable[], body: Pick<Body, 'modes'>, capacityGB: number): Decoded | null {
  const found = corners(halfSpaces(readings));
  if (found.length === 0) return null;
  const all = readingsOf(
    body,
    body.modes.map(({ id }) => ({ modeId: id, capacityGB, minutes: 0 })),
  );
  return {
    usable: rangeOf(found.map(([usable]) => usable)),
    fixed: rangeOf(found.map(([, fixed]) => fixed * MB)),
    perFrame: rangeOf(found.map(([, , perFrame]) => perFrame * KB)),
    // A ratio of two linear forms takes its extremes at corners, so the corners bound every prediction too.
    predictions: all.map(({ mode, picture, fps }) => ({
      modeId: mode.id,
      minutes: rangeOf(
        found.map(
          ([usable, fixed, perFrame]) =>
            (usable * fromGB(capacityGB)) / (picture + fixed * MB + perFrame * KB * fps) / 60,
        ),
      ),
    })),
  };
}

/**
 * Decodes a body's counter readings.
 *
 * @param capacityGB - label of the card to predict other modes for
 */
export function decodeCounter(
  body: Pick<Body, 'modes'>,
  counters: readonly CounterReading[],
  capacityGB: number,
): CounterAnswer {
  const readings = readingsOf(body, counters);
  const bucketed = agreeing(readings, 3, false);
  const capped = agreeing(readings, 2, true).filter((at) => !bucketed.includes(at));
  const telling = readings.filter(({ at }) => !capped.includes(at) && !bucketed.includes(at));
  return { capped, bucketed, result: solve(telling, body, capacityGB) };
}

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
 * @example counterRate({ modes: [] }, [{ modeId: 'm', capacityGB: 256, minutes: 57 }], 'm') // 471 to 599 Mb/s
 */
export function counterRate(
  body: Pick<Body, 'modes'>,
  counters: readonly CounterReading[],
  modeId: string,
): CounterRate | null {
  const own = counters.filter((one) => one.modeId === modeId && one.minutes >= 1);
  if (own.length === 0) return null;
  const others = counters.filter((one) => one.modeId !== modeId);
  const { result } = decodeCounter(body, others, own[0]?.capacityGB ?? 1);
  const usable = 'decoded' in result ? result.decoded.usable : { low: LIMITS.usable[0], high: LIMITS.usable[1] };
  const least = Math.max(...own.map(({ capacityGB, minutes }) => capacityGB / (minutes + 1)));
  const most = Math.min(...own.map(({ capacityGB, minutes }) => capacityGB / minutes));
  if (least >= most) return null;
  const Mbps = (GBperMinute: number): number => (GBperMinute * 8000) / 60;
  return { lowMbps: Mbps(usable.low * least), highMbps: Mbps(usable.high * most) };
}

function solve(telling: readonly Usable[], body: Pick<Body, 'modes'>, capacityGB: number): CounterResult {
  if (telling.length < FEWEST) return { code: 'too-few', needed: FEWEST };
  const decoded = decode(telling, body, capacityGB);
  if (decoded) return { code: 'decoded', decoded, used: telling.length };
  for (const odd of telling) {
    const rest = telling.filter((one) => one !== odd);
    const without = rest.length >= FEWEST ? decode(rest, body, capacityGB) : null;
    if (without) return { code: 'odd-one', odd: odd.at, decoded: without, used: rest.length };
  }
  return { code: 'no-fit' };
}
