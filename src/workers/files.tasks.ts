import { MAX_TRACE_SECONDS } from '../core/kit/model.ts';
import { ok } from '../core/result.ts';
import { type Steps, within } from '../core/steps.ts';
import type { TraceSaid } from '../reading/prove/writeTrace.ts';
import type { FileTasks } from './files.protocol.ts';
import type { TaskSteps } from './taskApi.ts';

/** Buckets of a drawing: two for each point of a wide screen. */
const BUCKETS = 600;

type Analysed = FileTasks['writeTrace']['answer'];

/** A trace read, taken apart, and thinned for drawing. */
async function writeTrace(text: string, said: TraceSaid): Promise<Steps<Analysed>> {
  const [{ writeTraceSteps }, { traceSteps }, { cutTrace }, { bySecond, thinned }] = await Promise.all([
    import('../reading/prove/writeTrace.ts'),
    import('../core/prove/trace/analyse.ts'),
    import('../core/prove/trace/stretches.ts'),
    import('../core/prove/trace/thin.ts'),
  ]);
  function* steps(): Steps<Analysed> {
    const read = yield* within(0, 0.6, writeTraceSteps(text, said));
    if (!read.ok) return read;
    const { trace, ...rest } = read.value;
    const reading = yield* within(0.6, 1, traceSteps(trace));
    return ok({
      read: rest,
      reading,
      drawn: thinned(trace.seconds, trace.MBps, BUCKETS),
      celsius: trace.celsius && thinned(trace.seconds, trace.celsius, BUCKETS),
      bySecond: bySecond(trace, cutTrace(trace).lengths, MAX_TRACE_SECONDS),
    });
  }
  return steps();
}

/** Every task of the worker that reads files; each reader comes with its first use. */
export const FILES: TaskSteps<FileTasks> = {
  async clip(file) {
    const { clipSteps } = await import('../reading/clips/readClip.ts');
    return clipSteps(file);
  },
  async writeTrace({ text, said }) {
    return writeTrace(typeof text === 'string' ? text : await text.text(), said);
  },
  async manual(file) {
    const { manualSteps } = await import('../reading/bodies/manual/readManual.ts');
    return manualSteps(file);
  },
};
