/**
 * Heat of a planned take, ranked and not timed [A]. cool: holds though every heat figure were one spread worse ·
 * warm: throttles, or fails with figures that much worse · hot: fails with the figures as they are.
 */
export const HEAT_LEVELS = ['cool', 'warm', 'hot'] as const;
export type HeatLevel = (typeof HEAT_LEVELS)[number];

/** Marks of a whole board in little room: a column a card, a number a row; 0 none, 1 cool, 2 warm, 3 hot. */
export interface BoardMarks {
  readonly cardIds: readonly string[];
  /** `rowKey` of every row. */
  readonly rows: readonly string[];
  readonly columns: readonly Uint8Array[];
}

export const rowKey = (bodyId: string, modeId: string): string => `${bodyId} ${modeId}`;

/** Reads the mark of a card and a row; null where there is none. */
export type MarkReader = (cardId: string, row: string) => HeatLevel | null;

export function createMarkReader(marks: BoardMarks | null): MarkReader {
  if (!marks) return () => null;
  const cardAt = new Map(marks.cardIds.map((id, at) => [id, at]));
  const rowAt = new Map(marks.rows.map((key, at) => [key, at]));
  return (cardId, row) => {
    const level = marks.columns[cardAt.get(cardId) ?? -1]?.[rowAt.get(row) ?? -1] ?? 0;
    return HEAT_LEVELS[level - 1] ?? null;
  };
}
