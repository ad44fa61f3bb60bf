import { AIR_MOVEMENTS, type AirMovement, type Card, type Mode, type PlannedTake } from '../../kit/model.ts';
import { cellFor } from '../../match/board.ts';
import { ratioLadder, withRatio } from '../../match/moves.ts';
import { ASSUMED } from '../../standards/assumptions.ts';
import { type Steps, within } from '../../steps.ts';
import { failingShare, failures, type Runs } from './failures.ts';
import { deciding, type HeatSetup, lanesOf } from './lane.ts';
import { holdsByRate } from './mark.ts';
import { sunDegrees } from './sun.ts';

/** What would make a take hold, with the share of runs that fail then. */
export type Advice =
  | (Applied & { readonly code: 'longest-take'; readonly minutes: number })
  | (Applied & {
      readonly code: 'rests';
      readonly takes: number;
      readonly minutes: number;
      readonly restMinutes: number;
    })
  | (Applied & { readonly code: 'shade'; readonly sunC: number })
  /** The warmest air, sun included in what is added, at which the plan still holds. */
  | (Applied & { readonly code: 'cooler-air'; readonly ambientC: number })
  | (Applied & { readonly code: 'moving-air'; readonly air: AirMovement })
  | (Applied & { readonly code: 'cool-start' })
  | (Applied & { readonly code: 'ratio'; readonly ratio: number; readonly from: number })
  | (Applied & { readonly code: 'mode'; readonly modeId: string })
  | (Applied & { readonly code: 'card'; readonly cardId: string });

interface Applied {
  /** Share of runs that fail with it, 0 to 1. */
  readonly risk: number;
}

/** The take that is asked about, the cards it could use, and how many runs each answer is worth. */
export interface AdviceInput extends Runs {
  readonly setup: HeatSetup;
  /** Every card the person owns. */
  readonly cards: readonly Card[];
  /** Share of failing runs that still counts as holding, 0 to 1. */
  readonly accepted: number;
}

/** The risk as planned, and the moves that lower it, best first; shares of runs, 0 to 1. */
export interface Advised {
  /** Share of runs that fail as planned, by the same draws as every move. */
  readonly risk: number;
  readonly moves: readonly Advice[];
  /** The warmest air at which the plan stays under the accepted risk; null where no air does. */
  readonly holdsUpToC: number | null;
}

/** Share of failing runs of the path that decides; null where the setup cannot be run. */
function* riskOf(setup: HeatSetup, input: AdviceInput): Steps<number | null> {
  const lanes = lanesOf(setup);
  return lanes.ok ? yield* failingShare(deciding(lanes.value).lane, input) : null;
}

const withPlan = (setup: HeatSetup, change: Partial<PlannedTake>): HeatSetup => ({
  ...setup,
  plan: { ...setup.plan, ...change },
});

/** The largest value that passes, by halving; null where even the smallest does not. Passing ends once as values grow. */
function* largest(
  low: number,
  high: number,
  step: number,
  passes: (value: number) => Steps<boolean>,
): Steps<number | null> {
  const most = Math.ceil(Math.log2((high - low) / step)) + 2;
  let asked = 0;
  const ask = (value: number): Steps<boolean> => {
    asked += 1;
    return within((asked - 1) / most, asked / most, passes(value));
  };
  if (!(yield* ask(low))) return null;
  if (yield* ask(high)) return high;
  let [good, bad] = [low, high];
  while (bad - good > step) {
    const middle = Math.round((good + bad) / 2 / step) * step;
    if (middle <= good || middle >= bad) break;
    if (yield* ask(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

const LONGEST_REST_MIN = 90;
const TAKES = [2, 3, 4, 6, 9, 12] as const;
/** Two risks closer than this are as good as each other [A]. */
const AS_GOOD = 0.02;
/** Of options closer than this the one that changes least is told [A]. */
const NEAR = 0.05;

/** Worth telling though it stays above what is accepted: it takes at least a third of the risk away [A]. */
const isMuchLower = (risk: number, now: number): boolean => risk < now * 0.67;
/** A rest as people keep it: by the minute up to ten, then by five. */
const choosable = (minutes: number): number => (minutes <= 10 ? minutes : Math.ceil(minutes / 5) * 5);

/** The coldest air of the day planned for: no advice asks for less. */
const coldestOf = ({ ambientC, dayLowC }: PlannedTake): number =>
  Math.min(ambientC, dayLowC ?? ambientC - ASSUMED.dayRangeC.value);
const COLDEST_C = -20;
const WARMEST_C = 55;

/** The longest single take under the accepted risk: the time by which that share of the runs has failed. */
function* longestTake(input: AdviceInput): Steps<Advice | null> {
  const { setup, accepted } = input;
  const lanes = lanesOf(withPlan(setup, { takes: 1, restMinutes: 0 }));
  if (!lanes.ok) return null;
  const { failedAt, runs } = yield* failures(deciding(lanes.value).lane, input);
  failedAt.sort((a, b) => a - b);
  const allowed = Math.floor(accepted * runs);
  const first = failedAt[allowed];
  if (first === undefined) return null;
  const minutes = Math.floor(first / 60 - 1e-9);
  if (minutes < 1) return null;
  const risk = failedAt.filter((at) => at <= minutes * 60).length / runs;
  return { code: 'longest-take', minutes, risk };
}

/**
 * The fewest takes, and the shortest rest between them, that record as long as planned under the accepted risk; where no
 * rhythm gets there, the one that fails least.
 */
function* rests(input: AdviceInput, now: number): Steps<Advice | null> {
  const { setup, accepted } = input;
  const total = setup.plan.minutes * setup.plan.takes;
  // By the minute, short ones by the half, so that a person can keep to them; never less in all than was planned.
  const lengthOf = (takes: number): number => {
    const step = total / takes < 10 ? 0.5 : 1;
    return Math.ceil(total / takes / step - 1e-9) * step;
  };
  function* riskOfRhythm(takes: number, restMinutes: number): Steps<number> {
    return (yield* riskOf(withPlan(setup, { takes, minutes: lengthOf(takes), restMinutes }), input)) ?? 1;
  }
  const counts = TAKES.filter((takes) => takes > setup.plan.takes && total / takes >= 1);
  const options: { readonly takes: number; readonly longest: number }[] = [];
  for (const [at, takes] of counts.entries()) {
    const part = within(at / counts.length / 2, (at + 1) / counts.length / 2, riskOfRhythm(takes, LONGEST_REST_MIN));
    options.push({ takes, longest: yield* part });
    if ((options.at(-1)?.longest ?? 1) <= accepted) break;
  }
  const chosen =
    options.find(({ longest }) => longest <= accepted) ?? options.toSorted((a, b) => a.longest - b.longest)[0];
  if (!chosen || !isMuchLower(chosen.longest, now)) return null;
  const { takes, longest } = chosen;
  const enough = longest <= accepted ? accepted : longest + AS_GOOD;
  // The longer the rest the lower the risk: the longest one that does not do, and a minute more.
  const tooShort = yield* within(
    0.5,
    0.95,
    largest(0, LONGEST_REST_MIN, 1, function* (rest) {
      return (yield* riskOfRhythm(takes, rest)) > enough;
    }),
  );
  const restMinutes = tooShort === null ? 0 : choosable(tooShort + 1);
  const risk = yield* within(0.95, 1, riskOfRhythm(takes, restMinutes));
  return { code: 'rests', takes, minutes: lengthOf(takes), restMinutes, risk };
}

const air = (input: AdviceInput): Steps<number | null> =>
  largest(COLDEST_C, WARMEST_C, 1, function* (ambientC) {
    return ((yield* riskOf(withPlan(input.setup, { ambientC }), input)) ?? 1) <= input.accepted;
  });

interface Option<T> {
  readonly what: T;
  readonly risk: number;
}

/** The first option under the accepted risk, else the first as good as the best of them, where it is worth telling. */
function* firstGood<T>(
  options: readonly T[],
  setupWith: (option: T) => HeatSetup,
  input: AdviceInput,
  now: number,
): Steps<Option<T> | null> {
  const tried: Option<T>[] = [];
  for (const [at, what] of options.entries()) {
    const risk = yield* within(at / options.length, (at + 1) / options.length, riskOf(setupWith(what), input));
    if (risk === null) continue;
    if (risk <= input.accepted) return { what, risk };
    tried.push({ what, risk });
  }
  const least = Math.min(...tried.map((one) => one.risk));
  return tried.find((one) => one.risk <= least + NEAR && isMuchLower(one.risk, now)) ?? null;
}

function* otherRatio(input: AdviceInput, now: number): Steps<Advice | null> {
  const { setup } = input;
  const { rate } = setup.mode;
  if (rate.kind !== 'raw') return null;
  const ladder = ratioLadder(setup.mode).filter((one) => one.ratio > rate.ratio);
  const setupWith = ({ ratio }: { readonly ratio: number }): HeatSetup => ({
    ...setup,
    mode: withRatio(setup.mode, ratio),
  });
  const found = yield* firstGood(ladder, setupWith, input, now);
  return found && { code: 'ratio', ratio: found.what.ratio, from: rate.ratio, risk: found.risk };
}

/** Modes of the body that write less, the fastest of them first. */
function* otherMode(input: AdviceInput, now: number): Steps<Advice | null> {
  const { setup } = input;
  const need = (mode: Mode): number => {
    const lanes = lanesOf({ ...setup, mode });
    return lanes.ok ? (lanes.value[0]?.sim.demandMBps ?? 0) : 0;
  };
  const own = need(setup.mode);
  const slower = setup.body.modes
    .filter(({ id }) => id !== setup.mode.id)
    .map((mode) => ({ mode, rate: need(mode) }))
    .filter((one) => one.rate > 0 && one.rate < own)
    .sort((a, b) => b.rate - a.rate);
  const found = yield* firstGood(slower, ({ mode }) => ({ ...setup, mode }), input, now);
  return found && { code: 'mode', modeId: found.what.mode.id, risk: found.risk };
}

/** A ratio that is a mode of the body already is told once, as the mode. */
function isSameStep(ratio: Advice | null, mode: Advice | null, { body, mode: now }: HeatSetup): boolean {
  if (ratio?.code !== 'ratio' || mode?.code !== 'mode') return false;
  const other = body.modes.find(({ id }) => id === mode.modeId);
  return other?.rate.kind === 'raw' && other.rate.ratio === ratio.ratio && other.fps === now.fps;
}

/** The owned card that holds by rate and fails least; it must be better than the one in use. */
function* otherCard(input: AdviceInput, now: number): Steps<Advice | null> {
  const { setup, cards } = input;
  const body = { ...setup.body, arrangement: setup.arrangement };
  const open = cards.filter(({ id, retired }) => !retired && !setup.cards.some((used) => used.id === id));
  const holding = open.filter((card) => {
    const { mode, tests, policy } = setup;
    return holdsByRate(cellFor({ body, mode, card, cards, tests, policy }));
  });
  let best: { readonly cardId: string; readonly risk: number } | null = null;
  for (const [at, card] of holding.entries()) {
    const other = riskOf({ ...setup, cards: [card, ...setup.cards.slice(1)] }, input);
    const risk = yield* within(at / holding.length, (at + 1) / holding.length, other);
    if (risk !== null && risk < Math.min(now, best?.risk ?? 1)) best = { cardId: card.id, risk };
  }
  return best && now - best.risk > 0.05 ? { code: 'card', ...best } : null;
}

/** The least movement of the air that makes it hold, else the one that helps most. */
function* movingAir(input: AdviceInput, now: number): Steps<Advice | null> {
  const { setup } = input;
  const more = AIR_MOVEMENTS.slice(AIR_MOVEMENTS.indexOf(setup.plan.air ?? 'still') + 1);
  const found = yield* firstGood(more, (air) => withPlan(setup, { air }), input, now);
  return found && { code: 'moving-air', air: found.what, risk: found.risk };
}

/** A change of conditions that lowers the risk, whether or not under what is accepted. */
const lower = (advice: Advice, now: number): readonly Advice[] => (now - advice.risk > 0.005 ? [advice] : []);

/**
 * What would make a plan hold, each by the same risk runs as the plan itself; best first. In steps, so that a worker can
 * stop between two of them.
 */
export function* adviceSteps(input: AdviceInput): Steps<Advised> {
  const { setup, accepted } = input;
  const now = (yield* within(0, 0.05, riskOf(setup, input))) ?? 1;
  const moves: Advice[] = [];
  const add = (one: Advice | null): void => {
    if (one) moves.push(one);
  };
  const holdsUpToC = yield* within(0.05, 0.2, air(input));
  if (now > accepted) {
    add(yield* within(0.2, 0.5, rests(input, now)));
    add(yield* within(0.5, 0.55, longestTake(input)));
    const ratio = yield* within(0.55, 0.65, otherRatio(input, now));
    const mode = yield* within(0.65, 0.75, otherMode(input, now));
    if (!isSameStep(ratio, mode, setup)) add(ratio);
    add(mode);
    add(yield* within(0.75, 0.9, otherCard(input, now)));
    if (holdsUpToC !== null && holdsUpToC < setup.plan.ambientC && holdsUpToC >= coldestOf(setup.plan)) {
      const cooler = riskOf(withPlan(setup, { ambientC: holdsUpToC }), input);
      add({ code: 'cooler-air', ambientC: holdsUpToC, risk: (yield* within(0.9, 0.93, cooler)) ?? 1 });
    }
  }
  if (now > accepted) add(yield* within(0.93, 0.95, movingAir(input, now)));
  if (setup.plan.sunC > 0) {
    const risk = (yield* within(0.95, 0.97, riskOf(withPlan(setup, { sunC: 0 }), input))) ?? 1;
    moves.push(...lower({ code: 'shade', sunC: sunDegrees(setup.body, setup.plan), risk }, now));
  }
  if (setup.startBodyC !== null || setup.startCardC !== null) {
    const cool = riskOf({ ...setup, startBodyC: null, startCardC: null }, input);
    const risk = (yield* within(0.97, 1, cool)) ?? 1;
    moves.push(...lower({ code: 'cool-start', risk }, now));
  }
  return { risk: now, moves: moves.sort((a, b) => a.risk - b.risk), holdsUpToC };
}
