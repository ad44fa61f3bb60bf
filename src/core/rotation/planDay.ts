import { entryAt } from '../entryAt.ts';
import { finish, type Steps } from '../steps.ts';
import type { Choices } from './emptying.ts';
import type { DayRun, Fork } from './outcome.ts';
import type { DayProblem } from './problem.ts';
import { type DayTactics, runDay } from './runDay.ts';

/** Ways to begin with; the first one is how the rules of the trade read. */
const TACTICS: readonly DayTactics[] = (['fit', 'longest-free', 'largest'] as const).flatMap((pick) =>
  (['came', 'quickest'] as const).flatMap((order) =>
    (['where-it-holds', 'never'] as const).map((keep) => ({ pick, order, keep })),
  ),
);

/** How much may be tried: runs for a day of this size. Counted, not timed, so that one day has one plan. */
const EFFORT = 330_000;
const MOST_RUNS = 1500;
const LEAST_RUNS = 12;
const runsFor = ({ blocks, cards }: DayProblem): number =>
  Math.round(Math.min(MOST_RUNS, Math.max(LEAST_RUNS, EFFORT / (blocks.length * (cards.length + 4) + 1) ** 1.5)));

/** Less missing is better; then fewer changes; then nothing. */
function isBetter(a: DayRun, b: DayRun): boolean {
  if (Math.abs(a.missing - b.missing) > 1e-3) return a.missing < b.missing;
  const [roomA, roomB] = [uncopied(a), uncopied(b)];
  if (Math.abs(roomA - roomB) > 1) return roomA < roomB;
  return false;
}

const uncopied = ({ shortages }: DayRun): number =>
  shortages.reduce((sum, { block, bytes }) => (block === null ? sum + bytes : sum), 0);

/** A run with the decisions that made it. */
interface Tried {
  readonly run: DayRun;
  readonly tactics: DayTactics;
  readonly choices: Choices;
}

/** Decisions worth another try: those that fell before the last thing missing did. */
function openForks({ forks, shortages }: DayRun): readonly Fork[] {
  const last = Math.max(0, ...shortages.filter(({ seconds }) => seconds > 0).map(({ to }) => to));
  return forks.filter(({ at, options }) => at <= last && options.length > 1);
}

const isWhole = (run: DayRun): boolean => run.missing <= 0 && uncopied(run) === 0;

/** Most walks, fewest steps of one, and how much worse a day may be to be walked on from, as a share of its longest block. */
const WALKS = 20;
const LEAST_STEPS = 40;
const WARMTH = 0.25;

/** Numbers from 0 to 1, the same for the same day. */
function draws(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

const blocksSeed = ({ blocks, cards }: DayProblem): number => blocks.length * 7919 + cards.length * 104729 + 1;

/**
 * Plans a day: the rules of the trade first, and where they leave something missing, other decisions one by one and then two
 * by two, as long as the effort lasts. The same day gives the same plan.
 */
export function* planSteps(problem: DayProblem): Steps<DayRun> {
  const runs = runsFor(problem);
  let spent = 0;
  const tried = (tactics: DayTactics, choices: Choices): Tried => {
    spent += 1;
    return { run: runDay(problem, tactics, choices), tactics, choices };
  };
  const heat = Math.max(...problem.blocks.map(({ from, to, rolling }) => (to - from) * rolling), 0) * WARMTH;
  let best = tried(entryAt(TACTICS, 0), new Map());
  const starts: Tried[] = [best];
  for (const tactics of TACTICS.slice(1)) {
    if (isWhole(best.run)) return best.run;
    yield spent / runs;
    const next = tried(tactics, new Map());
    starts.push(next);
    if (isBetter(next.run, best.run)) best = next;
  }
  // Walks from the best beginnings: one decision changed at a time, a worse day kept now and then, less and less often.
  const next = draws(blocksSeed(problem));
  const beginnings = [...starts].sort((a, b) => a.run.missing - b.run.missing);
  const legs = Math.max(1, Math.min(WALKS, Math.floor((runs - spent) / LEAST_STEPS)));
  const stepsEach = Math.floor((runs - spent) / legs);
  for (let walk = 0; walk < legs; walk += 1) {
    let here = walk % 2 === 0 ? best : entryAt(beginnings, ((walk - 1) / 2) % beginnings.length);
    for (let step = 0; step < stepsEach; step += 1) {
      if (isWhole(best.run)) return best.run;
      const forks = openForks(here.run);
      if (forks.length === 0) break;
      const drawn = entryAt(forks, Math.floor(next() * forks.length));
      // To leave a card aside altogether seldom helps: it is drawn twice before it is tried.
      const fork = drawn.aside ? entryAt(forks, Math.floor(next() * forks.length)) : drawn;
      const others = fork.options.filter((option) => option !== fork.chosen);
      const option = entryAt(others, Math.floor(next() * others.length));
      yield spent / runs;
      const there = tried(here.tactics, new Map([...here.choices, [fork.key, option]]));
      if (isBetter(there.run, best.run)) best = there;
      const warmth = heat * (1 - step / stepsEach);
      const worse = there.run.missing - here.run.missing;
      if (worse <= 1e-3 || next() < Math.exp(-worse / Math.max(1e-9, warmth))) here = there;
    }
  }
  return best.run;
}

/** A day planned at once. */
export const planDay = (problem: DayProblem): DayRun => finish(planSteps(problem));
