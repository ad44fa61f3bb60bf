import { expose } from 'comlink';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import type { LinearSolver } from '../core/bodies/counter/linear.ts';
import { linearSolver } from './linearSolver.ts';
import { solverTasks } from './solver.tasks.ts';
import { createTaskApi } from './taskApi.ts';

let solver: Promise<LinearSolver> | null = null;

/** The solver's code is three megabytes: it is loaded when something is first to be solved. */
const load = (): Promise<LinearSolver> => {
  solver ??= loadHighs({ locateFile: () => wasm }).then(linearSolver);
  return solver;
};

expose(createTaskApi(solverTasks(load)));
