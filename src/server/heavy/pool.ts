import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { Done, Job, Work } from './work.ts';

/** Jobs that may wait for each worker; one more is told to come back. */
const WAITING_EACH = 8;
/** Longest time from being asked to the answer, milliseconds. */
const PATIENCE = 30_000;
/** Most memory of one worker, megabytes. */
const MEMORY = 768;

/** Workers beside the event loop, one fewer than there are processors. */
export function createPool(file: URL): Work & { readonly close: () => Promise<void> } {
  const threads = Math.max(1, availableParallelism() - 1);
  const pool = new Piscina<Job, Done>({
    filename: file.href,
    minThreads: 1,
    maxThreads: threads,
    maxQueue: WAITING_EACH * threads,
    idleTimeout: 60_000,
    closeTimeout: 5000,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  });
  const isFull = (): boolean => pool.queueSize >= WAITING_EACH * threads;
  return {
    isFull,
    async run(job, signal) {
      if (isFull()) return 'busy';
      const tooLong = AbortSignal.timeout(PATIENCE);
      try {
        return await pool.run(job, { signal: AbortSignal.any([signal, tooLong]) });
      } catch (thrown) {
        if (signal.aborted) return 'gone';
        if (tooLong.aborted) return 'too-long';
        if (isFull()) return 'busy';
        throw thrown;
      }
    },
    close: () => pool.close(),
  };
}
