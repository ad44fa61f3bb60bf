import { streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Mode, Test } from '../kit/model.ts';
import { PEAK_OVER_AVERAGE, RAW_RATIOS, TEST_FIT } from '../standards/assumptions.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { fromGigabytes, fromMegabytes } from '../units/convert.ts';
import { bodyInMode } from './bodyInMode.ts';
import { usable } from './minutes/minutes.ts';
import type { Misfit } from './misfit.ts';
import { sharesOf } from './seats.ts';

/** What the numbers of one test say, before any mode is asked about. */
export interface TestReading {
  /** Bytes written ÷ seconds; null where neither clip nor a full card tells how many. */
  readonly implied: BytesPerSecond | null;
  /** What the mode writes to the card on average; null where it is not known. */
  readonly average: BytesPerSecond | null;
  /** The least that it may write on average, below that where nobody told what its stated rate holds. */
  readonly least: BytesPerSecond | null;
  /** Implied over average; null where one of them is not known. */
  readonly ratio: number | null;
  /** Null where the numbers can be true. */
  readonly misfit: Misfit | null;
  /** The rate up to which this test proves the card; null where it proves none. */
  readonly proves: BytesPerSecond | null;
  /** Whether it was filled with all that its own mode writes. */
  readonly provesMode: boolean;
}

interface Rates {
  readonly peak: number;
  readonly average: number;
  /** What a take may write on average at the most: a peak that was only assumed is none. */
  readonly mostAverage: number;
  /** Below the average where nobody told what the stated rate holds. */
  readonly least: number;
}

/** How far above its average a varying rate surely goes. */
const LEAST_ABOVE = PEAK_OVER_AVERAGE['long-gop'].low;

/** What each mode of a body writes to one card, worked out once a body: a log reads thousands of takes of a few modes. */
const written = new WeakMap<Body, ReadonlyMap<string, Rates | null>>();

function ratesIn(body: Body): ReadonlyMap<string, Rates | null> {
  const known = written.get(body);
  if (known) return known;
  const found = new Map(
    body.modes.map((mode): readonly [string, Rates | null] => {
      const rate = streamRate(mode, body);
      const shares = sharesOf(bodyInMode(body, mode));
      return [
        mode.id,
        rate.ok
          ? {
              peak: Math.ceil(rate.value.peak / shares),
              average: rate.value.average / shares,
              least: rate.value.leastAverage / shares,
              mostAverage:
                (rate.value.lines.some(({ code }) => code === 'variable')
                  ? rate.value.average * LEAST_ABOVE
                  : rate.value.peak) / shares,
            }
          : null,
      ];
    }),
  );
  written.set(body, found);
  return found;
}

/** What one card was written in the test's mode: by the mode as it is now, else as noted with the test. */
function ratesOf(test: Test, body: Body): Rates | null {
  const rates = test.modeId === null ? null : ratesIn(body).get(test.modeId);
  if (rates) return rates;
  if (test.writtenMBps === null) return null;
  const noted = fromMegabytes(test.writtenMBps);
  return { peak: noted, average: noted, mostAverage: noted, least: noted };
}

/** Bytes over seconds; a full card counts as filled from empty, over all the takes that filled it. */
function impliedBy(test: Pick<Test, 'clipGB' | 'end' | 'seconds' | 'takes'>, card: Card): number | null {
  if (!(test.seconds > 0)) return null;
  if (test.clipGB != null) return fromGigabytes(test.clipGB) / test.seconds;
  return test.end === 'full' ? usable(card).bytes / (test.seconds * (test.takes ?? 1)) : null;
}

const near = (value: number, wanted: number, within = 0.12): boolean => Math.abs(Math.log(value / wanted)) < within;

/** How near a fill must lie to another compression to be one: usable sizes and what stands beside the picture are known to that [A]. */
const ONE_RATIO = 0.06;

function misfitOf(ratio: number, body: Body, mode: Mode | undefined): Misfit {
  if (near(ratio, 60) || near(ratio, 3600)) return { code: 'clock', too: 'short' };
  if (near(ratio, 1 / 60) || near(ratio, 1 / 3600)) return { code: 'clock', too: 'long' };
  if (near(ratio, 8) || near(ratio, 1 / 8)) return { code: 'bits-or-bytes' };
  if (mode?.rate.kind === 'raw') {
    const own = mode.rate.ratio;
    const other = RAW_RATIOS.find((one) => one !== own && near(ratio, own / one, ONE_RATIO));
    if (other !== undefined) return { code: 'ratio', ratio: other };
  }
  if (mode?.captureFps && near(ratio, mode.fps / mode.captureFps)) return { code: 'capture-speed' };
  const cards = [2, 3, 4].find((count) => count <= body.slots.length && near(ratio, 1 / count));
  if (cards !== undefined) return { code: 'split', cards };
  return ratio > 1 ? { code: 'not-empty' } : { code: 'other-rate' };
}

/** Whether a take whose bytes nobody noted lasted longer than the card has room for, by as much as a full one may be off. */
const outlasts = ({ seconds }: Test, card: Card, { least }: Rates): boolean =>
  seconds * least * TEST_FIT.least > usable(card).bytes;

/**
 * Reads a test by its own numbers. A full-card take proves rates up to the mode's own, or the rate its numbers imply and
 * 3 % more, whichever is lower; a mode that varies is proven as it varies, so its average is what is compared. One whose
 * numbers cannot be true proves nothing.
 *
 * @param test - of this body and card
 */
export function readTest(test: Test, body: Body, card: Card): TestReading {
  const rates = ratesOf(test, body);
  const implied = impliedBy(test, card);
  const average = rates === null ? null : (rates.average as BytesPerSecond);
  const ratio = implied === null || rates === null ? null : implied / rates.average;
  const known = implied === null ? null : (Math.floor(implied) as BytesPerSecond);
  const least = rates === null ? null : (rates.least as BytesPerSecond);
  const told = { implied: known, average, least, ratio, misfit: null, proves: null, provesMode: false };
  if (!(test.seconds > 0)) return { ...told, misfit: { code: 'no-time' } };
  if (
    ratio !== null &&
    rates !== null &&
    (ratio < TEST_FIT.least || ratio * rates.average > rates.mostAverage * TEST_FIT.most)
  )
    return {
      ...told,
      misfit: misfitOf(
        ratio,
        body,
        body.modes.find(({ id }) => id === test.modeId),
      ),
    };
  if (test.end === 'stopped' && implied === null && rates !== null && outlasts(test, card, rates))
    return { ...told, misfit: { code: 'outlasts' } };
  if (test.end !== 'full' || implied === null) return told;
  if (rates === null) return { ...told, proves: known };
  // A peak in writing far above what was measured is no rate that this take wrote: for other modes it is counted no further above
  // the average than any varying rate is.
  const above = Math.min(rates.peak / rates.average, LEAST_ABOVE);
  const proven = implied * (1 + TEST_FIT.tolerance) * above;
  const proves = Math.min(rates.peak, Math.floor(proven)) as BytesPerSecond;
  // Where nobody told what the stated rate holds, a card filled at the rate itself was filled in the mode.
  return { ...told, proves, provesMode: implied * (1 + TEST_FIT.tolerance) >= rates.least };
}
