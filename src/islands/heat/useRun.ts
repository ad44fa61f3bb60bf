import { useMemo } from 'react';
import { type Picked, setupOf } from '../../app/heatPick.ts';
import { deciding, type HeatSetup, type Lane, lanesOf, type SetupRefusal } from '../../core/heatrun/lane.ts';
import { heatReasons, type RankedReason } from '../../core/heatrun/reasons.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { HeatPick } from '../../core/model/kit.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { causeOf } from '../../core/writepath/cause.ts';
import type { Cause, Moment, SimResult } from '../../core/writepath/simulation.ts';
import { createReader } from '../../core/writepath/stateAt.ts';
import type { Kit } from '../../kit/kit.ts';

/** One take, run with the figures as they are. It takes microseconds, so it is done at once; risk is the worker's. */
export interface Run {
  readonly setup: HeatSetup;
  readonly lane: Lane;
  /** Paths that record at once; the deciding one is shown. */
  readonly lanes: number;
  readonly result: SimResult;
  readonly cause: Cause | null;
  readonly reasons: readonly RankedReason[];
  readonly at: (seconds: number) => Moment;
}

export function runOf(setup: HeatSetup): Result<Run, SetupRefusal> {
  const lanes = lanesOf(setup);
  if (!lanes.ok) return err(lanes.error);
  const { lane, result } = deciding(lanes.value);
  return ok({
    setup,
    lane,
    lanes: lanes.value.length,
    result,
    cause: causeOf(lane.sim, result),
    reasons: heatReasons(lane, setup),
    at: createReader(lane.sim, result),
  });
}

interface Given {
  readonly kit: Kit;
  readonly policy: Policy;
  readonly trace: readonly number[] | null;
}

export function useRun(
  picked: Picked | null,
  pick: HeatPick,
  { kit, policy, trace }: Given,
): Result<Run, SetupRefusal> {
  return useMemo(
    () => (picked ? runOf(setupOf(picked, pick, { kit, policy, trace })) : err({ code: 'no-card' })),
    [picked, pick, kit, policy, trace],
  );
}
