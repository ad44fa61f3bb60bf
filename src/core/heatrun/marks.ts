import { type BoardKit, board } from '../match/board.ts';
import type { Policy } from '../match/policy.ts';
import type { PlannedTake } from '../model/kit.ts';
import { HEAT_LEVELS, type HeatLevel, heatMark } from './mark.ts';

export interface MarksInput {
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
}

/** Marks of a whole board in little room: a column a card, a number a row; 0 none, 1 cool, 2 warm, 3 hot. */
export interface BoardMarks {
  readonly cardIds: readonly string[];
  /** `bodyId modeId` of every row. */
  readonly rows: readonly string[];
  readonly columns: readonly Uint8Array[];
}

export const rowKey = (bodyId: string, modeId: string): string => `${bodyId} ${modeId}`;

/** Heat marks of every cell that holds by rate, a column at a time; yields the share done. */
export function* marksSteps({ kit, policy, plan }: MarksInput): Generator<number, BoardMarks, void> {
  const { rows, cards, columns } = board(kit, policy);
  const marks: Uint8Array[] = [];
  for (const [at, card] of cards.entries()) {
    yield at / cards.length;
    const tests = kit.tests.filter(({ cardId }) => cardId === card.id);
    const levels = (columns[at] ?? []).map((cell, rowAt) => {
      const body = rows[rowAt]?.body;
      const mark = body ? heatMark(body, cell, card, tests, plan) : null;
      return mark ? HEAT_LEVELS.indexOf(mark.level) + 1 : 0;
    });
    marks.push(Uint8Array.from(levels));
  }
  return {
    cardIds: cards.map(({ id }) => id),
    rows: rows.map(({ body, mode }) => rowKey(body.id, mode.id)),
    columns: marks,
  };
}

/** Reads one mark; null where there is none. */
export function createMarkReader(marks: BoardMarks | null): (cardId: string, row: string) => HeatLevel | null {
  if (!marks) return () => null;
  const cardAt = new Map(marks.cardIds.map((id, at) => [id, at]));
  const rowAt = new Map(marks.rows.map((key, at) => [key, at]));
  return (cardId, row) => {
    const level = marks.columns[cardAt.get(cardId) ?? -1]?.[rowAt.get(row) ?? -1] ?? 0;
    return HEAT_LEVELS[level - 1] ?? null;
  };
}
