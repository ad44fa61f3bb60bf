import { board } from '../match/board.ts';
import { ratioLadder, withRatio } from '../match/moves.ts';
import type { Card, Mode, PlannedTake } from '../model/kit.ts';
import { failingShare, failures } from './failures.ts';
import { deciding, type HeatSetup, lanesOf } from './lane.ts';
import { holdsByRate } from './mark.ts';

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
  | (Applied & { readonly code: 'cool-start' })
  | (Applied & { readonly code: 'ratio'; readonly ratio: number; readonly from: number })
  | (Applied & { readonly code: 'mode'; readonly modeId: string })
  | (Applied & { readonly code: 'card'; readonly cardId: string });

interface Applied {
  /** Share of runs that fail with it, 0 to 1. */
  readonly risk: number;
}

export interface AdviceInput {
  readonly setup: HeatSetup;
  /** Every card the person owns. */
  readonly cards: readonly Card[];
  /** Share of failing runs that still counts as holding, 0 to 1. */
  readonly accepted: number;
  readonly runs: number;
  readonly seed: number;
}

export interface Advised {
  /** Share of runs that fail as planned, by the same draws as every move. */
  readonly risk: number;
  readonly moves: readonly Advice[];
  /** The warmest air at which the plan stays under the accepted risk; null where no air does. */
  readonly holdsUpToC: number | null;
}

/** Share of failing runs of the path that decides; null where the setup cannot be run. */
function riskOf(setup: HeatSetup, input: AdviceInput): number | null {
  const lanes = lanesOf(setup);
  return lanes.ok ? failingShare(deciding(lanes.value).lane, input.runs, input.seed) : null;
}

const withPlan = (setup: HeatSetup, change: Partial<PlannedTake>): HeatSetup => ({
  ...setup,
  plan: { ...setup.plan, ...change },
});

/** The largest value that passes, by halving; null where even the smallest does not. Passing ends once as values grow. */
function largest(low: number, high: number, step: number, passes: (value: number) => boolean): number | null {
  if (!passes(low)) return null;
  if (passes(high)) return high;
  let [good, bad] = [low, high];
  while (bad - good > step) {
    const middle = Math.round((good + bad) / 2 / step) * step;
    if (middle <= good || middle >= bad) break;
    if (passes(middle)) good = middle;
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
const COLDEST_C = -20;
const WARMEST_C = 55;

/** The longest single take under the accepted risk: the time by which that share of the runs has failed. */
function longestTake(input: AdviceInput): Advice | null {
  const { setup, accepted, runs } = input;
  const lanes = lanesOf(withPlan(setup, { takes: 1, restMinutes: 0 }));
  if (!lanes.ok) return null;
  const failedAt = failures(deciding(lanes.value).lane, runs, input.seed).sort((a, b) => a - b);
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
function rests(input: AdviceInput, now: number): Advice | null {
  const { setup, accepted } = input;
  const total = setup.plan.minutes * setup.plan.takes;
  const riskOfRhythm = (takes: number, restMinutes: number): number =>
    riskOf(withPlan(setup, { takes, minutes: Math.round((total / takes) * 10) / 10, restMinutes }), input) ?? 1;
  const options = TAKES.filter((takes) => takes > setup.plan.takes && total / takes >= 1).map((takes) => ({
    takes,
    longest: riskOfRhythm(takes, LONGEST_REST_MIN),
  }));
  const chosen =
    options.find(({ longest }) => longest <= accepted) ?? options.toSorted((a, b) => a.longest - b.longest)[0];
  if (!chosen || !isMuchLower(chosen.longest, now)) return null;
  const { takes, longest } = chosen;
  const enough = longest <= accepted ? accepted : longest + AS_GOOD;
  // The longer the rest the lower the risk: the longest one that does not do, and a minute more.
  const tooShort = largest(0, LONGEST_REST_MIN, 1, (rest) => riskOfRhythm(takes, rest) > enough);
  const restMinutes = tooShort === null ? 0 : tooShort + 1;
  return {
    code: 'rests',
    takes,
    minutes: Math.round((total / takes) * 10) / 10,
    restMinutes,
    risk: riskOfRhythm(takes, restMinutes),
  };
}

function air(input: AdviceInput): number | null {
  const passes = (ambientC: number): boolean =>
    (riskOf(withPlan(input.setup, { ambientC }), input) ?? 1) <= input.accepted;
  return largest(COLDEST_C, WARMEST_C, 1, passes);
}

interface Option<T> {
  readonly what: T;
  readonly risk: number;
}

/** The first option under the accepted risk, else the first as good as the best of them, where it is worth telling. */
function firstGood<T>(
  options: readonly T[],
  risk: (option: T) => number | null,
  { accepted }: AdviceInput,
  now: number,
): Option<T> | null {
  const tried: Option<T>[] = [];
  for (const what of options) {
    const its = risk(what);
    if (its === null) continue;
    if (its <= accepted) return { what, risk: its };
    tried.push({ what, risk: its });
  }
  const least = Math.min(...tried.map((one) => one.risk));
  return tried.find((one) => one.risk <= least + NEAR && isMuchLower(one.risk, now)) ?? null;
}

function otherRatio(input: AdviceInput, now: number): Advice | null {
  const { mode } = input.setup;
  const { rate } = mode;
  if (rate.kind !== 'raw') return null;
  const ladder = ratioLadder(mode).filter((one) => one.ratio > rate.ratio);
  const risk = ({ ratio }: { readonly ratio: number }): number | null =>
    riskOf({ ...input.setup, mode: withRatio(mode, ratio) }, input);
  const found = firstGood(ladder, risk, input, now);
  return found && { code: 'ratio', ratio: found.what.ratio, from: rate.ratio, risk: found.risk };
}

/** Modes of the body that write less, the fastest of them first. */
function otherMode(input: AdviceInput, now: number): Advice | null {
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
  const found = firstGood(slower, ({ mode }) => riskOf({ ...setup, mode }, input), input, now);
  return found && { code: 'mode', modeId: found.what.mode.id, risk: found.risk };
}

/** A ratio that is a mode of the body already is told once, as the mode. */
function isSameStep(ratio: Advice | null, mode: Advice | null, { body, mode: now }: HeatSetup): boolean {
  if (ratio?.code !== 'ratio' || mode?.code !== 'mode') return false;
  const other = body.modes.find(({ id }) => id === mode.modeId);
  return other?.rate.kind === 'raw' && other.rate.ratio === ratio.ratio && other.fps === now.fps;
}

/** The owned card that holds by rate and fails least; it must be better than the one in use. */
function otherCard(input: AdviceInput, now: number): Advice | null {
  const { setup, cards } = input;
  const body = { ...setup.body, modes: [setup.mode] };
  const open = cards.filter(({ id, retired }) => !retired && !setup.cards.some((used) => used.id === id));
  const holding = open.filter((card) => {
    const cell = board({ bodies: [body], cards: [card], tests: setup.tests }, setup.policy).columns[0]?.[0];
    return cell !== undefined && holdsByRate(cell);
  });
  let best: { readonly cardId: string; readonly risk: number } | null = null;
  for (const card of holding) {
    const risk = riskOf({ ...setup, cards: [card, ...setup.cards.slice(1)] }, input);
    if (risk !== null && risk < Math.min(now, best?.risk ?? 1)) best = { cardId: card.id, risk };
  }
  return best && now - best.risk > 0.05 ? { code: 'card', ...best } : null;
}

/** A change of conditions that lowers the risk, whether or not under what is accepted. */
const lower = (advice: Advice, now: number): readonly Advice[] => (now - advice.risk > 0.005 ? [advice] : []);

/**
 * What would make a plan hold, each by the same risk runs as the plan itself; best first. A generator that yields the
 * share done, so that a worker can stop between two questions.
 */
export function* adviceSteps(input: AdviceInput): Generator<number, Advised, void> {
  const { setup, accepted } = input;
  yield 0;
  const now = riskOf(setup, input) ?? 1;
  const moves: Advice[] = [];
  const add = (one: Advice | null): void => {
    if (one) moves.push(one);
  };
  yield 0.05;
  const holdsUpToC = air(input);
  if (now > accepted) {
    yield 0.2;
    add(rests(input, now));
    yield 0.5;
    add(longestTake(input));
    yield 0.55;
    const ratio = otherRatio(input, now);
    const mode = otherMode(input, now);
    if (!isSameStep(ratio, mode, setup)) add(ratio);
    add(mode);
    yield 0.75;
    add(otherCard(input, now));
    yield 0.9;
    if (holdsUpToC !== null && holdsUpToC < setup.plan.ambientC) {
      const risk = riskOf(withPlan(setup, { ambientC: holdsUpToC }), input) ?? 1;
      add({ code: 'cooler-air', ambientC: holdsUpToC, risk });
    }
  }
  if (setup.plan.sunC > 0) {
    const risk = riskOf(withPlan(setup, { sunC: 0 }), input) ?? 1;
    moves.push(...lower({ code: 'shade', sunC: setup.plan.sunC, risk }, now));
  }
  if (setup.startBodyC !== null || setup.startCardC !== null) {
    const risk = riskOf({ ...setup, startBodyC: null, startCardC: null }, input) ?? 1;
    moves.push(...lower({ code: 'cool-start', risk }, now));
  }
  return { risk: now, moves: moves.sort((a, b) => a.risk - b.risk), holdsUpToC };
}
