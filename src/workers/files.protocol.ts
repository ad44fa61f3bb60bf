import type { Drawn } from '../core/prove/trace/thin.ts';
import type { TraceReading } from '../core/prove/trace/trace.ts';
import type { Result } from '../core/result.ts';
import type { ManualProblem, ReadManual } from '../reading/bodies/manual/manual.ts';
import type { ClipProblem, ReadClip } from '../reading/clips/readClip.ts';
import type { ReadTrace, TraceSaid, WriteTraceProblem } from '../reading/prove/writeTrace.ts';

/** A write trace as a person is shown it: what was read, what it means, and points to draw. */
interface AnalysedTrace {
  readonly read: Omit<ReadTrace, 'trace'>;
  readonly reading: TraceReading;
  readonly drawn: Drawn;
  /** Temperatures to draw; null where none were noted. */
  readonly celsius: Drawn | null;
  /** Mean rate of every second; null where there are too many to keep. */
  readonly bySecond: readonly number[] | null;
}

/** What is read out of files beside the page: clips, write traces, manuals. A broken file ends no other work. */
export interface FileTasks {
  readonly clip: { readonly request: Blob; readonly answer: Result<ReadClip, ClipProblem> };
  readonly writeTrace: {
    readonly request: { readonly text: string | Blob; readonly said: TraceSaid };
    readonly answer: Result<AnalysedTrace, WriteTraceProblem>;
  };
  readonly manual: { readonly request: Blob; readonly answer: Result<ReadManual, ManualProblem> };
}
