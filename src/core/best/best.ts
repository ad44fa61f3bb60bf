import type { Body, Card, Mode } from '../kit/model.ts';
import { type Steps, within } from '../steps.ts';
import type { Candidates } from './candidates.ts';
import { cover } from './cover.ts';
import { bestFirst } from './order.ts';
import type { BestQuestion } from './question.ts';
import { type Solving, stands, type Why } from './stands.ts';

/** A mode that is better and does not hold, and why. */
interface BetterMode {
  readonly mode: Mode;
  readonly why: Why;
}

/** The best mode of one body. */
export interface BodyBest {
  readonly body: Body;
  /** Null where none holds. */
  readonly best: Mode | null;
  /** The cards that it is recorded on. */
  readonly cards: readonly Card[];
  /** Better ones that do not hold, the best of all first. */
  readonly better: readonly BetterMode[];
  /** Those after it, which nobody looked at: a better one holds. */
  readonly after: readonly Mode[];
}

/** The best of each body, and whether no other sharing of the cards is better for a body without being worse for one before it. */
export interface Best {
  readonly bodies: readonly BodyBest[];
  readonly proven: boolean;
}

interface Taken {
  readonly body: Body;
  readonly mode: Mode;
  readonly of: Candidates;
}

/** The question without cards that others record on. */
export function beside(question: BestQuestion, taken: readonly Card[]): BestQuestion {
  const others = new Set(taken);
  return { ...question, kit: { ...question.kit, cards: question.kit.cards.filter((card) => !others.has(card)) } };
}

/** The best mode of each body in turn that holds beside those chosen before it. */
function* chosen(
  question: BestQuestion,
  solving: Solving,
): Steps<{ readonly taken: readonly Taken[]; readonly proven: boolean }> {
  const { bodies } = question.kit;
  const { solve, seconds } = solving;
  const wanted = question.minutes * 60;
  const taken: Taken[] = [];
  let proven = true;
  for (const [at, body] of bodies.entries()) {
    const modes = bestFirst(body);
    for (const [rung, mode] of modes.entries()) {
      yield (at + rung / modes.length) / bodies.length;
      const alone = stands(question, body, mode, solving);
      if (!alone.holds) continue;
      const { of } = alone;
      const found = cover(
        [...taken, { of }].map((one) => ({ of: one.of, seconds: wanted })),
        solve,
        seconds,
      );
      if (found.end === 'open') proven = false;
      if (found.end !== 'covered') continue;
      taken.push({ body, mode, of });
      break;
    }
  }
  return { taken, proven };
}

/**
 * The best mode that each body can record to the end, all at once on these cards: the first body chooses first. A mode holds
 * where the board, the day and the heat run call it right for the whole time.
 */
export function* bestSteps(question: BestQuestion, solving: Solving): Steps<Best> {
  const { taken, proven } = yield* within(0, 0.5, chosen(question, solving));
  const { solve, seconds } = solving;
  const covered = cover(
    taken.map(({ of }) => ({ of, seconds: question.minutes * 60 })),
    solve,
    seconds,
  );
  const cardsOf = new Map(
    taken.map(({ body }, at) => [body, covered.end === 'covered' ? (covered.cards[at] ?? []) : []] as const),
  );
  const bodies: BodyBest[] = [];
  for (const [at, body] of question.kit.bodies.entries()) {
    const modes = bestFirst(body);
    const best = taken.find((one) => one.body === body)?.mode ?? null;
    const left = beside(
      question,
      [...cardsOf].flatMap(([other, cards]) => (other === body ? [] : cards)),
    );
    const better: BetterMode[] = [];
    for (const [rung, mode] of modes.entries()) {
      if (mode === best) break;
      yield 0.5 + (at + rung / modes.length) / question.kit.bodies.length / 2;
      const now = stands(left, body, mode, solving);
      // Where it holds on what is left, the proof of the whole ran out of time.
      better.push({ mode, why: now.holds ? { code: 'open' } : now.why });
    }
    bodies.push({
      body,
      best,
      cards: cardsOf.get(body) ?? [],
      better,
      after: best === null ? [] : modes.slice(modes.indexOf(best) + 1),
    });
  }
  return { bodies, proven: proven && covered.end !== 'open' };
}
