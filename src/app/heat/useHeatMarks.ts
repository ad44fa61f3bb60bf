import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { HeatLevel } from '../../core/heat/run/level.ts';
import { holdsByRate } from '../../core/heat/run/mark.ts';
import type { MarksInput } from '../../core/heat/run/marks.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import { computation } from '../tasks/clients.ts';

/** Heat marks of the cells in view. */
export interface HeatMarks {
  /** Null where there is none, or while it is not worked out. */
  readonly of: (cell: Cell) => HeatLevel | null;
  /** Says which cells are in view; their marks follow. */
  readonly want: (cells: readonly Cell[]) => void;
}

/** Wait after the last look, milliseconds: the board itself is painted first, and scrolling passes over many cells. */
const SETTLE = 80;

/** What of the kit some cells hang on: the rest need not go to the worker. */
function inputFor(cells: readonly Cell[], { bodies, cards, tests }: BoardKit, plan: PlannedTake): MarksInput {
  const bodyIds = new Set(cells.map(({ bodyId }) => bodyId));
  const cardIds = new Set(cells.flatMap(({ cardId, seats }) => [cardId, ...(seats?.map((one) => one.cardId) ?? [])]));
  return {
    cells,
    bodies: bodies.filter(({ id }) => bodyIds.has(id)),
    cards: cards.filter(({ id }) => cardIds.has(id)),
    tests: tests.filter(({ cardId }) => cardIds.has(cardId)),
    plan,
  };
}

/** The heat marks of a board, worked out beside the page for what is in view, and kept while their cells stand. */
export function useHeatMarks(kit: BoardKit, plan: PlannedTake): HeatMarks {
  const { bodies, cards, tests } = kit;
  // A cell is another object whenever anything it was worked out from changed; a plan concerns all of them.
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is known ends with the plan and the tests it was worked out for
  const known = useMemo(() => new WeakMap<Cell, HeatLevel | 'none'>(), [plan, tests]);
  const [round, setRound] = useState(0);
  const wanted = useRef<readonly Cell[]>([]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const ask = useCallback(async () => {
    const missing = wanted.current.filter((cell) => !known.has(cell) && holdsByRate(cell));
    if (missing.length === 0) return;
    const worker = await computation();
    const result = await worker.ask('marks', inputFor(missing, { bodies, cards, tests }, plan)).result;
    if (!result.ok) return;
    missing.forEach((cell, at) => {
      known.set(cell, result.value[at] ?? 'none');
    });
    setRound((count) => count + 1);
  }, [known, bodies, cards, tests, plan]);
  useEffect(() => () => clearTimeout(timer.current), []);
  return useMemo(() => {
    const of = (cell: Cell): HeatLevel | null => {
      const level = known.get(cell);
      return level === undefined || level === 'none' ? null : level;
    };
    const want = (cells: readonly Cell[]): void => {
      wanted.current = cells;
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void ask().catch(() => {}), SETTLE);
    };
    // Every round hands out another reader, so that what was drawn with the last one is drawn again.
    return { of, want, round };
  }, [known, ask, round]);
}
