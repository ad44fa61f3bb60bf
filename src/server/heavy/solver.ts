import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import loadHighs from 'highs';
import type { IntegerSolver } from '../../core/shop/programme.ts';
import { integerSolver } from '../../solving/integerSolver.ts';

const require = createRequire(import.meta.url);

let solver: Promise<IntegerSolver> | null = null;

/** The solver beside its own files; its code is three megabytes and is read when something is first to be solved. */
export const wholeSolver = (): Promise<IntegerSolver> => {
  solver ??= loadHighs({ locateFile: (file: string) => join(dirname(require.resolve('highs')), file) }).then(
    integerSolver,
  );
  return solver;
};
