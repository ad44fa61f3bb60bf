import type { Steps } from '../steps.ts';
import { AIMS, type Aim, type Choice, choiceOf, meets, type Option, type ShopProblem, type Taken } from './problem.ts';
import type { IntegerSolver, Programme, ProgrammeRow } from './programme.ts';

/** A set chosen by one aim. */
export interface ChosenSet extends Choice {
  readonly aim: Aim;
  /** Whether no set is better by this aim, nor by what decides between equals. */
  readonly optimal: boolean;
  /** No set is better than this by the aim's own measure: hundredths, cards or minutes. */
  readonly bound: number;
}

/** What a set is measured by. */
type Measure = 'cents' | 'cards';

/** Which options are looked at, and what a set may not be above. */
interface Limits {
  /** Most minutes on one card. */
  readonly most: number;
  readonly cents?: number;
  readonly cards?: number;
}

const isOwn = ({ parts }: Option): boolean => parts.some(({ source }) => source.kind === 'owned');

/**
 * The options worth looking at under a cap of minutes: of bought ones, none for which another of the same need lasts as
 * long, costs no more and is no more cards. A set that takes one of them would be no worse with the other. Own cards stay: there
 * are only so many of them.
 */
function worthTaking({ needs, options }: ShopProblem, most: number): readonly number[] {
  const under = options.flatMap(({ need, minutes }, at) =>
    minutes <= most && minutes > 0 && (needs[need] ?? 0) > 0 ? [at] : [],
  );
  const order = under
    .filter((at) => !isOwn(options[at] as Option))
    .sort((a, b) => {
      const [one, other] = [options[a] as Option, options[b] as Option];
      return (
        one.need - other.need ||
        other.minutes - one.minutes ||
        one.cents - other.cents ||
        one.cards - other.cards ||
        a - b
      );
    });
  const kept: number[] = [];
  for (const at of order) {
    const one = options[at] as Option;
    const beaten = kept.some((other) => {
      const { need, cents, cards } = options[other] as Option;
      return need === one.need && cents <= one.cents && cards <= one.cards;
    });
    if (!beaten) kept.push(at);
  }
  return [...under.filter((at) => isOwn(options[at] as Option)), ...kept].sort((a, b) => a - b);
}

const NO_LIMIT = Number.POSITIVE_INFINITY;

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** The programme of a measure: each need its minutes, of each group of own cards no more than there are. */
function programmeOf(
  problem: ShopProblem,
  columns: readonly number[],
  measure: Measure,
  limits: Limits,
): { readonly programme: Programme; readonly step: number } {
  const { needs, options, owned } = problem;
  const chosen = columns.map((at) => options[at] as Option);
  // Prices in their own steps: 190 and 85 count as 38 and 17 fives, which a solver's tolerance is made for.
  const step = Math.max(
    1,
    chosen.reduce((whole, { cents }) => divisor(whole, cents), 0),
  );
  const entries = (value: (option: Option) => number): readonly (readonly [number, number])[] =>
    chosen.flatMap((option, column) => {
      const found = value(option);
      return found === 0 ? [] : [[column, found] as const];
    });
  const rows: ProgrammeRow[] = needs.flatMap((least, need) =>
    least > 0
      ? [{ entries: entries((one) => (one.need === need ? one.minutes : 0)), atLeast: least, atMost: NO_LIMIT }]
      : [],
  );
  for (const [group, { cardIds }] of owned.entries()) {
    const used = entries(({ parts }) =>
      parts.reduce(
        (sum, { source, count }) => sum + (source.kind === 'owned' && source.group === group ? count : 0),
        0,
      ),
    );
    if (used.length > 0) rows.push({ entries: used, atLeast: -NO_LIMIT, atMost: cardIds.length });
  }
  const inSteps = ({ cents }: Option): number => cents / step;
  if (limits.cents !== undefined)
    rows.push({ entries: entries(inSteps), atLeast: -NO_LIMIT, atMost: Math.floor(limits.cents / step) + 0.25 });
  if (limits.cards !== undefined)
    rows.push({ entries: entries(({ cards }) => cards), atLeast: -NO_LIMIT, atMost: limits.cards + 0.25 });
  const programme = {
    most: chosen.map(({ need, minutes }) => Math.ceil((needs[need] ?? 0) / minutes)),
    cost: chosen.map((option) => (measure === 'cents' ? inSteps(option) : option.cards)),
    rows,
  };
  return { programme, step: measure === 'cents' ? step : 1 };
}

/** The best set by one measure within limits. */
interface Found {
  readonly choice: Choice | null;
  readonly proven: boolean;
  /** In the measure's own unit. */
  readonly bound: number;
}

const NOTHING: Found = { choice: null, proven: true, bound: NO_LIMIT };

/** Asks the solver, and believes nothing that does not add up in whole numbers. */
export function least(
  problem: ShopProblem,
  measure: Measure,
  limits: Limits,
  solve: IntegerSolver,
  seconds: number,
): Found {
  const columns = worthTaking(problem, limits.most);
  const { programme, step } = programmeOf(problem, columns, measure, limits);
  if (programme.rows.some(({ entries, atLeast }) => atLeast > 0 && entries.length === 0)) return NOTHING;
  const { end, point, bound } = solve(programme, seconds);
  if (end === 'impossible') return NOTHING;
  const taken: Taken[] = (point ?? []).flatMap((times, column) => {
    const whole = Math.round(times);
    return whole > 0 ? [{ option: columns[column] as number, times: whole }] : [];
  });
  const choice = point !== null && meets(problem, taken) ? choiceOf(problem, taken) : null;
  const within =
    choice !== null && choice.cents <= (limits.cents ?? NO_LIMIT) && choice.cards <= (limits.cards ?? NO_LIMIT);
  // Both measures are whole: a bound just above one is the next.
  const whole = Math.max(0, Math.ceil(bound - 1e-6)) * step;
  const proven = end === 'proven' && within;
  return { choice: within ? choice : null, proven, bound: proven && choice ? choice[measure] : whole };
}

/** A set that meets every need, quickly: of each need the option that costs the least a minute; null where own cards alone would have to do. */
function quickSet(problem: ShopProblem, most: number): Choice | null {
  const taken: Taken[] = [];
  for (const [need, minutes] of problem.needs.entries()) {
    if (minutes <= 0) continue;
    const columns = worthTaking(problem, most).filter((at) => {
      const option = problem.options[at] as Option;
      return option.need === need && !isOwn(option);
    });
    const [best] = [...columns].sort((a, b) => {
      const [one, other] = [problem.options[a] as Option, problem.options[b] as Option];
      return one.cents / one.minutes - other.cents / other.minutes || a - b;
    });
    if (best === undefined) return null;
    taken.push({ option: best, times: Math.ceil(minutes / (problem.options[best] as Option).minutes) });
  }
  return choiceOf(problem, taken);
}

/** Distinct minutes of the options, ascending. */
export const minutesOf = ({ options }: ShopProblem): readonly number[] =>
  [...new Set(options.map(({ minutes }) => minutes))].filter((one) => one > 0).sort((a, b) => a - b);

/** The least by the first measure, of those the least by the second, of those the fewest minutes on one card. */
function* ordered(
  problem: ShopProblem,
  [first, second]: readonly [Measure, Measure],
  most: number,
  solve: IntegerSolver,
  patience: Patience,
): Steps<Found & { readonly all: boolean }> {
  const one = least(problem, first, { most }, solve, patience());
  yield 0.4;
  const quick = one.proven ? null : quickSet(problem, most);
  const start = quick && (one.choice === null || quick[first] < one.choice[first]) ? quick : one.choice;
  if (start === null || !one.proven) return { ...one, choice: start, all: false };
  const two = least(problem, second, { most, [first]: start[first] }, solve, patience());
  yield 0.7;
  let best = two.choice ?? start;
  let all = two.proven && two.choice !== null;
  const steps = minutesOf(problem);
  while (all) {
    const next = steps.findLast((minutes) => minutes < best.most);
    if (next === undefined) break;
    const less = least(problem, second, { most: next, cents: best.cents, cards: best.cards }, solve, patience());
    yield 0.8;
    if (less.choice === null) {
      all = less.proven;
      break;
    }
    best = less.choice;
  }
  return { ...one, choice: best, all };
}

/** Seconds that are left for the next question to the solver. */
type Patience = () => number;

/**
 * The sets of the three aims.
 *
 * @param problem - every need of which something can meet it alone; others count 0 minutes
 * @param solve - the solver, HiGHS in this app
 * @param seconds - time for one question to the solver: what is not proven by then is told as such, with its bound
 * @returns the sets in the order of the aims; empty where own cards do not suffice and nothing is offered
 */
export function* chooseSteps(problem: ShopProblem, solve: IntegerSolver, seconds: number): Steps<readonly ChosenSet[]> {
  const patience: Patience = () => seconds;
  const sets: ChosenSet[] = [];
  if (problem.needs.every((minutes) => minutes <= 0)) return [];
  for (const [at, aim] of AIMS.entries()) {
    yield at / AIMS.length;
    const found =
      aim === 'least-at-risk'
        ? yield* leastAtRisk(problem, solve, patience)
        : yield* ordered(
            problem,
            aim === 'cheapest' ? ['cents', 'cards'] : ['cards', 'cents'],
            NO_LIMIT,
            solve,
            patience,
          );
    if (found.choice === null) return [];
    const own =
      aim === 'cheapest' ? found.choice.cents : aim === 'fewest-cards' ? found.choice.cards : found.choice.most;
    const optimal = found.proven && found.all;
    sets.push({
      ...{ aim, ...found.choice, optimal },
      bound: optimal ? own : Math.min(own, found.bound),
    });
  }
  return sets;
}

/** The smallest cap of minutes under which every need can be met, then the cheapest under it. */
function* leastAtRisk(
  problem: ShopProblem,
  solve: IntegerSolver,
  patience: Patience,
): Steps<Found & { readonly all: boolean }> {
  const steps = minutesOf(problem);
  let low = 0;
  let high = steps.length - 1;
  let sure = true;
  const can = (cap: number): boolean => {
    // What is sold has no end: where each need can be bought under the cap there is nothing to solve.
    if (quickSet(problem, cap)) return true;
    const found = least(problem, 'cards', { most: cap }, solve, patience());
    if (found.choice === null && !found.proven) sure = false;
    return found.choice !== null;
  };
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    yield 0.2;
    if (can(steps[middle] as number)) high = middle;
    else low = middle + 1;
  }
  const cap = steps[low];
  if (cap === undefined) return { ...NOTHING, all: true };
  const found = yield* ordered(problem, ['cents', 'cards'], cap, solve, patience);
  // The cap itself was found by asking whether it can be, which needs no proof of a price.
  return { ...found, proven: sure && found.proven, bound: sure ? cap : (steps[0] ?? 0) };
}
