import { type Steps, within } from '../../steps.ts';
import { medianOf } from './stretches.ts';

/** A stretch of bins at one level, or on one falling line. */
export interface Level {
  readonly from: number;
  readonly to: number;
  readonly MBps: number;
  /** Both ends of the line of a decline; null for a level. */
  readonly line: { readonly first: number; readonly last: number } | null;
}

/** Bins that took next to nothing. */
export interface Dip {
  readonly from: number;
  readonly to: number;
}

/** How long to each side is looked at for what stands around a bin, seconds, and the fewest bins. */
const AROUND = { seconds: 15, bins: 15 };
/** Below this share of what stands around it a card takes next to nothing [A]. */
const NOTHING = 0.1;
/** Below this share a bin or two is a stall that ended within them [A]. */
const BRIEF = 0.5;
/** Shortest level, bins: less cannot be told from a stray value. */
const SHORTEST = 3;
/** From the median absolute deviation to the standard deviation of normal noise. */
const MAD = 1.4826;

/** Middle value of the bins around each, `half` to each side. */
function runningMedian(values: Float64Array, half: number): Float64Array {
  const { length } = values;
  return values.map((_, at) => medianOf(values.slice(Math.max(0, at - half), Math.min(length, at + half + 1))));
}

/**
 * Noise around each bin, from the differences of neighbours, which no level enters; a slower wander raises all of it, so that
 * it is not taken for changes.
 */
function noiseOf(values: Float64Array): Float64Array {
  const { length } = values;
  const apart = (lag: number): Float64Array =>
    Float64Array.from({ length: Math.max(0, length - lag) }, (_, at) =>
      Math.abs((values[at + lag] as number) - (values[at] as number)),
    );
  const near = apart(1);
  const middle = medianOf(near.slice());
  const wander = [2, 4, 8].map((lag) => (length > 4 * lag ? medianOf(apart(lag)) / (middle || 1) : 1));
  const raised = Math.min(3, Math.max(1, ...wander));
  const around = runningMedian(near, Math.max(50, length >> 4));
  const level = medianOf(values.slice());
  return values.map((_, at) => {
    const own = ((around[Math.min(at, around.length - 1)] ?? 0) * MAD * raised) / Math.SQRT2;
    // A log of rounded figures has no noise to measure.
    return Math.max(own, 0.002 * level, 1e-6);
  });
}

/**
 * Bins that took next to nothing beside those around them, or beside the whole; not the first or last, which may be parts of a
 * second.
 */
export function dipsOf(bins: Float64Array, binSeconds: number): readonly Dip[] {
  if (bins.length < 5) return [];
  const reach = Math.max(AROUND.bins, Math.min(bins.length >> 2, Math.round(AROUND.seconds / binSeconds)));
  const around = runningMedian(bins, reach);
  const whole = medianOf(bins.slice());
  const dips: Dip[] = [];
  const share = (at: number): number => {
    const usual = Math.max(around[at] as number, NOTHING * whole);
    return usual > 0 ? (bins[at] as number) / usual : 1;
  };
  const isNothing = (at: number): boolean => (bins[at] as number) < NOTHING * whole;
  const isLow = (at: number): boolean => share(at) < BRIEF || isNothing(at);
  for (let at = 0; at < bins.length; at += 1) {
    if (!isLow(at)) continue;
    let to = at + 1;
    while (to < bins.length && isLow(to)) to += 1;
    let lowest = 1;
    let nothing = 0;
    for (let bin = at; bin < to; bin += 1) {
      lowest = Math.min(lowest, share(bin));
      if (isNothing(bin)) nothing += 1;
    }
    const isInside = at > 0 && to < bins.length;
    const isDeep = (lowest < NOTHING && to - at <= reach) || nothing >= to - at - 2;
    if (isInside && (to - at <= 2 || isDeep)) dips.push({ from: at, to });
    at = to;
  }
  return dips;
}

/** A straight line through bins, and what it leaves unexplained. */
interface Fitted {
  readonly cost: number;
  readonly at: (bin: number) => number;
}

/** What levels and lines over any stretch leave unexplained, in a few operations each. */
interface Costs {
  readonly level: (from: number, to: number) => number;
  readonly line: (from: number, to: number) => Fitted;
}

/** Sums over bins from the first on, weighted by the noise. */
function costsOf(values: Float64Array, noise: Float64Array): Costs {
  const summed = (term: (at: number, value: number) => number): ((from: number, to: number) => number) => {
    const sums = new Float64Array(values.length + 1);
    for (let at = 0; at < values.length; at += 1)
      sums[at + 1] = (sums[at] as number) + term(at, values[at] as number) / (noise[at] as number) ** 2;
    return (from, to) => (sums[to] as number) - (sums[from] as number);
  };
  const w = summed(() => 1);
  const x = summed((at) => at);
  const xx = summed((at) => at * at);
  const y = summed((_, value) => value);
  const yy = summed((_, value) => value * value);
  const xy = summed((at, value) => at * value);
  const level = (from: number, to: number): number => yy(from, to) - y(from, to) ** 2 / w(from, to);
  return {
    level,
    line(from, to) {
      const weight = w(from, to);
      const middle = x(from, to) / weight;
      const mean = y(from, to) / weight;
      const spread = xx(from, to) - weight * middle * middle;
      const slope = spread > 0 ? (xy(from, to) - weight * middle * mean) / spread : 0;
      return { cost: level(from, to) - slope * slope * spread, at: (bin) => mean + slope * (bin - middle) };
    },
  };
}

/** Cheapest cut into levels where each further level costs `price`; optimal partitioning, pruned. */
function* cheapest(values: Float64Array, noise: Float64Array, price: number): Steps<readonly number[]> {
  const { length } = values;
  const [w, y, yy] = [new Float64Array(length + 1), new Float64Array(length + 1), new Float64Array(length + 1)];
  for (let at = 0; at < length; at += 1) {
    const weight = 1 / (noise[at] as number) ** 2;
    const value = values[at] as number;
    w[at + 1] = (w[at] as number) + weight;
    y[at + 1] = (y[at] as number) + weight * value;
    yy[at + 1] = (yy[at] as number) + weight * value * value;
  }
  const best = new Float64Array(length + 1);
  const before = new Int32Array(length + 1);
  best[0] = -price;
  // Where the last level may begin; those that no later end can make cheapest are dropped.
  const open = new Int32Array(length + 1);
  const sums = new Float64Array(length + 1);
  let count = 1;
  for (let to = SHORTEST; to <= length; to += 1) {
    const [wTo, yTo, yyTo] = [w[to] as number, y[to] as number, yy[to] as number];
    let least = Number.POSITIVE_INFINITY;
    let chosen = 0;
    for (let at = 0; at < count; at += 1) {
      const from = open[at] as number;
      const part = yTo - (y[from] as number);
      const sum = (best[from] as number) + yyTo - (yy[from] as number) - (part * part) / (wTo - (w[from] as number));
      sums[at] = sum;
      if (sum < least) [least, chosen] = [sum, from];
    }
    best[to] = least + price;
    before[to] = chosen;
    let kept = 0;
    for (let at = 0; at < count; at += 1)
      if ((sums[at] as number) <= least + price) {
        open[kept] = open[at] as number;
        kept += 1;
      }
    count = kept;
    if (to - SHORTEST + 1 >= SHORTEST) {
      open[count] = to - SHORTEST + 1;
      count += 1;
    }
    if (to % 64 === 0) yield to / length;
  }
  const cuts: number[] = [];
  for (let to = length; to > 0; to = before[to] as number) cuts.unshift(to);
  return [0, ...cuts];
}

/** Stray values drawn in to what the middle of their neighbours and the noise allow, so that one of them makes no level. */
function tamed(values: Float64Array, noise: Float64Array): Float64Array {
  const middle = runningMedian(values, 3);
  return values.map((value, at) => {
    const room = 3 * (noise[at] as number);
    return Math.min((middle[at] as number) + room, Math.max((middle[at] as number) - room, value));
  });
}

/** A bin in which the rate changed lies between both sides: it is given to the nearer, and makes no level of its own. */
function sharpened(values: Float64Array, noise: Float64Array): Float64Array {
  const sharp = values.slice();
  for (let at = 1; at < values.length - 1; at += 1) {
    const left = medianOf(sharp.slice(Math.max(0, at - 3), at));
    const right = medianOf(values.slice(at + 1, at + 4));
    const value = values[at] as number;
    const [toLeft, toRight] = [Math.abs(value - left), Math.abs(value - right)];
    const isBetween = (value - left) * (value - right) < 0;
    if (isBetween && Math.min(toLeft, toRight) > 2 * (noise[at] as number)) sharp[at] = toLeft < toRight ? left : right;
  }
  return sharp;
}

/**
 * Levels of a series of bins, in order and without holes. Robust: noise and levels are medians, a stray value moves neither.
 * What a new level must explain grows with the noise and the length of the series alone.
 */
export function* levelSteps(values: Float64Array): Steps<readonly Level[]> {
  const { length } = values;
  const price = 4.5 * Math.log(Math.max(length, 20));
  let noise = noiseOf(values);
  let calm = values;
  let cuts: readonly number[] = [0, length];
  // Noise mostly grows with the rate: the first search finds the levels, the second goes by the noise of each.
  for (const share of [0, 0.5]) {
    if (share > 0) noise = noiseWithin(calm, cuts, noise);
    calm = tamed(sharpened(values, noise), noise);
    if (length >= 2 * SHORTEST) cuts = yield* within(share, share + 0.5, cheapest(calm, noise, price));
  }
  const costs = costsOf(calm, noise);
  const parts = cuts.slice(1).map((to, at): Level => {
    const from = cuts[at] as number;
    return { from, to, MBps: middleOf(calm, from, to), line: null };
  });
  const levels: Level[] = [];
  for (let at = 0; at < parts.length; ) {
    const falling = declineFrom(parts, at, costs, price);
    const one = parts[at] as Level;
    levels.push(falling ?? one);
    at = falling ? parts.findIndex(({ to }) => to === falling.to) + 1 : at + 1;
  }
  return levels;
}

/** Mean of some bins without their outer quarter: nearly as steady as a mean, and no stray value moves it. */
function middleOf(values: Float64Array, from: number, to: number): number {
  const sorted = values.slice(from, to).sort();
  const cut = Math.floor(sorted.length / 8);
  let sum = 0;
  for (let at = cut; at < sorted.length - cut; at += 1) sum += sorted[at] as number;
  return sum / (sorted.length - 2 * cut);
}

/** Bins from which on the noise of a level is its own. */
const ENOUGH = 20;

/** Noise within each level. A short one is given the share of its rate that the others have: its own says too little. */
function noiseWithin(values: Float64Array, cuts: readonly number[], before: Float64Array): Float64Array {
  const noise = before.slice();
  const parts = cuts.slice(1).map((to, at) => {
    const from = cuts[at] as number;
    const apart = Float64Array.from({ length: Math.max(0, to - from - 1) }, (_, bin) =>
      Math.abs((values[from + bin + 1] as number) - (values[from + bin] as number)),
    );
    const isLong = apart.length >= ENOUGH;
    return {
      from,
      to,
      isLong,
      isSure: apart.length >= 3 * ENOUGH,
      own: (medianOf(apart) * MAD) / Math.SQRT2,
      MBps: middleOf(values, from, to),
    };
  });
  const shares = parts.filter(({ isLong, MBps }) => isLong && MBps > 0).map(({ own, MBps }) => own / MBps);
  const share = shares.length > 0 ? Math.max(...shares) : 0;
  for (const { from, to, isLong, isSure, own, MBps } of parts)
    for (let bin = from; bin < to; bin += 1) {
      const known = before[bin] as number;
      noise[bin] = isSure
        ? Math.max(own, known / 3)
        : Math.max(isLong ? own : own || 0, isLong ? known / 3 : known, share * MBps);
    }
  return noise;
}

/** Steps down that a straight line explains as well; also one level that falls within itself. Null where it is none. */
function declineFrom(parts: readonly Level[], at: number, costs: Costs, price: number): Level | null {
  const first = parts[at] as Level;
  let found: Level | null = null;
  let stairs = 0;
  for (let last = at; last < parts.length; last += 1) {
    const part = parts[last] as Level;
    if (last > at && part.MBps >= (parts[last - 1] as Level).MBps) break;
    stairs += costs.level(part.from, part.to);
    const line = costs.line(first.from, part.to);
    const ends = { first: line.at(first.from), last: line.at(part.to - 1) };
    const gains = last === at ? line.cost + price <= stairs : line.cost <= stairs + 4;
    // A fall that no one would plan by is left a level.
    if (!gains || ends.last > 0.93 * ends.first || ends.last < 0) continue;
    found = { from: first.from, to: part.to, MBps: (ends.first + ends.last) / 2, line: ends };
  }
  return found;
}
