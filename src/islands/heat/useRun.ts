import { useMemo } from 'react';
import { type Given, type Picked, setupOf } from '../../app/heatPick.ts';
import { deciding, type HeatSetup, type Lane, lanesOf, type SetupRefusal } from '../../core/heatrun/lane.ts';
import type { HeatPick } from '../../core/model/kit.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { causeOf } from '../../core/writepath/cause.ts';
import type { Cause, Moment, SimResult } from '../../core/writepath/simulation.ts';
import { createReader } from '../../core/writepath/stateAt.ts';

/** One take, run with the figures as they are. It takes microseconds, so it is done at once; risk is the worker's. */
export interface Run {
  readonly setup: HeatSetup;
  readonly lane: Lane;
  /** Paths that record at once; the deciding one is shown. */
  readonly lanes: readonly Lane[];
  readonly result: SimResult;
  readonly cause: Cause | null;
  readonly at: (seconds: number) => Moment;
}

export function runOf(setup: HeatSetup): Result<Run, SetupRefusal> {
  const lanes = lanesOf(setup);
  if (!lanes.ok) return err(lanes.error);
  const { lane, result } = deciding(lanes.value);
  return ok({
    setup,
    lane,
    lanes: lanes.value,
    result,
    cause: causeOf(lane.sim, result),
    at: createReader(lane.sim, result),
  });
}

export function useRun(picked: Picked | null, pick: HeatPick, { tests, policy }: Given): Result<Run, SetupRefusal> {
  return useMemo(
    () => (picked ? runOf(setupOf(picked, pick, { tests, policy })) : err({ code: 'no-card' })),
    [picked, pick, tests, policy],
  );
}
