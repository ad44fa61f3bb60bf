import type { Option } from './problem.ts';

/** What a set is measured by. */
export type Measure = 'cents' | 'cards';
/** The measure that decides, and the one between equals. */
export type Order = readonly [Measure, Measure];

/** The least that so many minutes can be bought for. */
interface Cost {
  readonly first: number;
  readonly second: number;
}

/** What any number of minutes of one need costs, everything bought. */
export interface Cover {
  /** The least for at least so many whole minutes; null where nothing can be bought. */
  readonly of: (minutes: number) => Cost | null;
  /** Which options that is, by place, each once for every time it is taken. */
  readonly taken: (minutes: number) => ReadonlyMap<number, number>;
}

const NOTHING: Cover = { of: (minutes) => (minutes <= 0 ? { first: 0, second: 0 } : null), taken: () => new Map() };

/**
 * The least cost of every number of minutes up to a most, by the options of one need: an unbounded knapsack turned around,
 * minute by minute. Beyond a point all that comes on top is the option that costs the least a minute: as many others as that one
 * has minutes always hold some that it could stand in for.
 *
 * @param places - the options that may be taken, each for its minutes
 */
export function cover(
  options: readonly Option[],
  places: readonly number[],
  [first, second]: Order,
  most: number,
): Cover {
  const chosen = places.map((at) => options[at] as Option);
  if (chosen.length === 0) return NOTHING;
  const cheapest = chosen.reduce((best, one) => {
    const byFirst = one[first] * best.minutes - best[first] * one.minutes;
    const bySecond = one[second] * best.minutes - best[second] * one.minutes;
    return byFirst < 0 || (byFirst === 0 && bySecond < 0) ? one : best;
  });
  const longest = Math.max(...chosen.map(({ minutes }) => minutes));
  const limit = Math.min(most, cheapest.minutes * longest + longest);
  const firsts = new Float64Array(limit + 1);
  const seconds = new Float64Array(limit + 1);
  const picks = new Int32Array(limit + 1).fill(-1);
  const sizes = chosen.map(({ minutes }) => minutes);
  const costs = chosen.map((one) => one[first]);
  const others = chosen.map((one) => one[second]);
  for (let minutes = 1; minutes <= limit; minutes += 1) {
    let [least, then, pick] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, -1];
    for (let at = 0; at < sizes.length; at += 1) {
      const before = Math.max(0, minutes - (sizes[at] as number));
      const a = (firsts[before] as number) + (costs[at] as number);
      if (a > least) continue;
      const b = (seconds[before] as number) + (others[at] as number);
      if (a < least || b < then) [least, then, pick] = [a, b, at];
    }
    firsts[minutes] = least;
    seconds[minutes] = then;
    picks[minutes] = pick;
  }
  /** How often the cheapest comes on top, and what is left below the limit. */
  const parted = (minutes: number): readonly [number, number] => {
    const over = Math.max(0, Math.ceil((minutes - limit) / cheapest.minutes));
    return [over, Math.max(0, minutes - over * cheapest.minutes)];
  };
  return {
    of(minutes) {
      const [over, left] = parted(minutes);
      return {
        first: (firsts[left] as number) + over * cheapest[first],
        second: (seconds[left] as number) + over * cheapest[second],
      };
    },
    taken(minutes) {
      const [over, rest] = parted(minutes);
      const found = new Map<number, number>();
      const take = (place: number, times: number): void => {
        if (times > 0) found.set(place, (found.get(place) ?? 0) + times);
      };
      take(places[chosen.indexOf(cheapest)] as number, over);
      for (let left = rest; left > 0; ) {
        const pick = picks[left] as number;
        take(places[pick] as number, 1);
        left -= sizes[pick] as number;
      }
      return found;
    },
  };
}
