import type { TakeKind } from '../kit/model.ts';

/** Verdict codes, best first [domain.md §5]. */
export const VERDICTS = [
  'guaranteed',
  'tight',
  'proven',
  'claimed',
  'held',
  'uncovered',
  'drops',
  'locked',
  'unfit',
] as const;
/** The answer to one mode on one card. */
export type Verdict = (typeof VERDICTS)[number];

/**
 * How an answer reads for a kind of take: cool holds, warm is thin, hot does not, mute is locked out, none cannot
 * meet.
 */
export type Tone = 'cool' | 'warm' | 'hot' | 'mute' | 'none';

const ONCE: Readonly<Record<Verdict, Tone>> = {
  guaranteed: 'cool',
  tight: 'warm',
  proven: 'warm',
  claimed: 'hot',
  held: 'hot',
  uncovered: 'hot',
  drops: 'hot',
  locked: 'mute',
  unfit: 'none',
};

const REPEATABLE: Readonly<Record<Verdict, Tone>> = {
  ...ONCE,
  tight: 'cool',
  proven: 'cool',
  claimed: 'warm',
  held: 'warm',
};

/** How a verdict reads for this kind of take: both schools of practice are right in their place. */
export const toneOf = (verdict: Verdict, take: TakeKind): Tone => (take === 'once' ? ONCE : REPEATABLE)[verdict];

/** What may be recorded on for each kind of take, without a person allowing more. */
export const TONES_USED: Readonly<Record<TakeKind, ReadonlySet<Tone>>> = {
  once: new Set<Tone>(['cool']),
  repeatable: new Set<Tone>(['cool', 'warm']),
};

/** Rank of a verdict, 0 best. */
export const rankOf = (verdict: Verdict): number => RANKS[verdict];

const RANKS = Object.fromEntries(VERDICTS.map((verdict, rank) => [verdict, rank])) as Readonly<Record<Verdict, number>>;
