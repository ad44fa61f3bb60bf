import { useEffect, useState } from 'react';
import type { HeatPick, KeptTake } from '../../core/kit/model.ts';
import { openTake } from './heatActions.ts';

/** A kept take, and the run it stands for with its clip's own rate. */
export interface KeptPick {
  readonly take: KeptTake;
  readonly pick: HeatPick;
}

const NONE: readonly KeptPick[] = [];

/** Kept takes with their long series, each read once it is shown. */
export function useKeptPicks(kept: readonly KeptTake[]): readonly KeptPick[] {
  const [picks, setPicks] = useState(NONE);
  useEffect(() => {
    let current = true;
    void Promise.all(kept.map(async (take) => ({ take, pick: await openTake(take) }))).then((opened) => {
      if (current) setPicks(opened);
    });
    return () => {
      current = false;
    };
  }, [kept]);
  return kept.length === 0 ? NONE : picks;
}
