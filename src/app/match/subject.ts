import type { StreamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Body, Card, Mode } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';

/** Which cell of the board is selected, by ids, so that it survives an edit. */
export interface CellPick {
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
}

/** What the Why panel explains: a cell of the board, or of the quick check. */
export interface WhySubject {
  readonly cell: Cell;
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
  /** Null where the mode has no rate. */
  readonly rate: StreamRate | null;
  readonly quick?: boolean;
}
