/**
 * Where a continuous function is zero between two places of opposite sign: false position with the Illinois step, which
 * keeps its bracket.
 *
 * @returns null where both ends have one sign, or a value there is not finite
 */
export function rootOf(f: (x: number) => number, from: number, to: number): number | null {
  let [a, b] = [from, to];
  let [fa, fb] = [f(a), f(b)];
  if (!Number.isFinite(fa) || !Number.isFinite(fb)) return null;
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) return null;
  let side = 0;
  let x = a;
  for (let step = 0; step < 200; step += 1) {
    x = (fa * b - fb * a) / (fa - fb);
    const fx = f(x);
    if (fx === 0 || Math.abs(b - a) <= 1e-12 * Math.max(1, Math.abs(x))) return x;
    if (fx > 0 === fb > 0) {
      b = x;
      fb = fx;
      if (side === -1) fa /= 2;
      side = -1;
    } else {
      a = x;
      fa = fx;
      if (side === 1) fb /= 2;
      side = 1;
    }
    if (Math.abs(fx) < 1e-11) return x;
  }
  return x;
}
