import { streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Mode, ModeRate, StatedHolds, TestEnd } from '../kit/model.ts';
import { bodyInMode } from '../match/bodyInMode.ts';
import { sharesOf } from '../match/seats.ts';
import { toMegabytes } from '../units/convert.ts';
import { roundedUp } from './clip.ts';
import { oddTake, type Placed, REAL } from './puzzles.ts';
import { reconcile } from './reconcile.ts';

/** What a take says its mode writes, over all cards together. */
export interface TakeRate {
  /** MB/s, with the least and most that its own errors allow. */
  readonly MBps: number;
  readonly low: number;
  readonly high: number;
  /** The same as a rate of the mode, without its source's note. */
  readonly rate: Extract<ModeRate, { kind: 'stated' }>;
}

/** Ends of takes that lost nothing: what dropped wrote what its card took. */
const WROTE_IT_ALL: ReadonlySet<TestEnd> = new Set(['full', 'stopped']);

/** How far a rate in use may lie from that of a take before it is offered [A]. */
const SAME = 0.005;

/**
 * The rate that a take of a mode wrote at, by its own bytes. An average where the rate may follow the picture; held, where
 * the mode is one of a fixed compression or was noted as constant.
 *
 * @returns null where its bytes are not known, its mode is gone, what explains its numbers is a slip, or the mode has that
 * rate already
 */
export function takeRate(one: Placed): TakeRate | null {
  const { test, body, mode } = one;
  const take = mode && WROTE_IT_ALL.has(test.end) ? oddTake(one) : null;
  if (!mode || !take) return null;
  const { implied, explanations } = reconcile(take);
  const [first] = explanations;
  if (!implied || !first || !REAL.has(first.code)) return null;
  const shares = sharesOf(bodyInMode(body, mode));
  const [MBps, low, high] = [implied.MBps * shares, implied.low * shares, implied.high * shares];
  const now = streamRate(mode, body);
  if (now.ok && Math.abs(MBps / toMegabytes(now.value.average) - 1) < SAME) return null;
  const held = mode.rate.kind === 'raw' || mode.rate.kind === 'frame' || test.rateIs === 'constant';
  return {
    MBps,
    low,
    high,
    rate: {
      kind: 'stated',
      Mbps: roundedUp(MBps * 8),
      is: held ? 'constant' : 'average',
      at: 'captured',
      source: 'measured',
    },
  };
}

/** How near a file must lie to one of two readings of a stated rate, and how much nearer than to the other [A]. */
const HOLDS_WITHIN = 0.015;
const CLEARLY = 3;
/** A file this near is the rate to the byte, whatever its counter rounded [A]. */
const TO_THE_BYTE = 0.003;

/**
 * What the stated rates of a body hold, as one take of a stated mode tells it by its bytes: the rate itself, or the rate
 * with sound and metadata on top.
 *
 * @returns null where it is told already, where the take's bytes are not known, or where they fit neither or both
 */
export function holdsBy(one: Placed): StatedHolds | null {
  const { test, body, mode } = one;
  if (!mode || !WROTE_IT_ALL.has(test.end) || mode.rate.kind !== 'stated' || body.statedHolds != null) return null;
  const take = oddTake(one);
  const implied = take && reconcile(take).implied;
  const [alone, whole] = [
    streamRate(mode, { statedHolds: 'everything' }),
    streamRate(mode, { statedHolds: 'picture' }),
  ];
  if (!implied || !alone.ok || !whole.ok) return null;
  const shares = sharesOf(bodyInMode(body, mode));
  const off = (average: number): number => Math.abs(Math.log((implied.MBps * shares) / toMegabytes(average as never)));
  const [byAlone, byWhole] = [off(alone.value.average), off(whole.value.average)];
  // A usable size that is assumed may be off by as much as what is asked.
  const blur = Math.log(implied.high / implied.low) / 2;
  const nearest = Math.min(byAlone, byWhole);
  const isExact = take?.fileGB != null && nearest < TO_THE_BYTE;
  if (nearest > HOLDS_WITHIN || (!isExact && Math.abs(byAlone - byWhole) < blur)) return null;
  if (byAlone * CLEARLY < byWhole) return 'everything';
  return byWhole * CLEARLY < byAlone ? 'picture' : null;
}

/** All modes of a body of one picture and compression, the one asked about among them: a ratio found wrong is wrong for each. */
export function ofOneRatio(body: Pick<Body, 'modes'>, like: Mode): readonly Mode[] {
  const { rate, width, height } = like;
  if (rate.kind !== 'raw') return [like];
  return body.modes.filter(
    (one) =>
      one.rate.kind === 'raw' &&
      one.rate.ratio === rate.ratio &&
      one.rate.bitsPerPixel === rate.bitsPerPixel &&
      one.width === width &&
      one.height === height,
  );
}

/** A name with another compression in it; null where it carries none. */
export function namedRatio(name: string, from: number, to: number): string | null {
  const old = new RegExp(`(?<![\\d.:])${String(from).replace('.', '\\.')}\\s*:\\s*1(?![\\d.:])`, 'g');
  const changed = name.replace(old, `${to}:1`);
  return changed === name ? null : changed;
}
