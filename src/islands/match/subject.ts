import type { Cell } from '../../core/match/cell.ts';
import type { Body, Card, Mode } from '../../core/model/kit.ts';
import type { StreamRate } from '../../core/rate/streamRate.ts';

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
