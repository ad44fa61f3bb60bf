import {
  type Body,
  type CounterRounding,
  type Mode,
  type ModeRate,
  RATE_SOURCES,
  type RateKind,
  type RateSource,
} from '../../kit/model.ts';
import { err, ok, type Result } from '../../result.ts';
import { ASSUMED, MOST_ASSUMED_BESIDE, PEAK_OVER_AVERAGE } from '../../standards/assumptions.ts';
import { type AmountRefusal, rate } from '../../units/amount.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { BYTES_IN_MEGABIT, KB } from '../../units/convert.ts';
import { exactFrameRate } from '../../units/frameRate.ts';

/** One step from a mode to bytes a second; `bytesPerSecond` is the running total after a factor, or the part added. */
export type RateLine =
  | {
      readonly code: 'source';
      readonly source: RateSource;
      readonly note: string | null;
      /** Other sources of the same rate, set aside for a better one. */
      readonly others: readonly RateSource[];
      readonly bytesPerSecond: number;
    }
  | { readonly code: 'stated'; readonly Mbps: number; readonly is: RateKind; readonly bytesPerSecond: number }
  | {
      readonly code: 'raw';
      readonly width: number;
      readonly height: number;
      readonly bitsPerPixel: number;
      readonly ratio: number;
      readonly fps: number;
      readonly bytesPerSecond: number;
    }
  | { readonly code: 'frame'; readonly bytesPerFrame: number; readonly fps: number; readonly bytesPerSecond: number }
  | {
      readonly code: 'slow-motion';
      readonly recorded: number;
      readonly captured: number;
      /** True for long-GOP, where the product is an upper bound and not the rate. */
      readonly upperBound: boolean;
      readonly bytesPerSecond: number;
    }
  | {
      readonly code: 'counter';
      readonly lowMbps: number;
      readonly highMbps: number;
      /** How the counter rounds; null where nobody told. */
      readonly rounds: CounterRounding | null;
      readonly bytesPerSecond: number;
    }
  /** What was measured is an average: its peak is what the maker states, held above it. */
  | { readonly code: 'stated-peak'; readonly Mbps: number; readonly bytesPerSecond: number }
  /** What is assumed beside the picture, held at its most. */
  | { readonly code: 'beside-capped'; readonly share: number; readonly bytesPerSecond: number }
  | { readonly code: 'variable'; readonly factor: number; readonly bytesPerSecond: number }
  | { readonly code: 'fixed'; readonly Mbps: number; readonly assumed: boolean; readonly bytesPerSecond: number }
  | {
      readonly code: 'per-frame';
      readonly KB: number;
      readonly fps: number;
      readonly assumed: boolean;
      readonly bytesPerSecond: number;
    }
  | {
      readonly code: 'sound';
      readonly channels: number;
      readonly sampleHz: number;
      readonly bits: number;
      readonly bytesPerSecond: number;
    }
  | { readonly code: 'proxy'; readonly Mbps: number; readonly bytesPerSecond: number };

/**
 * What a mode writes, with every step of the sum: peak and average, with and without what stands beside the picture;
 * bytes a second.
 */
export interface StreamRate {
  /** Peak of the picture alone, as the mode states or computes it. */
  readonly picture: BytesPerSecond;
  /** Average of the picture alone: what label arithmetic counts with. */
  readonly pictureAverage: BytesPerSecond;
  /** Peak of everything written: what a card must hold. */
  readonly peak: BytesPerSecond;
  /** Average of everything written: what fills a card. */
  readonly average: BytesPerSecond;
  /**
   * The least that may be written on average: below `average` where nobody told whether the stated rate holds sound and
   * metadata.
   */
  readonly leastAverage: BytesPerSecond;
  readonly lines: readonly RateLine[];
}

/** Why a mode has no rate. `field` is the kit key to correct. */
export type RateRefusal =
  | { readonly code: 'missing'; readonly field: 'width' | 'height' }
  | { readonly code: 'amount'; readonly field: string; readonly refusal: AmountRefusal };

interface BaseInput {
  readonly mode: Mode;
  readonly given: ModeRate;
  readonly fps: number;
  readonly of: RateContext;
}

type Base = { readonly line: RateLine; readonly bytesPerSecond: number; readonly scalesWithCapture: boolean };

function baseOf({ mode, given, fps, of }: BaseInput): Result<Base, RateRefusal> {
  switch (given.kind) {
    case 'stated': {
      const bytesPerSecond = given.Mbps * BYTES_IN_MEGABIT;
      return ok({
        line: { code: 'stated', Mbps: given.Mbps, is: given.is, bytesPerSecond },
        bytesPerSecond,
        scalesWithCapture: true,
      });
    }
    case 'raw': {
      const { width, height } = mode;
      if (width === null) return err({ code: 'missing', field: 'width' });
      if (height === null) return err({ code: 'missing', field: 'height' });
      const { bitsPerPixel, ratio } = given;
      const bytesPerSecond = ((width * height * bitsPerPixel) / 8 / ratio) * fps;
      return ok({
        line: { code: 'raw', width, height, bitsPerPixel, ratio, fps, bytesPerSecond },
        bytesPerSecond,
        scalesWithCapture: false,
      });
    }
    case 'frame': {
      const bytesPerSecond = given.bytesPerFrame * fps;
      return ok({
        line: { code: 'frame', bytesPerFrame: given.bytesPerFrame, fps, bytesPerSecond },
        bytesPerSecond,
        scalesWithCapture: false,
      });
    }
    case 'counter': {
      // The faster end for both: a slower rate would be a longer take on a guess.
      const { lowMbps, highMbps } = given;
      const bytesPerSecond = highMbps * BYTES_IN_MEGABIT;
      return ok({
        line: { code: 'counter', lowMbps, highMbps, rounds: of?.counterRounds ?? null, bytesPerSecond },
        bytesPerSecond,
        scalesWithCapture: false,
      });
    }
  }
}

/** Where a rate comes from, when it does not say. */
const sourceOf = (given: ModeRate): RateSource => given.source ?? (given.kind === 'stated' ? 'maker' : 'computed');

/** What a rate is read with besides its mode: what its body is known to state. */
export type RateContext = Pick<Body, 'statedHolds' | 'counterRounds'> | null;

/** Whether a rate was read off what the body wrote, or is known to state it all: sound and metadata are in it already. */
const holdsEverything = (given: ModeRate, of: RateContext): boolean =>
  given.kind === 'counter' ||
  sourceOf(given) === 'measured' ||
  (given.kind === 'stated' && of?.statedHolds === 'everything');

/** The rate from the best source: own clips before the maker's table before arithmetic before a sister body. */
export function bestRate({ rate: first, otherRates }: Pick<Mode, 'rate' | 'otherRates'>): ModeRate {
  if (!otherRates || otherRates.length === 0) return first;
  const rank = (given: ModeRate): number => RATE_SOURCES.indexOf(sourceOf(given));
  return otherRates.reduce((best, one) => (rank(one) < rank(best) ? one : best), first);
}

/** Said only where there is something to say: a source was named, or one was chosen among several. */
function sourceLine(mode: Mode, given: ModeRate, bytesPerSecond: number): readonly RateLine[] {
  const others = [mode.rate, ...(mode.otherRates ?? [])].filter((one) => one !== given).map(sourceOf);
  if (!given.source && others.length === 0) return [];
  return [{ code: 'source', source: sourceOf(given), note: given.sourceNote ?? null, others, bytesPerSecond }];
}

/** Peak over average of a stated figure: 1 where the figure is itself the peak; of an average the most that its family is met with. */
const peakFactor = (given: ModeRate, { codec }: Pick<Mode, 'codec'>): number =>
  given.kind === 'stated' && given.is === 'average' ? PEAK_OVER_AVERAGE[codec].high : 1;

const proxyLine = ({ proxyMbps }: Mode): readonly RateLine[] =>
  proxyMbps ? [{ code: 'proxy', Mbps: proxyMbps, bytesPerSecond: proxyMbps * BYTES_IN_MEGABIT }] : [];

/**
 * What is written beside the picture; sound given by its own figures takes the place of the assumed fixed rate. What is
 * assumed never comes to more than 15 % of the picture's average [A]; what is entered is taken as entered. A rate
 * measured from files, or read off the counter, holds it all but a proxy in a file of its own.
 */
function besideLines(
  mode: Mode,
  { given, of }: { readonly given: ModeRate; readonly of: RateContext },
  fps: number,
  average: number,
): readonly RateLine[] {
  if (holdsEverything(given, of)) return given.kind === 'counter' ? [] : proxyLine(mode);
  const lines: RateLine[] = [];
  const { sound, overhead } = mode;
  if (sound) {
    const { channels, sampleHz, bits } = sound;
    lines.push({ code: 'sound', channels, sampleHz, bits, bytesPerSecond: (channels * sampleHz * bits) / 8 });
  }
  const Mbps = overhead?.fixedMbps ?? (sound ? 0 : ASSUMED.fixedMbps.value);
  const perFrame = overhead?.perFrameKB ?? ASSUMED.perFrameKB.value;
  const assumed = !overhead;
  const most = average * MOST_ASSUMED_BESIDE;
  if (assumed && Mbps * BYTES_IN_MEGABIT + perFrame * KB * fps > most) {
    lines.push({ code: 'beside-capped', share: MOST_ASSUMED_BESIDE, bytesPerSecond: most });
  } else {
    if (Mbps > 0) lines.push({ code: 'fixed', Mbps, assumed, bytesPerSecond: Mbps * BYTES_IN_MEGABIT });
    if (perFrame > 0)
      lines.push({ code: 'per-frame', KB: perFrame, fps, assumed, bytesPerSecond: perFrame * KB * fps });
  }
  return [...lines, ...proxyLine(mode)];
}

/**
 * What a mode writes to its card, in bytes per second, with every step.
 *
 * A stated rate with a capture speed above the recorded one is multiplied by capture ÷ recorded, unless the rate says
 * it was stated for the captured speed (`at: "captured"`). Raw geometry and fixed frames count captured frames.
 * A measured average fills the card; the peak then stays the maker's maximum where one is stated. Rounded up to a whole byte
 * a second.
 *
 * @param mode - a mode of the kit; rates > 0 and at most 10^12 B/s
 * @param of - its body, for what its stated rates hold; null where there is none
 * @returns the rates; or `missing` (raw without a picture size), or `amount` with the field that is out of range
 */
export function streamRate(mode: Mode, of: RateContext): Result<StreamRate, RateRefusal> {
  const recorded = exactFrameRate(mode.fps);
  const captured = mode.captureFps === null ? recorded : exactFrameRate(mode.captureFps);
  const given = bestRate(mode);
  const base = baseOf({ mode, given, fps: captured, of });
  if (!base.ok) return base;
  const lines: RateLine[] = [...sourceLine(mode, given, base.value.bytesPerSecond), base.value.line];
  let average = base.value.bytesPerSecond;
  if (base.value.scalesWithCapture && captured !== recorded && !statedForCapture(given)) {
    average *= captured / recorded;
    lines.push({
      code: 'slow-motion',
      recorded: mode.fps,
      captured: mode.captureFps ?? mode.fps,
      upperBound: mode.codec === 'long-gop',
      bytesPerSecond: average,
    });
  }
  const factor = peakFactor(given, mode);
  const picture = average * factor;
  if (factor !== 1) lines.push({ code: 'variable', factor, bytesPerSecond: picture });
  const beside = besideLines(mode, { given, of }, captured, average);
  const added = beside.reduce((sum, line) => sum + line.bytesPerSecond, 0);
  const told = maximumBeside(mode, given, of);
  if (told) {
    const peak = Math.max(told.peak, average + added);
    const line: RateLine = { code: 'stated-peak', Mbps: told.Mbps, bytesPerSecond: peak };
    const whole = { picture: Math.max(told.picture, average), pictureAverage: average, peak, average: average + added };
    return checked({ ...whole, leastAverage: average + added }, [
      ...lines.filter(({ code }) => code !== 'variable'),
      ...beside,
      line,
    ]);
  }
  const isUntold = given.kind === 'stated' && of?.statedHolds == null && mode.overhead === null && !mode.sound;
  const proxy = beside.reduce((sum, line) => sum + (line.code === 'proxy' ? line.bytesPerSecond : 0), 0);
  const leastAverage = average + (isUntold ? proxy : added);
  return checked({ picture, pictureAverage: average, peak: picture + added, average: average + added, leastAverage }, [
    ...lines,
    ...beside,
  ]);
}

/**
 * What the maker states a mode writes at the most, where all that was measured of it is an average: a calm clip is no
 * promise that no other scene needs more. Null where none is stated, or where a peak itself was measured.
 */
function maximumBeside(
  mode: Mode,
  given: ModeRate,
  of: RateContext,
): { readonly Mbps: number; readonly picture: number; readonly peak: number } | null {
  if (given.kind !== 'stated' || given.is !== 'average' || sourceOf(given) !== 'measured') return null;
  const stated = [mode.rate, ...(mode.otherRates ?? [])].find(
    (one) => one.kind === 'stated' && one.is !== 'average' && sourceOf(one) === 'maker',
  );
  if (stated?.kind !== 'stated') return null;
  const rate = streamRate({ ...mode, rate: stated, otherRates: [] }, of);
  return rate.ok ? { Mbps: stated.Mbps, picture: rate.value.picture, peak: rate.value.peak } : null;
}

const statedForCapture = (given: ModeRate): boolean => given.kind === 'stated' && given.at === 'captured';

/** Which field of a mode to correct where an amount is out of range. */
const FIELD_OF = {
  picture: 'rate',
  pictureAverage: 'rate',
  peak: 'overhead',
  average: 'overhead',
  leastAverage: 'overhead',
} as const;

type Amounts = Readonly<Record<keyof typeof FIELD_OF, number>>;

function checked(amounts: Amounts, lines: readonly RateLine[]): Result<StreamRate, RateRefusal> {
  const whole = {} as Record<keyof Amounts, BytesPerSecond>;
  for (const key of Object.keys(FIELD_OF) as (keyof Amounts)[]) {
    const amount = rate(amounts[key]);
    if (!amount.ok) return err({ code: 'amount', field: FIELD_OF[key], refusal: amount.error });
    whole[key] = amount.value;
  }
  return ok({ ...whole, lines });
}
