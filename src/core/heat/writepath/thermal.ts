/**
 * Two thermal nodes, card and body, under constant powers: C·T′ = P − (T − Tb) ÷ R and Cb·Tb′ = Pb + (T − Tb) ÷ R −
 * (Tb − ambient) ÷ Rb. Solved exactly: each temperature is T0 + k1·φ(λ1, t) + k2·φ(λ2, t) with φ(λ, t) = (e^λt − 1) ÷ λ,
 * which stays whole at λ = 0 (infinite resistance), where steady states do not exist.
 * @see derived: eigenvectors of the symmetric matrix in √C·T
 */
export interface Nodes {
  readonly cardCapacity: number;
  readonly bodyCapacity: number;
  /** Conductances, W/K; 0 where a resistance is infinite. */
  readonly cardConductance: number;
  readonly bodyConductance: number;
  readonly ambient: number;
}

/** The two exponentials by which a pair of thermal nodes moves, and how they turn into temperatures. */
export interface Modes {
  readonly slow: number;
  readonly fast: number;
  readonly cos: number;
  readonly sin: number;
  readonly rootCard: number;
  readonly rootBody: number;
}

/** One temperature as a function of time within a stretch of constant powers. */
export interface Curve {
  readonly start: number;
  readonly k1: number;
  readonly k2: number;
  readonly slow: number;
  readonly fast: number;
}

/** The modes of the two nodes; constant for a run. */
export function thermalModes(nodes: Nodes): Modes {
  const { cardCapacity: c, bodyCapacity: cb, cardConductance: g, bodyConductance: gb } = nodes;
  const a = -g / c;
  const d = -(g + gb) / cb;
  const b = g / Math.sqrt(c * cb);
  const half = (a - d) / 2;
  const fast = (a + d) / 2 - Math.hypot(half, b);
  // Product of the two; taking the difference instead would lose the slow one's digits.
  const slow = fast === 0 ? 0 : (g * gb) / (c * cb) / fast;
  const angle = Math.atan2(2 * b, a - d) / 2;
  return { slow, fast, cos: Math.cos(angle), sin: Math.sin(angle), rootCard: Math.sqrt(c), rootBody: Math.sqrt(cb) };
}

/** The curves of both temperatures from a state, under constant powers in watts. */
// biome-ignore lint/complexity/useMaxParams: called at every event of thousands of runs, which make no objects
export function curves(
  nodes: Nodes,
  modes: Modes,
  card: number,
  body: number,
  cardW: number,
  bodyW: number,
): { readonly card: Curve; readonly body: Curve } {
  const { cos, sin, rootCard, rootBody, slow, fast } = modes;
  const flow = (card - body) * nodes.cardConductance;
  // The slopes at the start, in the scaled variables, projected on the modes: λ·y + g of each.
  const slopeCard = (cardW - flow) / rootCard;
  const slopeBody = (bodyW + flow - (body - nodes.ambient) * nodes.bodyConductance) / rootBody;
  const first = slopeCard * cos + slopeBody * sin;
  const second = -slopeCard * sin + slopeBody * cos;
  return {
    card: { start: card, k1: (first * cos) / rootCard, k2: (-second * sin) / rootCard, slow, fast },
    body: { start: body, k1: (first * sin) / rootBody, k2: (second * cos) / rootBody, slow, fast },
  };
}

const phi = (rate: number, t: number): number => {
  const x = rate * t;
  return Math.abs(x) < 1e-9 ? t * (1 + x / 2) : Math.expm1(x) / rate;
};

/** A value that relaxes towards its end, after some seconds. */
export const valueAt = ({ start, k1, k2, slow, fast }: Curve, t: number): number =>
  start + k1 * phi(slow, t) + k2 * phi(fast, t);

/** The one time after the start at which the curve may turn; null where it runs one way only. */
function turningPoint({ k1, k2, slow, fast }: Curve): number | null {
  if (k1 === 0 || k2 === 0 || k1 > 0 === k2 > 0 || slow === fast) return null;
  const t = Math.log(-k2 / k1) / (slow - fast);
  return t > 0 && Number.isFinite(t) ? t : null;
}

/** The highest value in [0, t]. */
export function highestTo(curve: Curve, t: number): number {
  const turn = turningPoint(curve);
  const ends = Math.max(curve.start, valueAt(curve, t));
  return turn !== null && turn < t ? Math.max(ends, valueAt(curve, turn)) : ends;
}

const slopeAt = ({ k1, k2, slow, fast }: Curve, t: number): number => k1 * Math.exp(slow * t) + k2 * Math.exp(fast * t);

/** Finds where a stretch that runs one way meets a level: Newton's steps, halved where one would leave the bracket. */
function crossing(curve: Curve, level: number, [from, to]: readonly [number, number], rising: boolean): number {
  let [low, high] = [from, to];
  let t = (low + high) / 2;
  for (let step = 0; step < 200 && high - low > 1e-12 * Math.max(1, high); step += 1) {
    const value = valueAt(curve, t) - level;
    if (value >= 0 === rising) high = t;
    else low = t;
    const newton = t - value / slopeAt(curve, t);
    if (Math.abs(newton - t) <= 1e-13 * Math.max(1, t)) return newton;
    t = newton > low && newton < high ? newton : (low + high) / 2;
  }
  return high;
}

/**
 * The first time in (0, limit] at which the curve reaches a level from the side named; null where it does not. The curve
 * turns at most once, so each side of the turn is searched alone: a level met and left again inside a stretch is found.
 */
export function firstReach(curve: Curve, level: number, rising: boolean, limit: number): number | null {
  const beyond = (t: number): boolean => (rising ? valueAt(curve, t) >= level : valueAt(curve, t) <= level);
  const turn = turningPoint(curve);
  const stops = turn !== null && turn < limit ? [turn, limit] : [limit];
  let from = 0;
  for (const to of stops) {
    if (beyond(to)) return crossing(curve, level, [from, to], rising);
    from = to;
  }
  return null;
}
