import { useMemo, useRef } from 'react';
import { type Board, type BoardKit, createBoardKeeper } from '../../core/match/board.ts';
import type { Policy } from '../../core/match/policy.ts';

/** The board of a kit; a changed card recomputes its own column only. */
export function useBoard(kit: BoardKit, policy: Policy): Board {
  const keeper = useRef<ReturnType<typeof createBoardKeeper> | null>(null);
  keeper.current ??= createBoardKeeper();
  const compute = keeper.current;
  const { bodies, cards, tests, reports } = kit;
  return useMemo(
    () => compute({ bodies, cards, tests, ...(reports && { reports }) }, policy),
    [compute, bodies, cards, tests, reports, policy],
  );
}
