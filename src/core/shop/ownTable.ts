import type { Cover, Order } from './cover.ts';
import type { Option, ShopProblem, Taken } from './problem.ts';

/** A need as the table has it: its own options by place, and the prices of what they leave. */
export interface TableNeed {
  readonly need: number;
  readonly own: readonly number[];
  readonly cover: Cover;
}

interface Cost {
  readonly first: number;
  readonly second: number;
}

/** One way to meet a need: own cards taken, those that other needs want too as a place in the table, and its cost. */
interface Way extends Cost {
  /** Own cards of each shared group. */
  readonly used: readonly number[];
  readonly at: number;
  readonly own: readonly Taken[];
  /** Minutes that are left to buy. */
  readonly minutes: number;
}

/** Most places of the table, ways of a need, and steps over all: beyond them it is for the solver. */
const MOST = { states: 200_000, ways: 20_000, steps: 60_000_000 } as const;

const isLess = (a: Cost, b: Cost): boolean => a.first < b.first || (a.first === b.first && a.second < b.second);

/** Groups of own cards that more than one option asks for: only of them the table has to keep count. */
interface Shared {
  readonly groups: readonly number[];
  readonly stocks: readonly number[];
  readonly strides: readonly number[];
  readonly states: number;
}

const ownOf = ({ parts }: Option, group: number): number =>
  parts.reduce((sum, { source, count }) => sum + (source.kind === 'owned' && source.group === group ? count : 0), 0);

function sharedGroups({ options, owned }: ShopProblem, needs: readonly TableNeed[]): Shared {
  const asked = new Map<number, number>();
  for (const { own } of needs)
    for (const at of own)
      for (const { source } of (options[at] as Option).parts)
        if (source.kind === 'owned') asked.set(source.group, (asked.get(source.group) ?? 0) + 1);
  const groups = [...asked].flatMap(([group, options]) => (options > 1 ? [group] : []));
  const stocks = groups.map((group) => owned[group]?.cardIds.length ?? 0);
  const strides = stocks.map((_, at) => stocks.slice(0, at).reduce((product, stock) => product * (stock + 1), 1));
  return { groups, stocks, strides, states: stocks.reduce((product, stock) => product * (stock + 1), 1) };
}

/** How often an option can be taken by the groups that only it asks for. */
function privateTimes({ parts }: Option, { owned }: ShopProblem, { groups }: Shared): number {
  const most = parts.flatMap(({ source, count }) =>
    source.kind === 'owned' && !groups.includes(source.group)
      ? [Math.floor((owned[source.group]?.cardIds.length ?? 0) / count)]
      : [],
  );
  return Math.min(Number.POSITIVE_INFINITY, ...most);
}

/** Every way to meet a need with own cards and what they leave bought, the least of each use of shared cards; null where there are too many. */
function waysOf(problem: ShopProblem, part: TableNeed, [first, second]: Order, shared: Shared): readonly Way[] | null {
  const { options, needs } = problem;
  const { groups, stocks, strides } = shared;
  const start: Way = { used: groups.map(() => 0), at: 0, own: [], minutes: needs[part.need] ?? 0, first: 0, second: 0 };
  let ways: readonly Way[] = [start];
  for (const place of part.own) {
    const option = options[place] as Option;
    const taking = groups.map((group) => ownOf(option, group));
    const most = privateTimes(option, problem, shared);
    // Of ways that leave the same minutes and the same shared cards one is enough.
    const next = new Map<string, Way>();
    const add = (way: Way): void => {
      const key = `${way.at} ${way.minutes}`;
      const known = next.get(key);
      if (!known || isLess(way, known)) next.set(key, way);
    };
    for (const way of ways) {
      add(way);
      for (let times = 1; times <= most && way.minutes - (times - 1) * option.minutes > 0; times += 1) {
        const used = way.used.map((count, at) => count + times * (taking[at] as number));
        if (used.some((count, at) => count > (stocks[at] as number))) break;
        add({
          used,
          at: used.reduce((sum, count, at) => sum + count * (strides[at] as number), 0),
          own: [...way.own, { option: place, times }],
          minutes: Math.max(0, way.minutes - times * option.minutes),
          first: way.first + times * option[first],
          second: way.second + times * option[second],
        });
      }
      if (next.size > MOST.ways) return null;
    }
    ways = [...next.values()];
  }
  const whole = ways.flatMap((way): Way[] => {
    const cost = part.cover.of(way.minutes);
    return cost ? [{ ...way, first: way.first + cost.first, second: way.second + cost.second }] : [];
  });
  return worthTaking(whole, strides);
}

/** The ways that cost less than each with fewer of the same shared cards. */
function worthTaking(ways: readonly Way[], strides: readonly number[]): readonly Way[] {
  const exact = new Map<number, Way>();
  for (const way of ways) {
    const known = exact.get(way.at);
    if (!known || isLess(way, known)) exact.set(way.at, way);
  }
  const size = ({ used }: Way): number => used.reduce((sum, count) => sum + count, 0);
  const least = new Map<number, Way>();
  return [...exact.values()]
    .sort((a, b) => size(a) - size(b))
    .filter((way) => {
      let under: Way | undefined;
      for (const [group, count] of way.used.entries()) {
        const before = count > 0 ? least.get(way.at - (strides[group] as number)) : undefined;
        if (before && (!under || isLess(before, under))) under = before;
      }
      const isWorth = !under || isLess(way, under);
      least.set(way.at, isWorth ? way : (under as Way));
      return isWorth;
    });
}

/** How many places of the table hold at least what a way takes. */
const holdingCount = ({ used }: Way, stocks: readonly number[]): number =>
  used.reduce((product, count, group) => product * ((stocks[group] as number) - count + 1), 1);

/** The best over every number of shared cards that are left, need by need; `none` where nothing meets all. */
function overStates(ways: readonly (readonly Way[])[], { stocks, strides, states }: Shared): readonly Way[] | 'none' {
  // Places of the table that hold at least what a way takes, written anew for each.
  let [places, spare] = [new Int32Array(states), new Int32Array(states)];
  const holding = (used: readonly number[]): number => {
    let count = 1;
    places[0] = 0;
    for (const [group, least] of used.entries()) {
      let next = 0;
      for (let at = 0; at < count; at += 1)
        for (let held = least; held <= (stocks[group] as number); held += 1) {
          spare[next] = (places[at] as number) + held * (strides[group] as number);
          next += 1;
        }
      [places, spare, count] = [spare, places, next];
    }
    return count;
  };
  let firsts = new Float64Array(states);
  let seconds = new Float64Array(states);
  const picks: Int32Array[] = [];
  for (const [at, mine] of ways.entries()) {
    const nextFirsts = new Float64Array(states).fill(Number.POSITIVE_INFINITY);
    const nextSeconds = new Float64Array(states).fill(Number.POSITIVE_INFINITY);
    const pick = new Int32Array(states).fill(-1);
    // Of the last need only the whole wallet is asked for.
    const from = at === ways.length - 1 ? states - 1 : 0;
    for (const [place, way] of mine.entries()) {
      const { used, first, second } = way;
      const count = from > 0 ? 1 : holding(used);
      if (from > 0) places[0] = from;
      for (let index = 0; index < count; index += 1) {
        const state = places[index] as number;
        const a = (firsts[state - way.at] as number) + first;
        if (a > (nextFirsts[state] as number)) continue;
        const b = (seconds[state - way.at] as number) + second;
        if (a === nextFirsts[state] && b >= (nextSeconds[state] as number)) continue;
        nextFirsts[state] = a;
        nextSeconds[state] = b;
        pick[state] = place;
      }
    }
    [firsts, seconds] = [nextFirsts, nextSeconds];
    picks.push(pick);
  }
  const chosen: Way[] = [];
  let state = states - 1;
  for (let at = ways.length - 1; at >= 0; at -= 1) {
    const way = ways[at]?.[picks[at]?.[state] ?? -1];
    if (!way || !Number.isFinite(way.first)) return 'none';
    chosen.unshift(way);
    state -= way.at;
  }
  return chosen;
}

/**
 * The least set, exactly: need by need over every number of own cards that several needs could take. Where those are few
 * enough that is a table of some thousand places, and needs no solver.
 *
 * @returns what is taken; `none` where own cards do not suffice and nothing is offered; null where the table would be too large
 */
export function byTable(
  problem: ShopProblem,
  needs: readonly TableNeed[],
  order: Order,
): readonly Taken[] | 'none' | null {
  const shared = sharedGroups(problem, needs);
  const { states, stocks } = shared;
  if (states > MOST.states) return null;
  const all: (readonly Way[])[] = [];
  for (const need of needs) {
    const found = waysOf(problem, need, order, shared);
    if (!found) return null;
    if (found.length === 0) return 'none';
    all.push(found);
  }
  const steps = all
    .slice(0, -1)
    .reduce((sum, mine) => sum + mine.reduce((all, way) => all + holdingCount(way, stocks), 0), 0);
  if (steps > MOST.steps) return null;
  const chosen = overStates(all, shared);
  if (chosen === 'none') return 'none';
  const times = new Map<number, number>();
  const take = (option: number, count: number): void => void times.set(option, (times.get(option) ?? 0) + count);
  for (const [at, way] of chosen.entries()) {
    for (const one of way.own) take(one.option, one.times);
    for (const [option, count] of needs[at]?.cover.taken(way.minutes) ?? []) take(option, count);
  }
  return [...times].map(([option, count]) => ({ option, times: count })).sort((a, b) => a.option - b.option);
}
