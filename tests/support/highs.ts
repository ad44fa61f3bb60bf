import { createRequire } from 'node:module';
import { join } from 'node:path';
import loadHighs from 'highs';
import { integerSolver } from '../../src/solving/integerSolver.ts';
import { linearSolver } from '../../src/solving/linearSolver.ts';

const require = createRequire(import.meta.url);

/** HiGHS itself, from the package’s own files. */
export const highs = await loadHighs({ locateFile: (file: string) => join(require.resolve('highs'), '..', file) });

/** The solver as the app’s worker has it. */
export const solve = linearSolver(highs);

/** Integer programmes as the app’s worker has them. */
export const solveWhole = integerSolver(highs);
