/** A move that is on screen, for the command palette. */
export interface ShownMove {
  readonly text: string;
  readonly run: () => void;
}

let shown: readonly ShownMove[] = [];

/** Tells which moves are on screen; called again as they leave it. */
export function showMoves(moves: readonly ShownMove[]): () => void {
  shown = moves;
  return () => {
    if (shown === moves) shown = [];
  };
}

export const shownMoves = (): readonly ShownMove[] => shown;
