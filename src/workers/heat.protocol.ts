import type { AdviceInput, Advised } from '../core/heat/run/advice.ts';
import type { SharesInput } from '../core/heat/run/failures.ts';
import type { Fit, FitInput, FitRefusal } from '../core/heat/run/fit.ts';
import type { BoardMarks } from '../core/heat/run/level.ts';
import type { MarksInput } from '../core/heat/run/marks.ts';
import type { Risk, RiskInput } from '../core/heat/writepath/risk.ts';
import type { Simulation } from '../core/heat/writepath/simulation.ts';
import type { Result } from '../core/result.ts';

/** What the worker can be asked: request and answer of every task. */
export interface HeatTasks {
  readonly risk: { readonly request: { readonly sim: Simulation; readonly input: RiskInput }; readonly answer: Risk };
  readonly advise: { readonly request: AdviceInput; readonly answer: Advised };
  readonly shares: { readonly request: SharesInput; readonly answer: readonly (number | null)[] };
  readonly marks: { readonly request: MarksInput; readonly answer: BoardMarks };
  readonly fit: { readonly request: FitInput; readonly answer: Result<Fit, FitRefusal> };
}

export type TaskName = keyof HeatTasks;

/** Told the share done, 0 to 1, a few times a second: also the sign of life. */
export type OnProgress = (share: number) => void;

export interface HeatApi {
  /** @returns null where the request was cancelled on the way */
  run<K extends TaskName>(
    id: number,
    task: K,
    request: HeatTasks[K]['request'],
    onProgress: OnProgress,
  ): Promise<HeatTasks[K]['answer'] | null>;
  cancel(id: number): void;
}
