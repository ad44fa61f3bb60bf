import type { AdviceInput, Advised } from '../core/heat/run/advice.ts';
import type { SharesInput } from '../core/heat/run/failures.ts';
import type { Fit, FitInput, FitRefusal } from '../core/heat/run/fit.ts';
import type { HeatLevel } from '../core/heat/run/level.ts';
import type { MarksInput } from '../core/heat/run/marks.ts';
import type { WayOut, WaysOutInput } from '../core/heat/run/waysOut.ts';
import type { Risk, RiskInput } from '../core/heat/writepath/risk.ts';
import type { Simulation } from '../core/heat/writepath/simulation.ts';
import type { NextInput, NextTest } from '../core/prove/nextTests.ts';
import type { Result } from '../core/result.ts';
import type { KitRefusal, ReadKit } from '../kit/importKit.ts';
import type { PastedCards } from '../reading/cards/pasteCards.ts';
import type { RateTrace, TraceProblem } from '../reading/heat/rateTrace.ts';

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
  readonly next: { readonly request: NextInput; readonly answer: readonly NextTest[] };
  readonly kit: { readonly request: Blob; readonly answer: Result<ReadKit, KitRefusal> };
}
