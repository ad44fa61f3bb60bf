/** A half-space: coefficients · point ≤ bound. */
export interface HalfSpace {
  readonly normal: readonly [number, number, number];
  readonly bound: number;
}

type Point = readonly [number, number, number];

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, at) => sum + value * (b[at] ?? 0), 0);

/** Length 1 for every normal, so that one tolerance fits all. */
function normalised(spaces: readonly HalfSpace[]): readonly HalfSpace[] {
  return spaces.map(({ normal, bound }) => {
    const length = Math.hypot(...normal);
    return { normal: [normal[0] / length, normal[1] / length, normal[2] / length], bound: bound / length };
  });
}

/** Where three planes meet (Cramer's rule); null where they do not meet in one point. */
function meet(a: HalfSpace, b: HalfSpace, c: HalfSpace): Point | null {
  const [p, q, r] = [a.normal, b.normal, c.normal];
  const cross = (u: Point, v: Point): Point => [
    u[1] * v[2] - u[2] * v[1],
    u[2] * v[0] - u[0] * v[2],
    u[0] * v[1] - u[1] * v[0],
  ];
  const determinant = dot(p, cross(q, r));
  if (Math.abs(determinant) < 1e-12) return null;
  const [x, y, z] = [cross(q, r), cross(r, p), cross(p, q)];
  const at = (axis: 0 | 1 | 2): number => (a.bound * x[axis] + b.bound * y[axis] + c.bound * z[axis]) / determinant;
  return [at(0), at(1), at(2)];
}

/**
 * The corners of the space where all half-spaces overlap; empty where they do not. Every triple of planes is tried:
 * exact enough and quick for the few dozen planes of a counter's readings.
 *
 * @param tolerance - how far outside a plane a corner may lie, in normalised units
 */
export function corners(spaces: readonly HalfSpace[], tolerance = 1e-9): readonly Point[] {
  const planes = normalised(spaces);
  const found: Point[] = [];
  for (let i = 0; i < planes.length; i += 1) {
    for (let j = i + 1; j < planes.length; j += 1) {
      for (let k = j + 1; k < planes.length; k += 1) {
        const [a, b, c] = [planes[i], planes[j], planes[k]];
        const point = a && b && c ? meet(a, b, c) : null;
        if (point && planes.every(({ normal, bound }) => dot(normal, point) <= bound + tolerance)) found.push(point);
      }
    }
  }
  return found;
}
