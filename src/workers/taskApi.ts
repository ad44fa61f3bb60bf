import type { Steps } from '../core/steps.ts';
import type { Answer, Request, TaskApi, Tasks } from './task.protocol.ts';

/** Steps of work that waits, as for a file; each tells the share done, as `Steps` do. */
type WaitingSteps<T> = AsyncGenerator<number, T, void>;

/**
 * How each task is worked out, in steps. Within one long step `sign` tells that it goes on; the code of a task, and a
 * solver that it needs, may be loaded first.
 */
export type TaskSteps<T extends Tasks<T>> = {
  readonly [K in keyof T]: (
    request: Request<T, K>,
    sign: () => void,
  ) => Steps<Answer<T, K>> | Promise<Steps<Answer<T, K>> | WaitingSteps<Answer<T, K>>>;
};

/** Longest stretch without hearing whether to stop, milliseconds. */
const STRETCH = 40;
/** Shortest time between two signs within one step, milliseconds. */
const SIGN = 150;

/** Longest silence while a step waits, milliseconds. */
const SILENT = 2000;

/** Lets messages in. */
const pause = (): Promise<void> => new Promise((go) => setTimeout(go, 0));

/** The worker's side: works in stretches, so that a wish to stop is heard between them. */
export function createTaskApi<T extends Tasks<T>>(tasks: TaskSteps<T>): TaskApi<T> {
  /** Requests under way, and whether each may go on. */
  const goesOn = new Map<number, boolean>();
  return {
    async run(id, task, request, onProgress) {
      goesOn.set(id, true);
      let share = 0;
      let said = performance.now();
      const tell = (): void => {
        said = performance.now();
        onProgress(share);
      };
      // A message leaves at once, even from the middle of a step.
      const sign = (): void => {
        if (performance.now() - said > SIGN) tell();
      };
      // A step that waits for a file lives as long as messages come through.
      const alive = setInterval(sign, SILENT);
      try {
        const steps = await tasks[task](request, sign);
        let since = performance.now();
        for (;;) {
          const step = steps.next();
          // Most steps do not wait; one that does lets messages in by itself.
          const next = step instanceof Promise ? await step : step;
          if (next.done) return next.value;
          share = next.value;
          if (performance.now() - since < STRETCH) continue;
          tell();
          await pause();
          if (!goesOn.get(id)) return null;
          since = performance.now();
        }
      } finally {
        clearInterval(alive);
        goesOn.delete(id);
      }
    },
    cancel(id) {
      if (goesOn.has(id)) goesOn.set(id, false);
    },
  };
}
