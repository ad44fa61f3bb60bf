import { streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Mode } from '../kit/model.ts';
import { rankOf, type Verdict } from '../match/verdict.ts';
import type { IntegerSolver } from '../shop/programme.ts';
import { type Candidates, candidates, type HeatStop } from './candidates.ts';
import { cover, mostMinutes } from './cover.ts';
import type { BestQuestion } from './question.ts';

/** Why a mode does not hold to the end. */
export type Why =
  | { readonly code: 'no-rate' }
  /** None of the cards enters. */
  | { readonly code: 'none-enters' }
  /** None holds by rate; the best answer of those that enter. */
  | { readonly code: 'none-holds'; readonly verdict: Verdict }
  | { readonly code: 'faulty'; readonly cards: readonly Card[] }
  /** Cards hold, and none of them so long without a change. */
  | { readonly code: 'too-short'; readonly minutes: number }
  /** Cards hold, and together they last so long at the most. */
  | { readonly code: 'too-few'; readonly minutes: number }
  | ({ readonly code: 'heat' } & HeatStop)
  /** The solver was not done in its time. */
  | { readonly code: 'open' };

/** Whether a mode holds to the end on these cards, and why not. */
export type Stands =
  | { readonly holds: true; readonly cards: readonly Card[]; readonly of: Candidates }
  | { readonly holds: false; readonly why: Why; readonly of: Candidates | null };

/** Solver of integer programmes with the time for one question, seconds. */
export interface Solving {
  readonly solve: IntegerSolver;
  readonly seconds: number;
}

/** Of several that heat ends the one that fails least. */
const coolest = (stops: readonly HeatStop[]): HeatStop | null =>
  stops.reduce<HeatStop | null>((best, one) => (best && (best.risk ?? 1) <= (one.risk ?? 1) ? best : one), null);

function whyNot({ usable, heat, shortSeconds, faulty, cells, places }: Candidates, wanted: number): Why {
  const stop = coolest(heat);
  const withHeat = [...usable.map(({ group }) => group), ...heat.map(({ group }) => group)];
  if (usable.length > 0) {
    const minutes = mostMinutes({ places, usable });
    // Heat is in the way where the cards that it ends are what is missing.
    return stop && minutes < wanted && withHeat.length > usable.length
      ? { code: 'heat', ...stop }
      : { code: 'too-few', minutes };
  }
  if (stop) return { code: 'heat', ...stop };
  if (shortSeconds !== null) return { code: 'too-short', minutes: shortSeconds / 60 };
  if (faulty.length > 0) return { code: 'faulty', cards: faulty };
  const [best] = [...cells].sort((a, b) => rankOf(a.verdict) - rankOf(b.verdict));
  return best ? { code: 'none-holds', verdict: best.verdict } : { code: 'none-enters' };
}

/** Whether one body can record one mode to the end, alone with the cards asked about. */
export function stands(question: BestQuestion, body: Body, mode: Mode, { solve, seconds }: Solving): Stands {
  if (!streamRate(mode, body).ok) return { holds: false, why: { code: 'no-rate' }, of: null };
  const of = candidates(question, body, mode);
  const found = cover([{ of, seconds: question.minutes * 60 }], solve, seconds);
  if (found.end === 'covered') return { holds: true, cards: found.cards[0] ?? [], of };
  return { holds: false, why: found.end === 'open' ? { code: 'open' } : whyNot(of, question.minutes), of };
}
