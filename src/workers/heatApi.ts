import { adviceSteps } from '../core/heat/run/advice.ts';
import { shareSteps } from '../core/heat/run/failures.ts';
import { fitSteps } from '../core/heat/run/fit.ts';
import { marksSteps } from '../core/heat/run/marks.ts';
import { checkSimulation } from '../core/heat/writepath/checkSimulation.ts';
import { checkRisk, riskSteps } from '../core/heat/writepath/risk.ts';
import type { Steps } from '../core/steps.ts';
import type { HeatApi, HeatTasks, TaskName } from './heat.protocol.ts';
import { leastSquares } from './leastSquares.ts';

const STEPS: { readonly [K in TaskName]: (request: HeatTasks[K]['request']) => Steps<HeatTasks[K]['answer']> } = {
  risk({ sim, input }) {
    const refused = checkSimulation(sim) ?? checkRisk(input);
    // Views check before they ask: a request that gets here is a bug, and must not run for an hour.
    if (refused) throw new RangeError(`${refused.field} must lie between ${refused.min} and ${refused.max}`);
    return riskSteps(sim, input);
  },
  advise: adviceSteps,
  marks: marksSteps,
  shares: shareSteps,
  fit: (request) => fitSteps(request, leastSquares),
};

/** Longest stretch without hearing whether to stop, milliseconds. */
const STRETCH = 40;

/** Lets messages in. */
const pause = (): Promise<void> => new Promise((go) => setTimeout(go, 0));

/** The worker's side: works in stretches, so that a wish to stop is heard between them. */
export function createHeatApi(): HeatApi {
  /** Requests under way, and whether each may go on. */
  const goesOn = new Map<number, boolean>();
  return {
    async run(id, task, request, onProgress) {
      // The table pairs every task with its own request; the compiler cannot follow that through the index.
      const begin = STEPS[task] as (asked: typeof request) => Steps<HeatTasks[typeof task]['answer']>;
      const steps = begin(request);
      goesOn.set(id, true);
      try {
        let since = performance.now();
        for (let next = steps.next(); ; next = steps.next()) {
          if (next.done) return next.value;
          if (performance.now() - since < STRETCH) continue;
          onProgress(next.value);
          await pause();
          if (!goesOn.get(id)) return null;
          since = performance.now();
        }
      } finally {
        goesOn.delete(id);
      }
    },
    cancel(id) {
      if (goesOn.has(id)) goesOn.set(id, false);
    },
  };
}
