import { counterRateSteps, decodeSteps } from '../core/bodies/counter/counter.ts';
import type { LinearSolver } from '../core/bodies/counter/linear.ts';
import type { SolverTasks } from './solver.protocol.ts';
import type { TaskSteps } from './taskApi.ts';

/**
 * Every task of the solver worker.
 *
 * @param load - loads the solver, once
 */
export const solverTasks = (load: () => Promise<LinearSolver>): TaskSteps<SolverTasks> => ({
  decode: async ({ body, counters, capacityGB }) => decodeSteps(body, counters, capacityGB, await load()),
  counterRate: async ({ body, counters, modeId }) => counterRateSteps(body, counters, modeId, await load()),
});
