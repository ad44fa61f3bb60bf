/** The part of odex that is used; its own typings are sources that do not compile under strict rules. */
export class Solver {
  constructor(dimension: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  solve(
    f: (x: number, y: readonly number[]) => number[],
    from: number,
    y0: readonly number[],
    to: number,
  ): { readonly y: readonly number[] };
}
