import type { CellPick } from '../../app/match/subject.ts';

/** What Why stands beside: a cell of the board, the quick check's answer, or nothing. */
export type Selected = 'quick' | CellPick | null;
