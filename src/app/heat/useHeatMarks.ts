import { useEffect, useMemo, useState } from 'react';
import { type BoardMarks, createMarkReader, type MarkReader } from '../../core/heat/run/level.ts';
import type { MarksInput } from '../../core/heat/run/marks.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import { computation } from '../tasks/clients.ts';

/** The heat marks of a board, once the worker has them; until then, and where it failed, there are none. */
export function useHeatMarks({ bodies, cards, tests }: BoardKit, plan: PlannedTake): MarkReader {
  const input = useMemo((): MarksInput => ({ kit: { bodies, cards, tests }, plan }), [bodies, cards, tests, plan]);
  const [known, setKnown] = useState<{ readonly of: MarksInput; readonly marks: BoardMarks } | null>(null);
  useEffect(() => {
    if (input.kit.cards.length === 0 || input.kit.bodies.length === 0) return;
    let current = true;
    // After the board itself has been painted: the worker and its code are not needed for that.
    const timer = setTimeout(async () => {
      const worker = await computation();
      if (!current) return;
      const result = await worker.ask('marks', input).result;
      if (current && result.ok) setKnown({ of: input, marks: result.value });
    }, 60);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [input]);
  return useMemo(() => createMarkReader(known?.of === input ? known.marks : null), [known, input]);
}
