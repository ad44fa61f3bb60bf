import type { Body, Card, PlannedTake, Test } from '../../kit/model.ts';
import type { Cell } from '../../match/cell.ts';
import { byCard } from '../../match/columns.ts';
import type { Steps } from '../../steps.ts';
import type { HeatLevel } from './level.ts';
import { heatMark } from './mark.ts';

/** Cells whose heat is asked for together, and what they are made of. */
export interface MarksInput {
  /** The cells asked about; only those that hold by rate have a mark. */
  readonly cells: readonly Cell[];
  /** The bodies, cards and tests that they are of, and the cards in their seats. */
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly plan: PlannedTake;
}

/**
 * Heat marks of some cells, one after another; null where there is none. No policy enters: the kind of take only colours a
 * verdict, and headroom only parts guaranteed from tight, which both hold.
 */
export function* marksSteps({ cells, bodies, cards, tests, plan }: MarksInput): Steps<readonly (HeatLevel | null)[]> {
  const bodyOf = new Map(bodies.map((body) => [body.id, body]));
  const cardOf = new Map(cards.map((card) => [card.id, card]));
  const testsOf = byCard(tests);
  const levels: (HeatLevel | null)[] = [];
  for (const [at, cell] of cells.entries()) {
    yield at / cells.length;
    const [body, card] = [bodyOf.get(cell.bodyId), cardOf.get(cell.cardId)];
    const mark = body && card ? heatMark({ body, cell, card, tests: testsOf(card.id), plan, cards }) : null;
    levels.push(mark?.level ?? null);
  }
  return levels;
}
