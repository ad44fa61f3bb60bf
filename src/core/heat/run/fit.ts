import { entryAt } from '../../entryAt.ts';
import type { Body, BodyFigure, Card, CardFigure, OwnFigure, Test } from '../../kit/model.ts';
import { err, ok, type Result } from '../../result.ts';
import { type Steps, within } from '../../steps.ts';
import { quantileSorted } from '../writepath/band.ts';
import { factor, seeded } from '../writepath/random.ts';
import { simulate } from '../writepath/simulate.ts';
import type { Simulation } from '../writepath/simulation.ts';
import { NINE_TENTHS, spreadOf } from './known.ts';
import { type HeatSetup, hasFailed, type Lane, lanesOf } from './lane.ts';

/** Figures that logged takes can move. */
const FITTED = [
  'cardResistanceKPerW',
  'bodyResistanceKPerW',
  'bodyHeatCapacityJPerK',
  'sustainedMBps',
  'cacheGB',
] as const satisfies readonly (BodyFigure | CardFigure)[];
/** One of the figures that logged takes can move. */
type FittedFigure = (typeof FITTED)[number];

/** Those that takes on any card tell of. */
const OF_BODY: ReadonlySet<FittedFigure> = new Set(['bodyResistanceKPerW', 'bodyHeatCapacityJPerK']);

/** Least squares, passed in: residuals of a parameter vector, a start, and back the vector that makes them smallest. */
export type LeastSquares = (
  residuals: (at: readonly number[]) => readonly number[],
  start: readonly number[],
) => readonly number[];

/** A body and a card, everything logged, and the seed: the same input gives the same fit. */
export interface FitInput {
  readonly body: Body;
  readonly card: Card;
  /** Every card owned: takes of the body on another card tell of the body. */
  readonly cards: readonly Card[];
  /** The whole log; takes of this body with air and mode noted are used. */
  readonly tests: readonly Test[];
  readonly policy: HeatSetup['policy'];
  readonly seed: number;
}

/** Why nothing was fitted: no usable take, or one that cannot be run. */
export type FitRefusal =
  /** No take of this body has its mode and air noted. */
  { readonly code: 'nothing-logged' } | { readonly code: 'cannot-run'; readonly testId: string };

/** A figure before and after the fit. */
export interface FittedValue {
  readonly figure: FittedFigure;
  readonly before: number;
  readonly after: OwnFigure;
  /** True where the takes narrowed it; otherwise it stays as it was. */
  readonly informed: boolean;
}

/** How a take reads with the fitted figures. */
export interface ExplainedTake {
  readonly testId: string;
  readonly cardId: string;
  readonly end: Test['end'];
  readonly seconds: number;
  /** When the fitted run fails; null where it does not within five times the take. */
  readonly fittedSeconds: number | null;
  /** True where the fit misses it by more than three times the scatter of takes. */
  readonly unexplained: boolean;
  /** Whether the figures as they would be kept end it where it really ended, or hold it as long as it held. */
  readonly reproduced: boolean;
}

/** What logged takes say of the figures, and how each take reads with them. */
export interface Fit {
  readonly figures: readonly FittedValue[];
  readonly takes: readonly ExplainedTake[];
  /** Whether every take of the pair is reproduced: figures that cannot say what happened are not kept. */
  readonly usable: boolean;
}

/** Share by which a reproduced take may end sooner or later than it really did [A]. */
const REPRODUCED = 0.15;

/** Scatter of a take's length that no figure explains: standard deviation of its logarithm [A]. */
const SCATTER = 0.1;
/** Degrees short of a threshold that count as one standard deviation where a failing take does not fail [A]. */
const SHORT_C = 2;
const HORIZON = 5;
const STEPS = 6000;
const WARM_UP = 1000;
/** A figure counts as fitted where its range is at most this share of what it was [A]. */
const NARROWED = 0.85;

interface FittedTake {
  readonly test: Test;
  readonly sim: Simulation;
  readonly lane: Lane;
  /** False on another card, whose own figures are not fitted: only what the body did counts. */
  readonly own: boolean;
  /** True where the take only says that nothing failed sooner. */
  readonly censored: boolean;
  /** From the first frame of the first take to the end of the last. */
  readonly total: number;
}

/** The run a logged take asks for, open-ended, so that a fit may fail later than the take did. */
function takeOf(test: Test, input: FitInput): FittedTake | null {
  const mode = input.body.modes.find(({ id }) => id === test.modeId);
  const card = input.cards.find(({ id }) => id === test.cardId);
  if (!mode || !card || test.ambientWithSunC == null) return null;
  const takes = test.takes ?? 1;
  const rest = test.restSeconds ?? 0;
  const lanes = lanesOf({
    body: input.body,
    mode,
    arrangement: 'single',
    cards: [card],
    // The log itself must not be what proves the pace that is being fitted.
    tests: [],
    policy: input.policy,
    plan: {
      minutes: test.seconds / 60,
      takes,
      restMinutes: rest / 60,
      ambientC: test.ambientWithSunC,
      sunC: 0,
      air: test.air ?? null,
    },
    startBodyC: null,
    startCardC: null,
    demandTraceMBps: null,
  });
  const lane = lanes.ok ? lanes.value[0] : undefined;
  if (!lane) return null;
  const total = takes * test.seconds + (takes - 1) * rest;
  const own = card.id === input.card.id;
  const onlyBody = !own || test.end === 'cut-off';
  const censored = own ? test.end === 'full' || test.end === 'stopped' : test.end !== 'cut-off';
  const sim: Simulation = {
    ...lane.sim,
    takes,
    lastTakeSeconds: censored ? test.seconds : test.seconds * HORIZON,
    // Only what ended the take may end the run; a card that is full ends neither.
    card: { ...lane.sim.card, usableGB: 1e6 },
    bufferMB: onlyBody ? 1e7 : lane.sim.bufferMB,
    heat: { ...lane.sim.heat, bodyLimitC: own && test.end === 'dropped' ? 150 : lane.sim.heat.bodyLimitC },
  };
  return { test, sim, lane, own, censored, total };
}

/** A run with its fitted figures multiplied; the vector holds logarithms, so that none turns negative. */
function scaled({ sim, own }: FittedTake, at: readonly number[]): Simulation {
  const factors = at.map((one) => Math.exp(Math.min(3, Math.max(-3, one))));
  const [, bodyPath = 1, bodyMass = 1] = factors;
  const [cardPath = 1, , , pace = 1, cache = 1] = own ? factors : [];
  return {
    ...sim,
    card: { ...sim.card, sustainedMBps: sim.card.sustainedMBps * pace, cacheGB: sim.card.cacheGB * cache },
    heat: {
      ...sim.heat,
      cardResistanceKPerW: sim.heat.cardResistanceKPerW * cardPath,
      bodyResistanceKPerW: sim.heat.bodyResistanceKPerW * bodyPath,
      bodyHeatCapacityJPerK: sim.heat.bodyHeatCapacityJPerK * bodyMass,
    },
  };
}

/**
 * How far a take is from what a vector predicts, in standard deviations. A full or stopped take is censored: it only
 * speaks against runs that fail sooner; so does one on another card that did not shut the body down.
 */
function residualOf(take: FittedTake, at: readonly number[]): number {
  const { test, total, censored } = take;
  const run = scaled(take, at);
  const result = simulate(run, false);
  const failed = hasFailed(result);
  const off = Math.log(Math.max(1e-3, result.atSeconds) / total) / SCATTER;
  if (censored) return failed ? Math.min(0, off) : 0;
  if (failed) return off;
  const short =
    test.end === 'cut-off' ? run.heat.bodyLimitC - result.peakBodyC : run.heat.throttleAtC - result.peakCardC;
  return off + Math.max(0, short) / SHORT_C;
}

interface Visited {
  readonly seen: readonly (readonly number[])[];
  /** The vector of least cost met on the way, the start included: a solver may stop at a kink. */
  readonly best: readonly number[];
}

/**
 * Walks through the figures that the takes and the earlier knowledge allow (Metropolis, seeded); what it visits is what
 * they may be. Ranges read off it stay honest where takes only bound a figure from one side.
 */
function* visited(
  cost: (at: readonly number[]) => number,
  start: readonly number[],
  spreads: readonly number[],
  seed: number,
): Steps<Visited> {
  const random = seeded(seed);
  let at = [...start];
  let now = cost(at);
  let best = { at, cost: now };
  const seen: number[][] = [];
  for (let step = 0; step < STEPS; step += 1) {
    if (step % 8 === 0) yield step / STEPS;
    const next = at.map((one, place) => one + 0.6 * entryAt(spreads, place) * Math.log(factor(random, 1)));
    const then = cost(next);
    if (Math.log(1 - random()) < (now - then) / 2) [at, now] = [next, then];
    if (now < best.cost) best = { at, cost: now };
    if (step >= WARM_UP) seen.push(at);
  }
  return { seen, best: best.at };
}

/**
 * Fits the figures of a body and a card to logged takes. What is known before counts as one more observation of each
 * figure with its own spread, so that three takes never overrule it by accident.
 *
 * @param solve - a least-squares solver; the core holds none
 */
export function* fitSteps(input: FitInput, solve: LeastSquares): Steps<Result<Fit, FitRefusal>> {
  yield 0;
  const logged = input.tests.filter(
    ({ bodyId, ambientWithSunC: ambientC, modeId, seconds, start, end }) =>
      bodyId === input.body.id &&
      ambientC != null &&
      modeId !== null &&
      seconds > 0 &&
      // One that failed before it had cooled says nothing of a take from cold; one that held says all the more.
      (start !== 'warm' || end === 'full' || end === 'stopped'),
  );
  const takes: FittedTake[] = [];
  for (const test of logged) {
    const take = takeOf(test, input);
    if (take) takes.push(take);
    // A take of another card that is gone, or no longer fits, is no reason to leave this pair unfitted.
    else if (test.cardId === input.card.id) return err({ code: 'cannot-run', testId: test.id });
  }
  const [first] = takes;
  if (!first) return err({ code: 'nothing-logged' });
  const ofPair = takes.find(({ own }) => own);
  const { figures } = (ofPair ?? first).lane;
  const fitted = FITTED.filter((key) => (OF_BODY.has(key) || ofPair) && (figures[key]?.value ?? 0) > 0);
  const spreads = FITTED.map((key) => {
    const known = figures[key];
    return known ? Math.max(0.02, spreadOf(known)) : 0.25;
  });
  const residuals = (at: readonly number[]): readonly number[] => [
    ...takes.map((take) => residualOf(take, at)),
    ...at.map((one, place) => one / entryAt(spreads, place)),
  ];
  const solved = solve(
    residuals,
    FITTED.map(() => 0),
  );
  const cost = (at: readonly number[]): number => residuals(at).reduce((sum, one) => sum + one * one, 0);
  const { seen, best } = yield* within(0.1, 1, visited(cost, solved, spreads, input.seed));
  const reported = fitted.map((key) => {
    const place = FITTED.indexOf(key);
    const before = figures[key]?.value ?? 0;
    const sorted = Float64Array.from(seen, (at) => entryAt(at, place)).sort();
    const [low, high] = [quantileSorted(sorted, 0.05), quantileSorted(sorted, 0.95)];
    const value = Math.min(high, Math.max(low, entryAt(best, place)));
    const factorOf = (one: number): number => before * Math.exp(one);
    const informed = high - low < NARROWED * NINE_TENTHS * entryAt(spreads, place);
    const after = { value: factorOf(value), basis: 'fitted' as const, low: factorOf(low), high: factorOf(high) };
    return { figure: key, before, after, informed, moved: value };
  });
  const told = asKept(takes, reported);
  return ok({
    figures: told.figures.map(({ moved: _, ...figure }) => figure),
    takes: told.takes,
    usable: told.takes.every((take) => take.reproduced || take.cardId !== input.card.id),
  });
}

/** A fitted figure with the logarithm by which it moved. */
type Moved = FittedValue & { readonly moved: number };

/**
 * How the takes read with the figures that would be kept. Those the takes narrowed come first; where they alone do not
 * reproduce what happened, what else moved is kept too, if that does.
 */
function asKept(takes: readonly FittedTake[], reported: readonly Moved[]) {
  const vectorOf = (figures: readonly Moved[]): readonly number[] =>
    FITTED.map((key) => figures.find(({ figure, informed }) => figure === key && informed)?.moved ?? 0);
  const narrowed = takes.map((take) => explained(take, vectorOf(reported)));
  if (narrowed.every(({ reproduced }) => reproduced)) return { figures: reported, takes: narrowed };
  const all = reported.map((one) => ({ ...one, informed: one.informed || Math.abs(one.moved) > 0.01 }));
  const moved = takes.map((take) => explained(take, vectorOf(all)));
  const count = (some: readonly ExplainedTake[]): number => some.filter(({ reproduced }) => reproduced).length;
  return count(moved) > count(narrowed) ? { figures: all, takes: moved } : { figures: reported, takes: narrowed };
}

function explained(take: FittedTake, at: readonly number[]): ExplainedTake {
  const { test, total, censored } = take;
  const result = simulate(scaled(take, at), false);
  const failed = hasFailed(result);
  const off = Math.log(Math.max(1e-3, result.atSeconds) / total);
  const reproduced = censored ? !failed || off > -REPRODUCED : failed && Math.abs(off) <= REPRODUCED;
  return {
    testId: test.id,
    cardId: test.cardId,
    end: test.end,
    seconds: test.seconds,
    fittedSeconds: failed ? result.atSeconds - (total - test.seconds) : null,
    unexplained: Math.abs(residualOf(take, at)) > 3,
    reproduced,
  };
}
