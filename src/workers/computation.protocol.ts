import type { AdviceInput, Advised } from '../core/heat/run/advice.ts';
import type { SharesInput } from '../core/heat/run/failures.ts';
import type { Fit, FitInput, FitRefusal } from '../core/heat/run/fit.ts';
import type { HeatLevel } from '../core/heat/run/level.ts';
import type { MarksInput } from '../core/heat/run/marks.ts';
import type { WayOut, WaysOutInput } from '../core/heat/run/waysOut.ts';
import type { Risk, RiskInput } from '../core/heat/writepath/risk.ts';
import type { Simulation } from '../core/heat/writepath/simulation.ts';
import type { Plan } from '../core/kit/plan.ts';
import type { Policy } from '../core/match/policy.ts';
import type { NextInput, NextTest } from '../core/prove/nextTests.ts';
import type { Result } from '../core/result.ts';
import type { BlockHeat } from '../core/rotation/blockHeat.ts';
import type { DayMove } from '../core/rotation/dayMoves.ts';
import type { PlannedDay } from '../core/rotation/plannedDay.ts';
import type { DayKit } from '../core/rotation/seating.ts';
import type { KitRefusal, ReadKit } from '../kit/importKit.ts';
import type { PastedCards } from '../reading/cards/pasteCards.ts';
import type { RateTrace, TraceProblem } from '../reading/heat/rateTrace.ts';
import type { PriceList } from '../reading/shop/pricesCsv.ts';

/** A day to plan; its clock times are read where it is planned. */
export interface DayRequest {
  readonly kit: DayKit;
  readonly plan: Plan;
  readonly policy: Policy;
  /** Milliseconds since 1970; null: as planned, before anything happened. */
  readonly now: number | null;
}

/** A planned day that something more is asked about. */
interface DayFollowUp extends DayRequest {
  readonly day: PlannedDay;
}

/** What is worked out beside the page with the core alone: runs of the write path, and long texts read. */
export interface ComputationTasks {
  readonly risk: { readonly request: { readonly sim: Simulation; readonly input: RiskInput }; readonly answer: Risk };
  readonly advise: { readonly request: AdviceInput; readonly answer: Advised };
  readonly ways: { readonly request: WaysOutInput; readonly answer: readonly WayOut[] };
  readonly shares: { readonly request: SharesInput; readonly answer: readonly (number | null)[] };
  readonly marks: { readonly request: MarksInput; readonly answer: readonly (HeatLevel | null)[] };
  readonly fit: { readonly request: FitInput; readonly answer: Result<Fit, FitRefusal> };
  readonly trace: { readonly request: Blob; readonly answer: Result<RateTrace, TraceProblem> };
  readonly cards: { readonly request: string; readonly answer: PastedCards };
  readonly prices: {
    readonly request: { readonly text: string; readonly currency: string };
    readonly answer: PriceList;
  };
  readonly next: { readonly request: NextInput; readonly answer: readonly NextTest[] };
  /** Null where the date, start or time zone of the plan is none. */
  readonly day: { readonly request: DayRequest; readonly answer: PlannedDay | null };
  readonly dayMoves: { readonly request: DayFollowUp; readonly answer: readonly DayMove[] };
  readonly dayHeat: { readonly request: DayFollowUp; readonly answer: BlockHeat };
  readonly kit: { readonly request: Blob; readonly answer: Result<ReadKit, KitRefusal> };
}
