/** One row of a linear programme: coefficients · point ≤ bound. */
export interface Row {
  readonly coefficients: readonly number[];
  readonly atMost: number;
}

/** A point of a programme, and what its cost comes to there. */
interface Optimum {
  readonly point: readonly number[];
  readonly value: number;
}

/** A programme that stands open, to be asked for one cost after another. */
export interface OpenProgramme {
  /** The point of least cost; null where no point meets every row. */
  readonly least: (cost: readonly number[]) => Optimum | null;
  readonly close: () => void;
}

/** A solver of linear programmes, passed in: the core holds none. Points may be negative unless a row forbids it. */
export type LinearSolver = (columns: number, rows: readonly Row[]) => OpenProgramme;

/** Length 1 for every row, so that one tolerance of the solver fits all. */
export function normalised({ coefficients, atMost }: Row): Row {
  const length = Math.hypot(...coefficients);
  return { coefficients: coefficients.map((one) => one / length), atMost: atMost / length };
}

/** A ratio of two linear forms, each with a constant behind its coefficients: (n · point + n₀) ÷ (d · point + d₀). */
export interface LinearRatio {
  readonly over: readonly number[];
  readonly overPlus: number;
  readonly under: readonly number[];
  readonly underPlus: number;
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, one, at) => sum + one * (b[at] ?? 0), 0);

/** Rounds a ratio may take; each at least squares the error, so that a handful is many. */
const ROUNDS = 40;

/**
 * The least value of a ratio over a programme (Dinkelbach's method: linear programmes with the same rows, one after
 * another, until the ratio no longer falls).
 *
 * @param ratio - what stands under it must be above 0 at every point
 * @returns null where no point meets every row
 */
export function leastRatio({ least }: OpenProgramme, ratio: LinearRatio): number | null {
  const { over, overPlus, under, underPlus } = ratio;
  const at = (point: readonly number[]): number => (dot(over, point) + overPlus) / (dot(under, point) + underPlus);
  const start = least(over);
  if (!start) return null;
  let value = at(start.point);
  for (let round = 0; round < ROUNDS; round += 1) {
    const found = least(over.map((one, place) => one - value * (under[place] ?? 0)));
    if (!found) return null;
    const next = at(found.point);
    if (!(next < value - Math.abs(value) * 1e-12)) return Math.min(next, value);
    value = next;
  }
  return value;
}

/** The most, by the least of its negative. */
export function mostRatio(programme: OpenProgramme, ratio: LinearRatio): number | null {
  const negative = { ...ratio, over: ratio.over.map((one) => -one), overPlus: -ratio.overPlus };
  const found = leastRatio(programme, negative);
  return found === null ? null : -found;
}
