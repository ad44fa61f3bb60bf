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
}

/** What several drops have in common. */
export interface InCommon {
  /** Same bytes: a fast cache. Same time: heat. Same rate: the link. Null where the data do not say. */
  readonly cause: 'cache' | 'heat' | 'link' | null;
  /** How many times tighter they agree in that than in the next; 1 where nothing is told. */
  readonly strength: number;
}

/** Times tighter before a cause is named [A]. */
const CLEARLY = 2;

/** Spread of the logarithms: how alike values are whatever their size. */
function spreadOf(values: readonly number[]): number {
  const logs = values.map(Math.log);
  const mean = logs.reduce((sum, one) => sum + one, 0) / logs.length;
  return Math.sqrt(logs.reduce((sum, one) => sum + (one - mean) ** 2, 0) / logs.length);
}

/**
 * Cache, heat or link, by what drops have in common. One drop says nothing, and drops of one rate cannot tell bytes from
 * seconds: then a test at another rate decides.
 */
export function inCommon(drops: readonly Drop[]): InCommon {
  const known = drops.filter(({ GB, seconds }) => GB > 0 && seconds > 0);
  if (known.length < 2) return { cause: null, strength: 1 };
  // Nothing is noted more exactly than this.
  const least = 0.01;
  const spreads = [
    { cause: 'cache' as const, spread: spreadOf(known.map(({ GB }) => GB)) },
    { cause: 'heat' as const, spread: spreadOf(known.map(({ seconds }) => seconds)) },
    { cause: 'link' as const, spread: spreadOf(known.map(({ GB, seconds }) => GB / seconds)) },
  ].sort((a, b) => a.spread - b.spread);
  const [tightest, next] = spreads;
  if (!tightest || !next) return { cause: null, strength: 1 };
  const strength = Math.max(least, next.spread) / Math.max(least, tightest.spread);
  return strength >= CLEARLY ? { cause: tightest.cause, strength } : { cause: null, strength };
}
