import { useMemo } from 'react';
import { endedBy } from '../../core/heat/run/endedBy.ts';
import {
  deciding,
  type HeatSetup,
  hasFailed,
  type Lane,
  lanesOf,
  type SetupRefusal,
} from '../../core/heat/run/lane.ts';
import { outlastedBy } from '../../core/heat/run/outlasted.ts';
import { breakEvenMBps, type PaceKnown, paceOf } from '../../core/heat/run/pace.ts';
import { causeOf } from '../../core/heat/writepath/cause.ts';
import type { Cause, Moment, SimResult } from '../../core/heat/writepath/simulation.ts';
import { createReader } from '../../core/heat/writepath/stateAt.ts';
import type { HeatPick, Test } from '../../core/kit/model.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { type Given, type Picked, setupOf } from './heatPick.ts';

/** One take, run with the figures as they are. It takes microseconds, so it is done at once; risk is the worker's. */
export interface Run {
  readonly setup: HeatSetup;
  readonly lane: Lane;
  /** Paths that record at once; the deciding one is shown. */
  readonly lanes: readonly Lane[];
  readonly result: SimResult;
  readonly cause: Cause | null;
  /** How the pace of its cards is known; of a card of which nothing is known only heat is asked. */
  readonly pace: PaceKnown;
  /** The pace from which on it holds, MB/s; null where none does, or where its pace is known. */
  readonly breakEven: number | null;
  /** The own take that lasted longer than these figures say it could. */
  readonly outlasted: Test | null;
  /** The own take that stopped early under these conditions; what is worked out stands behind it. */
  readonly ended: Test | null;
  readonly at: (seconds: number) => Moment;
}

export function runOf(setup: HeatSetup): Result<Run, SetupRefusal> {
  const lanes = lanesOf(setup);
  if (!lanes.ok) return err(lanes.error);
  const { lane, result } = deciding(lanes.value);
  const pace = paceOf(lane);
  const [card] = lane.cards;
  const ended = endedBy({ ...setup, cards: lanes.value.flatMap((one) => one.cards) }, setup.tests);
  return ok({
    setup,
    lane,
    lanes: lanes.value,
    result,
    cause: causeOf(lane.sim, result),
    pace,
    breakEven: pace === 'known' ? null : breakEvenMBps(lane),
    ended,
    outlasted:
      ended === null && card && hasFailed(result)
        ? outlastedBy(lane, { body: setup.body, modeId: setup.mode.id, card }, setup.tests)
        : null,
    at: createReader(lane.sim, result),
  });
}

export function useRun(picked: Picked | null, pick: HeatPick, { tests, policy }: Given): Result<Run, SetupRefusal> {
  return useMemo(
    () => (picked ? runOf(setupOf(picked, pick, { tests, policy })) : err({ code: 'no-card' })),
    [picked, pick, tests, policy],
  );
}
