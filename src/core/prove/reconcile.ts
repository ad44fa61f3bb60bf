import { ASSUMED, RAW_RATIOS } from '../standards/assumptions.ts';

/** How a take ended: a full card, a drop, or a finger. */
export type TakeOutcome = 'filled' | 'dropped' | 'stopped';

/** A take whose result is looked at, as it was noted. */
export interface OddTake {
  /** As printed, GB. */
  readonly capacityGB: number;
  /** Usable share of it; null: assumed. */
  readonly usableFraction: number | null;
  /** What the camera is believed to write, MB/s. */
  readonly nominalMBps: number;
  /** The least it may write on average, MB/s, where nobody told what its stated rate holds; missing: the nominal rate. */
  readonly leastMBps?: number | null;
  /** The compression the camera was set to, to 1; null where there is none; missing: not known, and any may be meant. */
  readonly setRatio?: number | null;
  /** What the card is known to keep up, MB/s; null: not known. */
  readonly ratedMBps: number | null;
  readonly outcome: TakeOutcome;
  readonly seconds: number;
  /** Bytes of the clip; null: not looked at. */
  readonly fileGB?: number | null;
  /** Whether its rate follows the picture; null: not noted. */
  readonly varies?: boolean | null;
  /** Cards that share the stream; one where nothing is said. */
  readonly cards?: number;
}

/** What may explain a result, with its numbers; support is the share of belief it has among all of them, 0 to 1. */
export type Explanation = { readonly support: number } & (
  | { readonly code: 'agrees'; readonly ratio: number }
  | { readonly code: 'compression-ratio'; readonly from: number; readonly to: number }
  | { readonly code: 'variable-rate'; readonly ratio: number }
  | { readonly code: 'beside-the-picture'; readonly ratio: number }
  | { readonly code: 'counter-rounding'; readonly seconds: number }
  | { readonly code: 'split'; readonly cards: number }
  | { readonly code: 'crop'; readonly share: number }
  | { readonly code: 'gib'; readonly larger: boolean }
  | { readonly code: 'bits-or-bytes'; readonly factor: number }
  | { readonly code: 'clock'; readonly factor: number }
  | { readonly code: 'not-empty'; readonly ratio: number }
  | { readonly code: 'unknown'; readonly ratio: number }
);

/** A usual cause that the numbers speak against, with the share of the rate that it would have left, or left at the most. */
export interface RuledOut {
  readonly code: 'split' | 'beside-the-picture' | 'counter-rounding' | 'gib' | 'crop';
  readonly wouldBe: number;
}

/** What a take that looks impossible comes to. */
export interface Reconciled {
  /** Bytes over seconds, MB/s, with the least and most that its own errors allow; null where its bytes are not known. */
  readonly implied: { readonly MBps: number; readonly low: number; readonly high: number } | null;
  readonly ratioToNominal: number | null;
  /** Most supported first; empty where no rate is told. */
  readonly explanations: readonly Explanation[];
  /** Usual causes that it is not; empty where it agrees, or where no rate is told. */
  readonly ruledOut: readonly RuledOut[];
  /** What a buffer would have had to swallow; null where there is no shortfall, or the card's pace is not known. */
  readonly buffer: { readonly shortfallGB: number; readonly possible: boolean } | null;
  /** Why there is no rate: a drop without bytes tells none, and a take that was stopped tells no end. */
  readonly silent: 'no-bytes' | null;
}

/** No camera buffer is larger, GB [A]: what would need more was no buffer. */
const LARGEST_BUFFER_GB = 64;
/** Share by which an assumed usable capacity may be off, and by which a rate of a manual is rounded [A]. */
const USABLE_OFF = 0.02;
const RATE_OFF = 0.01;
/** Standard deviations beyond which nothing is named. */
const NAMED_WITHIN = 3;
/** Belief that a named cause must have before it is named and not `unknown` [A]. */
const NAMED_FROM = 0.5;

/** Most that sound, metadata and a proxy add to the picture [A]. */
const MOST_BESIDE = 1.15;
/** How far a rate may lie from the one believed, as a logarithm, and still agree with it [A]. */
const MOST_AGREED = 0.1;
/** Shares of the picture that smaller windows of a sensor read: 16:9 out of 17:9, and one of 1.5 times the focal length [P]. */
const CROPS = [3840 / 4096, 1 / 1.5 ** 2] as const;

/** Whether a length was read off a counter of minutes. */
const isWholeMinutes = (seconds: number): boolean => seconds >= 60 && seconds % 60 === 0;

/** Standard deviation of the logarithm of a rate: of its bytes, its seconds and the nominal figure. */
function scatterOf({ usableFraction, fileGB, seconds }: OddTake): number {
  const bytes = fileGB != null ? 0.001 : usableFraction === null ? USABLE_OFF / Math.sqrt(3) : 0.003;
  const time = (isWholeMinutes(seconds) ? 30 : 0.5) / Math.sqrt(3) / seconds;
  return Math.hypot(bytes, time, RATE_OFF / Math.sqrt(3));
}

interface Cause {
  readonly explanation: Omit<Explanation, 'support'>;
  readonly belief: number;
}

/** How well a ratio fits one that is expected. */
const fits = (ratio: number, expected: number, scatter: number): number => {
  const off = Math.log(ratio / expected) / scatter;
  return Math.abs(off) > NAMED_WITHIN ? 0 : Math.exp(-(off * off) / 2) / (scatter * Math.sqrt(2 * Math.PI));
};

/** The density of something that may lie anywhere between two ratios, blurred by nothing. */
const between = (ratio: number, low: number, high: number): number =>
  ratio >= low && ratio <= high ? 1 / Math.log(high / low) : 0;

/** Beliefs before any number is seen [A]: what happens often counts for more. */
const BEFORE = {
  agrees: 0.4,
  ratio: 0.2,
  variable: 0.12,
  // Somebody saw that it does: far above what is only possible.
  variableNoted: 2,
  beside: 0.08,
  split: 0.06,
  gib: 0.04,
  crop: 0.02,
  bits: 0.04,
  clock: 0.03,
  notEmpty: 0.02,
  unknown: 0.01,
} as const;

/** From which compression to which other a take may have gone: from the one set, or from any where it is not known. */
function ratioChanges(set: number | null | undefined): readonly { readonly from: number; readonly to: number }[] {
  if (set === null) return [];
  const before = set === undefined ? RAW_RATIOS : [set];
  return before.flatMap((from) =>
    RAW_RATIOS.filter((to) => Math.abs(Math.log(to / from)) > 0.05).map((to) => ({ from, to })),
  );
}

/** That a rate follows the picture: likely where it was noted so, possible of what is no fixed compression, and out of the question where it was noted as held. */
const variableBelief = ({ varies }: OddTake, set: number | null): number =>
  varies === true ? BEFORE.variableNoted : varies === false || set !== null ? 0 : BEFORE.variable;

function causesOf(take: OddTake, ratio: number): readonly Cause[] {
  const scatter = scatterOf(take);
  const at = (expected: number): number => fits(ratio, expected, scatter);
  // However blurred its length, a rate far from the one believed is no agreement with it.
  const agrees = Math.abs(Math.log(ratio)) > MOST_AGREED ? 0 : BEFORE.agrees * at(1);
  const set = take.setRatio ?? null;
  const changes = ratioChanges(take.setRatio);
  const rounded = isWholeMinutes(take.seconds) && Math.abs(Math.log(ratio)) < 30 / take.seconds + RATE_OFF;
  return [
    rounded && Math.abs(Math.log(ratio)) > USABLE_OFF
      ? { explanation: { code: 'counter-rounding', seconds: 30 }, belief: BEFORE.agrees * at(1) }
      : { explanation: { code: 'agrees', ratio }, belief: agrees },
    ...changes.map(({ from, to }) => ({
      explanation: { code: 'compression-ratio', from, to } as const,
      belief: (BEFORE.ratio / changes.length) * at(from / to),
    })),
    // A rate that varies writes less than its maximum; less than a third is another thing.
    {
      explanation: { code: 'variable-rate', ratio },
      belief: variableBelief(take, set) * between(ratio, 1 / 3, 0.985),
    },
    { explanation: { code: 'beside-the-picture', ratio }, belief: BEFORE.beside * between(ratio, 1.015, MOST_BESIDE) },
    ...[2, 3, 4].map((cards) => ({
      explanation: { code: 'split', cards } as const,
      belief: (BEFORE.split / 3) * (take.cards === undefined || take.cards === 1 ? at(1 / cards) : 0),
    })),
    ...CROPS.map((share) => ({
      explanation: { code: 'crop', share } as const,
      belief: (BEFORE.crop / CROPS.length) * at(share),
    })),
    ...[1024 ** 3 / 1e9, 1e9 / 1024 ** 3].map((factor) => ({
      explanation: { code: 'gib', larger: factor > 1 } as const,
      belief: (BEFORE.gib / 2) * at(factor),
    })),
    ...[8, 1 / 8].map((factor) => ({
      explanation: { code: 'bits-or-bytes', factor } as const,
      belief: (BEFORE.bits / 2) * at(factor),
    })),
    ...[60, 1 / 60].map((factor) => ({
      explanation: { code: 'clock', factor } as const,
      belief: (BEFORE.clock / 2) * at(factor),
    })),
    {
      explanation: { code: 'not-empty', ratio },
      belief: take.outcome === 'filled' && take.fileGB == null ? BEFORE.notEmpty * between(ratio, 1.15, 50) : 0,
    },
    { explanation: { code: 'unknown', ratio }, belief: BEFORE.unknown * between(ratio, 1e-4, 1e4) },
  ] as readonly Cause[];
}

/** The usual causes that have no share in what explains a ratio, each with the ratio it would be. */
function ruledOutOf({ seconds }: OddTake, ratio: number, told: readonly Explanation[]): readonly RuledOut[] {
  const nearest = (all: readonly number[]): number =>
    all.reduce((best, one) => (Math.abs(Math.log(ratio / one)) < Math.abs(Math.log(ratio / best)) ? one : best));
  const rounding = Math.min(0.99, 30 / seconds);
  const usual: readonly RuledOut[] = [
    { code: 'split', wouldBe: nearest([1 / 2, 1 / 3, 1 / 4]) },
    { code: 'crop', wouldBe: nearest(CROPS) },
    { code: 'gib', wouldBe: nearest([1024 ** 3 / 1e9, 1e9 / 1024 ** 3]) },
    { code: 'beside-the-picture', wouldBe: MOST_BESIDE },
    { code: 'counter-rounding', wouldBe: ratio > 1 ? 1 + rounding : 1 - rounding },
  ];
  return usual.filter(({ code }) => !told.some((one) => one.code === code));
}

/**
 * What a take that looks impossible comes to: the rate its own numbers imply, beside the one believed, and which causes
 * would explain it, each with its support. A take that dropped tells a rate only by its bytes; one that was stopped tells
 * no end. Where no named cause has half of the belief, it is unknown, and said so.
 *
 * @param take - seconds, capacity and nominal rate above 0
 */
export function reconcile(take: OddTake): Reconciled {
  const { capacityGB, usableFraction, nominalMBps, ratedMBps, outcome, seconds, fileGB } = take;
  const GB = fileGB ?? (outcome === 'filled' ? capacityGB * (usableFraction ?? ASSUMED.usableFraction.value) : null);
  const short = ratedMBps === null ? 0 : ((nominalMBps - ratedMBps) * seconds) / 1000;
  const buffer = short > 0 ? { shortfallGB: short, possible: short <= LARGEST_BUFFER_GB } : null;
  if (GB === null)
    return { implied: null, ratioToNominal: null, explanations: [], ruledOut: [], buffer, silent: 'no-bytes' };
  const MBps = (GB * 1000) / seconds;
  // What is assumed beside the picture is no fault of the take: whatever lies between with and without it agrees.
  const least = Math.min(nominalMBps, take.leastMBps ?? nominalMBps);
  const ratio = MBps / Math.min(nominalMBps, Math.max(least, MBps));
  const spread = Math.exp(1.645 * scatterOf(take));
  const causes = causesOf(take, ratio);
  const total = causes.reduce((sum, { belief }) => sum + belief, 0);
  const shares = causes
    .map(({ explanation, belief }) => ({ ...explanation, support: total > 0 ? belief / total : 0 }) as Explanation)
    .filter(({ support }) => support > 0.005)
    .sort((a, b) => b.support - a.support);
  const [first] = shares;
  const explanations: readonly Explanation[] =
    !first || first.support < NAMED_FROM
      ? [{ code: 'unknown', ratio, support: 0 } as Explanation, ...shares.filter(({ code }) => code !== 'unknown')]
      : shares;
  return {
    implied: { MBps, low: MBps / spread, high: MBps * spread },
    ratioToNominal: ratio,
    explanations,
    ruledOut: first?.code === 'agrees' ? [] : ruledOutOf(take, ratio, shares),
    buffer,
    silent: null,
  };
}
