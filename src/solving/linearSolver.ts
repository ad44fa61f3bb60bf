import type { Highs } from 'highs';
import type { LinearSolver } from '../core/bodies/counter/linear.ts';

/** Linear programmes by HiGHS: the rows are handed over once, each further cost starts from the point of the last. */
export const linearSolver =
  (highs: Highs): LinearSolver =>
  (columns, rows) => {
    const { infinity } = highs;
    const entries = rows.map(({ coefficients }) =>
      coefficients.flatMap((value, at) => (value === 0 ? [] : [{ at, value }])),
    );
    const starts = [0];
    for (const row of entries) starts.push((starts.at(-1) ?? 0) + row.length);
    const model = highs.createModel({
      numCols: columns,
      numRows: rows.length,
      colCost: new Array<number>(columns).fill(0),
      colLower: new Array<number>(columns).fill(-infinity),
      colUpper: new Array<number>(columns).fill(infinity),
      rowLower: new Array<number>(rows.length).fill(-infinity),
      rowUpper: rows.map(({ atMost }) => atMost),
      matrix: {
        format: 'csr',
        numRows: rows.length,
        numCols: columns,
        starts,
        indices: entries.flatMap((row) => row.map(({ at }) => at)),
        values: entries.flatMap((row) => row.map(({ value }) => value)),
      },
    });
    model.options.set({ output_flag: false });
    return {
      least(cost) {
        model.changeColsCost({ kind: 'range', from: 0, to: columns - 1 }, cost);
        model.run();
        if (model.getModelStatus() !== highs.constants.modelStatus.optimal) return null;
        const point = [...model.getSolution().colValue];
        return { point, value: point.reduce((sum, one, at) => sum + one * (cost[at] ?? 0), 0) };
      },
      close: () => model.dispose(),
    };
  };
