import type { Highs } from 'highs';
import type { IntegerSolver } from '../core/shop/programme.ts';

/** Integer programmes by HiGHS, each from nothing: they are small, and proven to the last whole number. */
export const integerSolver =
  (highs: Highs): IntegerSolver =>
  ({ most, cost, rows }, seconds) => {
    const { infinity } = highs;
    const bounded = (value: number): number => (Number.isFinite(value) ? value : Math.sign(value) * infinity);
    const starts = [0];
    for (const { entries } of rows) starts.push((starts.at(-1) ?? 0) + entries.length);
    const model = highs.createModel({
      numCols: cost.length,
      numRows: rows.length,
      colCost: [...cost],
      colLower: cost.map(() => 0),
      colUpper: most.map(bounded),
      rowLower: rows.map(({ atLeast }) => bounded(atLeast)),
      rowUpper: rows.map(({ atMost }) => bounded(atMost)),
      integrality: cost.map(() => highs.constants.variableType.integer),
      matrix: {
        format: 'csr',
        numRows: rows.length,
        numCols: cost.length,
        starts,
        indices: rows.flatMap(({ entries }) => entries.map(([column]) => column)),
        values: rows.flatMap(({ entries }) => entries.map(([, value]) => value)),
      },
    });
    try {
      // Costs are whole: a gap below one is none.
      model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 0, mip_abs_gap: 0.5 });
      model.run();
      const { optimal, infeasible } = highs.constants.modelStatus;
      const status = model.getModelStatus();
      if (status === infeasible) return { end: 'impossible', point: null, bound: Number.POSITIVE_INFINITY };
      const bound = Number(model.info.get('mip_dual_bound'));
      const found = Number(model.info.get('primal_solution_status')) === highs.constants.solutionStatus.feasible;
      return {
        end: status === optimal ? 'proven' : 'stopped',
        point: found ? [...model.getSolution().colValue] : null,
        bound: Number.isFinite(bound) && Math.abs(bound) < infinity ? bound : 0,
      };
    } finally {
      model.dispose();
    }
  };
