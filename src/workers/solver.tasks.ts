import { counterRateSteps, decodeSteps } from '../core/bodies/counter/counter.ts';
import type { LinearSolver } from '../core/bodies/counter/linear.ts';
import type { IntegerSolver } from '../core/shop/programme.ts';
import type { SolverTasks } from './solver.protocol.ts';
import type { TaskSteps } from './taskApi.ts';

/** The solver as it is handed to the core. */
export interface Solvers {
  readonly linear: LinearSolver;
  readonly whole: IntegerSolver;
}

/** Without any time the solver is not even loaded: what a table of own cards does not answer stays unproven. */
const wholeIn = async (seconds: number, load: () => Promise<Solvers>): Promise<IntegerSolver> =>
  seconds > 0 ? (await load()).whole : () => ({ end: 'stopped', point: null, bound: 0 });

/**
 * Every task of the solver worker.
 *
 * @param load - loads the solver, once
 */
export const solverTasks = (load: () => Promise<Solvers>): TaskSteps<SolverTasks> => ({
  decode: async ({ body, counters, capacityGB }) => decodeSteps(body, counters, capacityGB, (await load()).linear),
  counterRate: async ({ body, counters, modeId }) => counterRateSteps(body, counters, modeId, (await load()).linear),
  async shop({ input, seconds }) {
    const [{ shopSteps }, whole] = await Promise.all([import('../core/shop/sets.ts'), wholeIn(seconds, load)]);
    return shopSteps(input, whole, seconds);
  },
  async shopAround({ input, seconds }) {
    const [{ aroundSteps }, whole] = await Promise.all([import('../core/shop/whatIf.ts'), wholeIn(seconds, load)]);
    return aroundSteps(input, whole, seconds);
  },
});
