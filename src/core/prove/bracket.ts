import type { TakeOutcome } from './reconcile.ts';

/** A take as evidence of its card's pace. */
export interface PaceTake {
  readonly outcome: TakeOutcome;
  /** What was written to the card, MB/s; null: not known. */
  readonly MBps: number | null;
  readonly seconds: number;
}

/** Between what a card's true pace lies. */
export interface Bracket {
  /** The fastest take it was filled with; null where none was. */
  readonly atLeastMBps: number | null;
  /** The slowest take that dropped; null where none did. */
  readonly belowMBps: number | null;
  /** Whether a drop at a slower rate stands against a faster pass: heat, another slot, or a slip in one of them. */
  readonly contradicts: boolean;
}

/** Bounds a card's pace by its passes and drops, in whatever order they were made. A take that was stopped bounds nothing. */
export function bracket(takes: readonly PaceTake[]): Bracket {
  const rates = (outcome: TakeOutcome): readonly number[] =>
    takes.flatMap((take) => (take.outcome === outcome && take.MBps !== null && take.MBps > 0 ? [take.MBps] : []));
  const [passed, dropped] = [rates('filled'), rates('dropped')];
  const atLeastMBps = passed.length > 0 ? Math.max(...passed) : null;
  const belowMBps = dropped.length > 0 ? Math.min(...dropped) : null;
  return {
    atLeastMBps,
    belowMBps,
    contradicts: atLeastMBps !== null && belowMBps !== null && belowMBps <= atLeastMBps,
  };
}

/** A step of what share of takes held longer than so many seconds. */
export interface Held {
  readonly seconds: number;
  readonly share: number;
}

/**
 * What share of takes holds longer than a time, by Kaplan and Meier's estimate: a card that was full, or a take that was
 * stopped, only says that it held so long; a drop ends it.
 */
export function heldLonger(takes: readonly Pick<PaceTake, 'outcome' | 'seconds'>[]): readonly Held[] {
  const ends = [...new Set(takes.filter(({ outcome }) => outcome === 'dropped').map(({ seconds }) => seconds))];
  let share = 1;
  return ends
    .sort((a, b) => a - b)
    .map((seconds) => {
      const atRisk = takes.filter((take) => take.seconds >= seconds).length;
      const ended = takes.filter((take) => take.seconds === seconds && take.outcome === 'dropped').length;
      share *= 1 - ended / atRisk;
      return { seconds, share };
    });
}

/** A take that dropped, with its bytes. */
export interface Drop {
  readonly GB: number;
  readonly seconds: number;
  /** What its mode asked for, MB/s; null: not known. */
  readonly demandMBps: number | null;
  /** Whether its bytes were read off its clip: those worked out from its mode's rate say nothing of a rate of their own. */
  readonly isMeasured: boolean;
}

/** What several drops have in common. */
export interface InCommon {
  /** Same bytes: a fast cache. Same time: heat. Same rate: the link. Null where the data do not tell one from the others. */
  readonly cause: 'cache' | 'heat' | 'link' | null;
  /** How many times likelier what is named makes these drops than chance does; 1 where nothing is told. */
  readonly strength: number;
}

type Cause = NonNullable<InCommon['cause']>;

interface Named {
  readonly cause: Cause;
  readonly times: number;
}

/** What drops of one cause share. */
const SHARED = {
  cache: ({ GB }) => GB,
  heat: ({ seconds }) => seconds,
  link: ({ GB, seconds }) => GB / seconds,
} as const satisfies Readonly<Record<Cause, (drop: Drop) => number>>;
/** How alike drops of one cause are in what they share, as a standard deviation of logarithms [A]: heat scatters the most. */
const SCATTER = { cache: 0.05, heat: 0.07, link: 0.05 } as const satisfies Readonly<Record<Cause, number>>;
/** The same of drops that have nothing in common [A]. */
const BY_CHANCE = 0.6;
/** Times likelier than chance, and than every other cause, before a cause is named [A]. */
const NAMED_FROM = 8;
/** Rates further apart than this are two [A]. */
const TWO_RATES = 0.1;

/** How many times likelier values are that share one size than values by chance, whatever that size is. */
function likelierThanChance(values: readonly number[], scatter: number): number {
  const logs = values.map(Math.log);
  const mean = logs.reduce((sum, one) => sum + one, 0) / logs.length;
  const squares = logs.reduce((sum, one) => sum + (one - mean) ** 2, 0);
  return (BY_CHANCE / scatter) ** (logs.length - 1) * Math.exp((-squares / 2) * (scatter ** -2 - BY_CHANCE ** -2));
}

/** Whether what was asked of the card differed: drops of one rate agree in bytes and seconds alike, whatever the cause. */
function haveTwoRates(drops: readonly Drop[]): boolean {
  const rates = drops.map(({ GB, seconds, demandMBps }) => demandMBps ?? (GB * 1000) / seconds);
  return Math.log(Math.max(...rates) / Math.min(...rates)) > TWO_RATES;
}

/**
 * Cache, heat or link, by what drops have in common: named where it makes them far likelier than chance and every other cause
 * do. One drop says nothing, and drops of one rate cannot tell bytes from seconds, nor show a rate of their own: then a test at
 * another rate decides.
 */
export function inCommon(drops: readonly Drop[]): InCommon {
  const known = drops.filter(({ GB, seconds }) => GB > 0 && seconds > 0);
  if (!haveTwoRates(known)) return { cause: null, strength: 1 };
  const isMeasured = known.every((one) => one.isMeasured);
  const [first, ...others] = (Object.keys(SHARED) as Cause[])
    .filter((cause) => isMeasured || cause !== 'link')
    .map((cause) => ({ cause, times: likelierThanChance(known.map(SHARED[cause]), SCATTER[cause]) }))
    .sort((a, b) => b.times - a.times) as [Named, ...Named[]];
  const isNamed = [1, ...others.map(({ times }) => times)].every((times) => first.times >= NAMED_FROM * times);
  return isNamed ? { cause: first.cause, strength: first.times } : { cause: null, strength: 1 };
}
