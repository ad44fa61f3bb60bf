import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { Done, Job, Work } from './work.ts';

/** Jobs that may wait for each worker; one more is told to come back. */
const WAITING_EACH = 8;
/** Longest time from being asked to the answer, milliseconds. */
const PATIENCE = 30_000;
/** Most memory of one worker, megabytes. */
const MEMORY = 768;

/** The workers, and their end. */
export interface Pool extends Work {
  /** What waits is told to come back, and nothing waits from then on; what is being worked out goes on. */
  readonly dismiss: () => void;
  readonly close: () => Promise<void>;
}

/** Workers beside the event loop, one fewer than there are processors. */
export function createPool(file: URL): Pool {
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
  // In the order they were asked, which is the order in which they are begun: those that wait stand behind one for each worker.
  const asked = new Set<AbortController>();
  let isClosing = false;
  const isFull = (): boolean => (isClosing ? asked.size >= threads : pool.queueSize >= WAITING_EACH * threads);
  return {
    isFull,
    async run(job, signal) {
      if (isFull()) return 'busy';
      const tooLong = AbortSignal.timeout(PATIENCE);
      const dismissed = new AbortController();
      asked.add(dismissed);
      try {
        return await pool.run(job, { signal: AbortSignal.any([signal, tooLong, dismissed.signal]) });
      } catch (thrown) {
        if (signal.aborted) return 'gone';
        if (tooLong.aborted) return 'too-long';
        if (dismissed.signal.aborted || isFull()) return 'busy';
        throw thrown;
      } finally {
        asked.delete(dismissed);
      }
    },
    dismiss() {
      isClosing = true;
      for (const one of [...asked].slice(threads)) one.abort();
    },
    close: () => pool.close(),
  };
}
