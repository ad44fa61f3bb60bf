import { entryAt } from '../entryAt.ts';
import type { Steps } from '../steps.ts';
import { type Cover, cover, type Measure, type Order } from './cover.ts';
import { byTable } from './ownTable.ts';
import { AIMS, type Aim, type Choice, choiceOf, meets, type Option, type ShopProblem, type Taken } from './problem.ts';
import type { IntegerSolver, ProgrammeRow } from './programme.ts';

/** A set chosen by one aim. */
export interface ChosenSet extends Choice {
  readonly aim: Aim;
  /** Whether no set is better by this aim, nor by what decides between equals. */
  readonly optimal: boolean;
  /** No set is better than this by the aim's own measure: hundredths, cards or minutes. */
  readonly bound: number;
}

const NO_LIMIT = Number.POSITIVE_INFINITY;

const isOwn = ({ parts }: Option): boolean => parts.some(({ source }) => source.kind === 'owned');

/**
 * The bought options worth looking at under a cap of minutes: none for which another of the same need lasts as long, costs
 * no more and is no more cards. A set that takes one of them would be no worse with the other.
 */
function worthBuying({ options }: ShopProblem, need: number, most: number): readonly number[] {
  const order = options
    .flatMap((option, at) => (option.need === need && option.minutes <= most && option.minutes > 0 ? [at] : []))
    .filter((at) => !isOwn(entryAt(options, at)))
    .sort((a, b) => {
      const [one, other] = [entryAt(options, a), entryAt(options, b)];
      return other.minutes - one.minutes || one.cents - other.cents || one.cards - other.cards || a - b;
    });
  const kept: number[] = [];
  for (const at of order) {
    const one = entryAt(options, at);
    const beaten = kept.some((other) => {
      const { cents, cards } = entryAt(options, other);
      return cents <= one.cents && cards <= one.cards;
    });
    if (!beaten) kept.push(at);
  }
  return kept;
}

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** One way to buy what own cards leave of a need: for so many minutes, at the least. */
interface Rest {
  readonly minutes: number;
  readonly first: number;
  readonly second: number;
}

/** A need as the programme has it: own cards by their place, and what the rest of it can cost. */
interface NeedPart {
  readonly need: number;
  readonly own: readonly number[];
  /** Worked out when the solver is asked. */
  readonly rests: () => readonly Rest[];
  readonly cover: Cover;
}

/** How often an own option can be taken at the most. */
function mostTimes({ needs, owned }: ShopProblem, { need, minutes, parts }: Option): number {
  const stock = parts.map(({ source, count }) =>
    source.kind === 'owned' ? Math.floor((owned[source.group]?.cardIds.length ?? 0) / count) : NO_LIMIT,
  );
  return Math.min(Math.ceil((needs[need] ?? 0) / minutes), ...stock);
}

/** The minutes that own cards may leave of a need, whichever of them are taken: nothing else has to have a price. */
function leftovers(problem: ShopProblem, wanted: number, own: readonly number[]): readonly number[] {
  let left = new Set([wanted]);
  for (const at of own) {
    const option = entryAt(problem.options, at);
    const most = mostTimes(problem, option);
    const next = new Set<number>();
    for (const minutes of left)
      for (let times = 0; times <= most; times += 1) next.add(Math.max(0, minutes - times * option.minutes));
    left = next;
  }
  return [...left].sort((a, b) => a - b);
}

/** Own cards of a need, and the prices of what they may leave: of equal prices the most minutes. */
function partOf(problem: ShopProblem, need: number, order: Order, most: number): NeedPart {
  const wanted = problem.needs[need] ?? 0;
  const own = problem.options.flatMap((option, at) =>
    option.need === need && option.minutes <= most && option.minutes > 0 && isOwn(option) ? [at] : [],
  );
  const priced = cover(problem.options, worthBuying(problem, need, most), order, wanted);
  return { need, own, rests: () => restsOf(problem, wanted, own, priced), cover: priced };
}

function restsOf(problem: ShopProblem, wanted: number, own: readonly number[], priced: Cover): readonly Rest[] {
  const rests: Rest[] = [];
  for (const minutes of leftovers(problem, wanted, own)) {
    const cost = priced.of(minutes);
    if (!cost) continue;
    const last = rests.at(-1);
    if (last && last.first === cost.first && last.second === cost.second) rests.pop();
    rests.push({ minutes, ...cost });
  }
  return rests;
}

/** What a column of the programme stands for: an own card of a need, or a price of its rest. */
type Column = { readonly own: number } | { readonly part: NeedPart; readonly rest: Rest };

/** The programme over all needs: which own cards go where, and for each need one price of the rest. */
interface Open {
  readonly parts: readonly NeedPart[];
  readonly columns: readonly Column[];
  readonly most: readonly number[];
  readonly rows: readonly ProgrammeRow[];
  /** What each column costs by the first and the second measure. */
  readonly costs: readonly (readonly [first: number, second: number])[];
}

/** Every need that counts, under a cap. */
const partsOf = (problem: ShopProblem, order: Order, most: number): readonly NeedPart[] =>
  problem.needs.flatMap((wanted, need) => (wanted > 0 ? [partOf(problem, need, order, most)] : []));

function openProgramme(problem: ShopProblem, parts: readonly NeedPart[], order: Order): Open | null {
  const { options, needs, owned } = problem;
  const rests = new Map(parts.map((part) => [part, part.rests()]));
  if (parts.some((part) => rests.get(part)?.length === 0)) return null;
  const columns = parts.flatMap((part): Column[] => [
    ...part.own.map((own) => ({ own })),
    ...(rests.get(part) ?? []).map((rest) => ({ part, rest })),
  ]);
  /** A row over the columns that have a value in it. */
  const over = (value: (column: Column) => number): ProgrammeRow['entries'] =>
    columns.flatMap((column, at) => {
      const found = value(column);
      return found === 0 ? [] : [[at, found] as const];
    });
  const rows: ProgrammeRow[] = parts.flatMap((part) => {
    const one = {
      entries: over((column) => ('part' in column && column.part === part ? 1 : 0)),
      atLeast: 1,
      atMost: 1,
    };
    const minutes = over((column) => {
      if ('own' in column) return part.own.includes(column.own) ? entryAt(options, column.own).minutes : 0;
      return 'rest' in column && column.part === part ? column.rest.minutes : 0;
    });
    return [one, { entries: minutes, atLeast: needs[part.need] ?? 0, atMost: NO_LIMIT }];
  });
  for (const [group, { cardIds }] of owned.entries()) {
    const used = over((column) => {
      if ('rest' in column) return 0;
      return entryAt(options, column.own).parts.reduce(
        (sum, one) => sum + (one.source.kind === 'owned' && one.source.group === group ? one.count : 0),
        0,
      );
    });
    if (used.length > 0) rows.push({ entries: used, atLeast: -NO_LIMIT, atMost: cardIds.length });
  }
  const [first, second] = order;
  return {
    parts,
    columns,
    rows,
    most: columns.map((column) => ('own' in column ? mostTimes(problem, entryAt(options, column.own)) : 1)),
    costs: columns.map((column) => {
      if ('rest' in column) return [column.rest.first, column.rest.second];
      const option = entryAt(options, column.own);
      return [option[first], option[second]];
    }),
  };
}

/** What a point of the programme takes, in options; null where it does not add up in whole numbers. */
function choiceAt(problem: ShopProblem, { columns }: Open, point: readonly number[]): Choice | null {
  const times = new Map<number, number>();
  const take = (option: number, count: number): void => void times.set(option, (times.get(option) ?? 0) + count);
  for (const [at, column] of columns.entries()) {
    const count = Math.round(point[at] ?? 0);
    if (count === 0) continue;
    if ('own' in column) {
      take(column.own, count);
      continue;
    }
    for (const [option, often] of column.part.cover.taken(column.rest.minutes)) take(option, often);
  }
  const taken: Taken[] = [...times]
    .map(([option, count]) => ({ option, times: count }))
    .sort((a, b) => a.option - b.option);
  return meets(problem, taken) ? choiceOf(problem, taken) : null;
}

/** The best set by an order under a cap. */
interface Found {
  /** Null where there is none, or none is known yet. */
  readonly choice: Choice | null;
  /** Whether the first measure is proven; that there is no set at all counts, too. */
  readonly proven: boolean;
  /** Whether the second is. */
  readonly all: boolean;
  /** No set has less of the first measure. */
  readonly bound: number;
}

const NONE: Found = { choice: null, proven: true, all: true, bound: NO_LIMIT };

/** Everything bought, exactly; null where some need cannot be. */
function allBought(problem: ShopProblem, parts: readonly NeedPart[]): Choice | null {
  const taken: Taken[] = [];
  for (const { need, cover: priced } of parts) {
    const wanted = problem.needs[need] ?? 0;
    if (!priced.of(wanted)) return null;
    for (const [option, times] of priced.taken(wanted)) taken.push({ option, times });
  }
  return choiceOf(problem, taken);
}

/** How a best set is looked for. */
interface Search {
  readonly solve: IntegerSolver;
  /** Longest for one question to the solver. */
  readonly seconds: number;
  /** 1: what is best by the first measure alone. */
  readonly stages?: 1 | 2;
  /** Whether a small wallet is worked out without the solver. */
  readonly tables?: boolean;
}

/**
 * The least by the first measure, of those the least by the second, with no card above a cap of minutes. Nothing that the
 * solver says is believed before it adds up in whole numbers.
 */
export function best(
  problem: ShopProblem,
  order: Order,
  most: number,
  { solve, seconds, stages = 2, tables = true }: Search,
): Found {
  const parts = partsOf(problem, order, most);
  const table = tables ? byTable(problem, parts, order) : null;
  if (table === 'none') return NONE;
  if (table !== null && meets(problem, table)) {
    const choice = choiceOf(problem, table);
    return { choice, proven: true, all: true, bound: choice[order[0]] };
  }
  const open = openProgramme(problem, parts, order);
  if (!open) return NONE;
  const { columns, rows, costs } = open;
  const [first] = order;
  // Prices in their own steps: 190 and 85 count as 38 and 17 fives, which a solver's tolerance is made for.
  const step = Math.max(
    1,
    costs.reduce((whole, [cost]) => divisor(whole, cost), 0),
  );
  const firsts = costs.map(([cost]) => cost / step);
  const bought = allBought(problem, parts);
  // Both measures in one question, where one step of the first outweighs all of the second and the sum is still exact.
  const second = costs.map(([, cost]) => cost);
  const weight = stages === 2 ? mostOf(open, second) + 1 : 1;
  const isOne = stages === 2 && mostOf(open, firsts) * weight < MOST_EXACT;
  const cost = isOne ? firsts.map((value, at) => value * weight + entryAt(second, at)) : firsts;
  const one = solve({ most: open.most, cost, rows }, seconds);
  if (one.end === 'impossible') return NONE;
  const found = one.point && choiceAt(problem, open, one.point);
  const choice = one.end !== 'proven' && bought && (!found || bought[first] < found[first]) ? bought : found;
  const proven = one.end === 'proven' && choice !== null;
  // The measure is whole: a bound just above one is the next.
  const lowest = isOne ? Math.floor((one.bound + 1e-6) / weight) : Math.ceil(one.bound - 1e-6);
  const bound = proven && choice ? choice[first] : Math.max(0, lowest) * step;
  if (!proven || !choice || stages === 1 || isOne) return { choice, proven, all: proven && isOne, bound };
  const total: ProgrammeRow = {
    entries: columns.flatMap((_, at) => (firsts[at] === 0 ? [] : [[at, entryAt(firsts, at)] as const])),
    atLeast: -NO_LIMIT,
    atMost: choice[first] / step + 0.25,
  };
  const two = solve({ most: open.most, cost: second, rows: [...rows, total] }, seconds);
  const better = two.point && choiceAt(problem, open, two.point);
  const isBetter = better !== null && better[first] === choice[first];
  return { choice: isBetter ? better : choice, proven, all: isBetter && two.end === 'proven', bound };
}

/** Largest sum that is asked for in one: the solver's tolerance must stay below one of it. */
const MOST_EXACT = 5e6;

/** More than a set of least cost can come to: of each need its dearest rest, and every own card. */
function mostOf({ parts, columns, most }: Open, costs: readonly number[]): number {
  return parts.reduce((sum, part) => {
    const mine = columns.flatMap((column, at) =>
      'rest' in column && column.part === part ? [entryAt(costs, at)] : [],
    );
    const own = columns.reduce(
      (total, column, at) =>
        'own' in column && part.own.includes(column.own) ? total + entryAt(costs, at) * entryAt(most, at) : total,
      0,
    );
    return sum + Math.max(0, ...mine) + own;
  }, 0);
}

/** Distinct minutes of the options, ascending. */
export const minutesOf = ({ options }: ShopProblem): readonly number[] =>
  [...new Set(options.map(({ minutes }) => minutes))].filter((one) => one > 0).sort((a, b) => a - b);

/** The best by an order; of equal ones that with the fewest minutes on one card. */
function* ordered(problem: ShopProblem, order: Order, most: number, search: Search): Steps<Found> {
  let found = best(problem, order, most, search);
  yield 0.5;
  const caps = minutesOf(problem);
  while (found.choice && found.proven && found.all) {
    const { cents, cards, most: now } = found.choice;
    const next = caps.findLast((minutes) => minutes < now);
    if (next === undefined) break;
    const less = best(problem, order, next, search);
    yield 0.8;
    const isEqual = less.choice?.cents === cents && less.choice.cards === cards;
    // Dearer, or more cards, or none: there is no equal one, where that is proven.
    if (!isEqual) return less.proven && less.all ? found : { ...found, all: false };
    found = less;
  }
  return found;
}

/** The smallest cap of minutes under which every need can be met, then the cheapest under it. */
function* leastAtRisk(problem: ShopProblem, search: Search): Steps<Found> {
  const caps = minutesOf(problem);
  let low = 0;
  let high = caps.length - 1;
  let sure = true;
  const can = (cap: number): boolean => {
    // What is sold has no end: where each need can be bought under the cap there is nothing to solve.
    if (allBought(problem, partsOf(problem, BY_CARDS, cap))) return true;
    const found = best(problem, BY_CARDS, cap, { ...search, stages: 1 });
    if (found.choice === null && !found.proven) sure = false;
    return found.choice !== null;
  };
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    yield 0.2;
    if (can(entryAt(caps, middle))) high = middle;
    else low = middle + 1;
  }
  const cap = caps[low];
  if (cap === undefined) return NONE;
  const found = yield* ordered(problem, BY_PRICE, cap, search);
  // The cap itself was found by asking whether it can be, which needs no proof of a price.
  return { ...found, proven: sure && found.proven, bound: sure ? cap : (caps[0] ?? 0) };
}

const MEASURED: Readonly<Record<Aim, (choice: Choice) => number>> = {
  cheapest: ({ cents }) => cents,
  'fewest-cards': ({ cards }) => cards,
  'least-at-risk': ({ most }) => most,
};

/**
 * The sets of the three aims.
 *
 * @param problem - every need of which something can meet it alone; others count 0 minutes
 * @param solve - the solver, HiGHS in this app
 * @param seconds - time for one question to the solver: what is not proven by then is told as such, with its bound
 * @param tables - false: the solver is asked even where a wallet is small enough for a table
 * @returns the sets in the order of the aims; empty where own cards do not suffice and nothing is offered; null where that
 *   was not found out in the time given
 */
export function* chooseSteps(
  problem: ShopProblem,
  solve: IntegerSolver,
  seconds: number,
  tables = true,
): Steps<readonly ChosenSet[] | null> {
  const sets: ChosenSet[] = [];
  const search: Search = { solve, seconds, tables };
  if (problem.needs.every((minutes) => minutes <= 0)) return [];
  for (const [at, aim] of AIMS.entries()) {
    yield at / AIMS.length;
    const found =
      aim === 'least-at-risk'
        ? yield* leastAtRisk(problem, search)
        : yield* ordered(problem, aim === 'cheapest' ? BY_PRICE : BY_CARDS, NO_LIMIT, search);
    // None found is not none: only a proof says that there is no set.
    if (found.choice === null) return found.proven ? [] : null;
    const own = MEASURED[aim](found.choice);
    const optimal = found.proven && found.all;
    sets.push({ aim, ...found.choice, optimal, bound: optimal ? own : Math.min(own, found.bound) });
  }
  return sets;
}

const BY_PRICE: readonly [Measure, Measure] = ['cents', 'cards'];
const BY_CARDS: readonly [Measure, Measure] = ['cards', 'cents'];
