import { streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Mode } from '../kit/model.ts';
import { rankOf, type Verdict } from '../match/verdict.ts';
import type { IntegerSolver } from '../shop/programme.ts';
import { type Candidates, candidates, type HeatMemo, type HeatStop } from './candidates.ts';
import { cover, mostMinutes } from './cover.ts';
import type { BestQuestion } from './question.ts';

/** Why a mode does not hold to the end. */
export type Why =
  | { readonly code: 'no-rate' }
  /** None of the cards enters. */
  | { readonly code: 'none-enters' }
  /** None holds by rate; the best answer of those that enter. */
  | { readonly code: 'none-holds'; readonly verdict: Verdict }
  /** Cards that would do hold recordings that are not copied yet. */
  | { readonly code: 'waiting'; readonly cards: readonly Card[] }
  | { readonly code: 'faulty'; readonly cards: readonly Card[] }
  /** Cards hold, and none of them so long without a change. */
  | { readonly code: 'too-short'; readonly minutes: number }
  /** Cards hold, and together they last so long at the most. */
  | { readonly code: 'too-few'; readonly minutes: number }
  /** Cards hold, and heat ends the recording on them: on the one that stands it best. */
  | ({ readonly code: 'heat' } & HeatStop)
  /** The solver was not done in its time. */
  | { readonly code: 'open' };

/** Whether a mode holds to the end on these cards, and why not. */
export type Stands =
  | { readonly holds: true; readonly cards: readonly Card[]; readonly of: Candidates }
  | { readonly holds: false; readonly why: Why; readonly of: Candidates | null };

/** What all questions of one sitting share: the solver, the time for one question to it, and heat worked out before. */
export interface Solving {
  readonly solve: IntegerSolver;
  /** Of the solver. */
  readonly seconds: number;
  readonly heat: HeatMemo;
}

/** How bad it is: runs that fail come before figures that do, the later the better; what is not known comes last. */
const severity = ({ heat }: HeatStop): number =>
  heat.by === 'runs'
    ? heat.risk
    : heat.by === 'figures'
      ? 2 + 1 / (1 + heat.atMinutes)
      : heat.by === 'own-take'
        ? 4
        : 5;

/** Of several that heat ends the one that stands it best. */
const coolest = (stops: readonly HeatStop[]): HeatStop | null =>
  stops.reduce<HeatStop | null>((best, one) => (best && severity(best) <= severity(one) ? best : one), null);

/** Why the cards do not last, heat left aside. */
function whyNot({ usable, shortSeconds, waiting, faulty, cells, places }: Candidates): Why {
  if (usable.length > 0) return { code: 'too-few', minutes: mostMinutes({ places, usable }) };
  if (shortSeconds !== null) return { code: 'too-short', minutes: shortSeconds / 60 };
  if (waiting.length > 0) return { code: 'waiting', cards: waiting };
  if (faulty.length > 0) return { code: 'faulty', cards: faulty };
  const [best] = [...cells].sort((a, b) => rankOf(a.verdict) - rankOf(b.verdict));
  return best ? { code: 'none-holds', verdict: best.verdict } : { code: 'none-enters' };
}

/** Whether one body can record one mode to the end, alone with the cards asked about. */
export function stands(question: BestQuestion, body: Body, mode: Mode, { solve, seconds, heat }: Solving): Stands {
  if (!streamRate(mode, body).ok) return { holds: false, why: { code: 'no-rate' }, of: null };
  const wanted = question.minutes * 60;
  // Heat takes longest to work out: where cards do not last anyway, it is not asked.
  const byRate = candidates(question, body, mode, null);
  const lasting = cover([{ of: byRate, seconds: wanted }], solve, seconds);
  if (lasting.end === 'impossible') return { holds: false, why: whyNot(byRate), of: byRate };
  const of = candidates(question, body, mode, heat);
  const found = of.heat.length === 0 ? lasting : cover([{ of, seconds: wanted }], solve, seconds);
  if (found.end === 'covered') return { holds: true, cards: found.cards[0] ?? [], of };
  const stop = coolest(of.heat);
  return { holds: false, why: found.end === 'open' || !stop ? { code: 'open' } : { code: 'heat', ...stop }, of };
}
