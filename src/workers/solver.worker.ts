import { expose } from 'comlink';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import { integerSolver } from '../solving/integerSolver.ts';
import { linearSolver } from '../solving/linearSolver.ts';
import { type Solvers, solverTasks } from './solver.tasks.ts';
import { createTaskApi } from './taskApi.ts';

let solver: Promise<Solvers> | null = null;

/** The solver's code is three megabytes: it is loaded when something is first to be solved. */
const load = (): Promise<Solvers> => {
  solver ??= loadHighs({ locateFile: () => wasm }).then((highs) => ({
    linear: linearSolver(highs),
    whole: integerSolver(highs),
  }));
  return solver;
};

expose(createTaskApi(solverTasks(load)));
