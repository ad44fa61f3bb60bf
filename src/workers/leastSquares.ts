import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import type { LeastSquares } from '../core/heat/run/fit.ts';

/**
 * Levenberg–Marquardt from the package, over residuals instead of a curve: each is a point whose value should be 0.
 *
 * @param sign - called at every vector that is tried: the package itself lets nobody in before it is done
 */
export const leastSquaresWith =
  (sign: () => void): LeastSquares =>
  (residuals, start) => {
    const count = residuals(start).length;
    const data = { x: Array.from({ length: count }, (_, at) => at), y: new Array<number>(count).fill(0) };
    const { parameterValues } = levenbergMarquardt(
      data,
      (at) => {
        sign();
        const list = residuals(at);
        return (place) => list[place] ?? 0;
      },
      {
        initialValues: [...start],
        damping: 0.1,
        gradientDifference: 1e-4,
        centralDifference: true,
        maxIterations: 60,
        errorTolerance: 1e-6,
        minValues: start.map(() => -3),
        maxValues: start.map(() => 3),
      },
    );
    return parameterValues;
  };
