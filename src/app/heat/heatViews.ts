import { bodyFigures, limitsOf, sizeOf } from '../../core/heat/run/bodyFigures.ts';
import { endedBy } from '../../core/heat/run/endedBy.ts';
import { isCalibrated } from '../../core/heat/run/known.ts';
import { deciding, type HeatSetup, hasFailed, type Lane, type LaneRun, lanesOf } from '../../core/heat/run/lane.ts';
import { type HeatMark, heatMark, type MarkInput } from '../../core/heat/run/mark.ts';
import { cellReasons, type RankedReason } from '../../core/heat/run/reasons.ts';
import type { Test } from '../../core/kit/model.ts';

export { riskTone, usuallyAccepted } from '../../core/heat/run/acceptedRisk.ts';
export { needMBps } from '../../core/heat/run/cardFigures.ts';
export { hasFailed } from '../../core/heat/run/lane.ts';
export { heatReasons } from '../../core/heat/run/reasons.ts';

import { averageDemand } from '../../core/heat/writepath/demand.ts';

export { sunDegrees } from '../../core/heat/run/sun.ts';
export { recordedSeconds } from '../../core/heat/writepath/duration.ts';
export { figureLimit } from '../../core/heat/writepath/figureLimit.ts';
export { BODY_FIGURES, BODY_SIZES, CARD_FIGURES, MAX_NAME, TEST_ENDS } from '../../core/kit/model.ts';
export { RANGES } from '../../core/kit/ranges.ts';
export { averageDemand, bodyFigures, isCalibrated, limitsOf, sizeOf };

/** A run that decided, and whether it failed. */
export interface Ended extends LaneRun {
  readonly failed: boolean;
  /** The own take that stopped early under these conditions. */
  readonly ended: Test | null;
}

/** The deciding run of a setup; null where it cannot be run. */
export function endOf(setup: HeatSetup): Ended | null {
  const lanes = lanesOf(setup);
  if (!lanes.ok) return null;
  const ran = deciding(lanes.value);
  const ended = endedBy({ ...setup, cards: lanes.value.flatMap((one) => one.cards) }, setup.tests);
  return { ...ran, failed: hasFailed(ran.result), ended };
}

/** The heat of a cell for a planned take: its mark, whether its figures are anybody’s own, and what raises it. */
export interface CellHeat {
  readonly mark: HeatMark;
  readonly calibrated: boolean;
  readonly reasons: readonly RankedReason[];
}

/** Null where the rate of the cell does not hold. */
export function cellHeat(input: MarkInput): CellHeat | null {
  const mark = heatMark(input);
  if (!mark) return null;
  const { lane } = mark;
  const reasons = cellReasons(lane, input.body, input.tests, input.plan);
  return { mark, calibrated: isCalibrated(lane.figures), reasons };
}

/** Minutes after which a path's cards are full, at what it writes on average; null where nothing is written. */
export function fullAfterMinutes({ sim, cards }: Lane): number | null {
  const demand = averageDemand(sim);
  return demand > 0 ? (sim.card.usableGB * 1000 * Math.max(1, sim.relay ? cards.length : 1)) / demand / 60 : null;
}
