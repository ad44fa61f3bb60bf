import type { PlannedTake } from '../../kit/model.ts';
import { type BoardKit, board } from '../../match/board.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import type { Steps } from '../../steps.ts';
import { type BoardMarks, HEAT_LEVELS, rowKey } from './level.ts';
import { heatMark } from './mark.ts';

export interface MarksInput {
  readonly kit: BoardKit;
  readonly plan: PlannedTake;
}

/**
 * Heat marks of every cell that holds by rate, a cell at a time. No policy enters: the kind of
 * take only colours a verdict, and headroom only parts guaranteed from tight, which both hold.
 */
export function* marksSteps({ kit, plan }: MarksInput): Steps<BoardMarks> {
  const { rows, cards, columns } = board(kit, DEFAULT_POLICY);
  const marks: Uint8Array[] = [];
  for (const [at, card] of cards.entries()) {
    const tests = kit.tests.filter(({ cardId }) => cardId === card.id);
    const column = columns[at] ?? [];
    const levels = new Uint8Array(column.length);
    for (const [rowAt, cell] of column.entries()) {
      yield (at + rowAt / column.length) / cards.length;
      const body = rows[rowAt]?.body;
      const mark = body ? heatMark({ body, cell, card, tests, plan, cards: kit.cards }) : null;
      levels[rowAt] = mark ? HEAT_LEVELS.indexOf(mark.level) + 1 : 0;
    }
    marks.push(levels);
  }
  return {
    cardIds: cards.map(({ id }) => id),
    rows: rows.map(({ body, mode }) => rowKey(body.id, mode.id)),
    columns: marks,
  };
}
