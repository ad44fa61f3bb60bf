import { finish, type Steps } from '../../steps.ts';
import { type Band, createBand, type Percentiles, rangeOf } from './band.ts';
import { type Draws, draw, drawn, evenSpreads, type Spreads, UNCERTAIN, type Uncertain } from './draws.ts';
import { wholeSeconds } from './duration.ts';
import { seeded } from './random.ts';
import { simulate } from './simulate.ts';
import type { SimRefusal, Simulation } from './simulation.ts';

/** Most runs of one question. */
const MAX_RUNS = 100_000;

/** A figure that may be three times off, either way, is not known at all. */
const MAX_SPREAD = 1;

/**
 * How many runs, with which seed and spread; `maxEvents` bounds the work, and fewer runs come back where it is
 * reached.
 */
export interface RiskInput {
  /** 1 to 100,000. */
  readonly runs: number;
  readonly seed: number;
  /** For every figure alike, or one for each: about 0.25 claimed, 0.12 tested, 0.05 calibrated [A]. */
  readonly spread: number | Spreads;
  /** Events of all runs together after which no further run is begun; a drawn run can have far more than the one planned. */
  readonly maxEvents?: number | null;
}

const RISK_LIMITS = {
  runs: { min: 1, max: MAX_RUNS },
  seed: { min: 0, max: 4_294_967_295 },
} as const;

/** What stops risk runs from being made; null when nothing does. */
export function checkRisk(input: RiskInput): SimRefusal | null {
  for (const field of ['runs', 'seed'] as const) {
    const { min, max } = RISK_LIMITS[field];
    const value = input[field];
    if (!Number.isInteger(value) || value < min || value > max)
      return { code: Number.isFinite(value) ? 'out-of-range' : 'not-finite', field: `risk.${field}`, min, max };
  }
  const spreads = typeof input.spread === 'number' ? [input.spread] : Object.values(input.spread);
  return spreads.every((spread) => spread >= 0 && spread <= MAX_SPREAD)
    ? null
    : { code: 'out-of-range', field: 'risk.spread', min: 0, max: MAX_SPREAD };
}

/** Of many runs: how often they fail and by what, when, and the band of temperatures, shares 0 to 1. */
export interface Risk {
  /** Made; fewer than asked for where their events ran out. */
  readonly runs: number;
  readonly dropProbability: number;
  readonly cutoffProbability: number;
  /** How often they fail in all, with its 95 % interval from the number of runs alone (Wilson). */
  readonly failing: Share;
  /** When the failing runs fail; null where none does. */
  readonly atSeconds: Percentiles | null;
  /** What the risk hangs on most: how much more often runs fail on the worse half of each figure, most first. */
  readonly hangsOn: readonly { readonly what: Uncertain; readonly difference: number }[];
  readonly band: Band;
}

/** A share seen in some runs, and the interval that it lies in. */
export interface Share {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/**
 * A share seen in so many runs with its 95 % interval, about its own centre and not about what was seen: none of a thousand
 * runs failing is up to 0.4 % of all.
 *
 * @see Wilson, Probable inference, Journal of the American Statistical Association 22 (1927), from memory
 */
export function shareOf(count: number, runs: number): Share {
  const z = 1.96;
  const share = count / runs;
  const whole = 1 + (z * z) / runs;
  const centre = (share + (z * z) / (2 * runs)) / whole;
  const half = (z / whole) * Math.sqrt((share * (1 - share)) / runs + (z * z) / (4 * runs * runs));
  return {
    share,
    low: count === 0 ? 0 : Math.max(0, centre - half),
    high: count === runs ? 1 : Math.min(1, centre + half),
  };
}

interface Run {
  readonly draws: Draws;
  readonly failed: boolean;
}

/** How much more often runs fail on one half of a figure than on the other. */
function differenceOf(what: Uncertain, runs: readonly Run[]): number {
  let high = 0;
  let highFailed = 0;
  let lowFailed = 0;
  for (const { draws, failed } of runs) {
    if (draws[what] >= 1) {
      high += 1;
      highFailed += failed ? 1 : 0;
    } else lowFailed += failed ? 1 : 0;
  }
  const low = runs.length - high;
  return high === 0 || low === 0 ? 0 : Math.abs(highFailed / high - lowFailed / low);
}

/** Runs between two steps: a run of very many events takes some ten milliseconds. */
const RUNS_A_STEP = 16;

/** Many runs with every uncertain figure drawn around its value. */
export function* riskSteps(sim: Simulation, input: RiskInput): Steps<Risk> {
  const { runs: asked } = input;
  const maxEvents = input.maxEvents ?? Number.POSITIVE_INFINITY;
  const random = seeded(input.seed);
  const spreads = typeof input.spread === 'number' ? evenSpreads(input.spread) : input.spread;
  const band = createBand(wholeSeconds(sim));
  const all: Run[] = [];
  const failedAt: number[] = [];
  let drops = 0;
  let cutoffs = 0;
  let events = 0;
  let runs = 0;
  for (; runs < asked && events < maxEvents; runs += 1) {
    if (runs % RUNS_A_STEP === 0) yield Math.max(runs / asked, events / maxEvents);
    const draws = draw(random, spreads);
    const result = simulate(drawn(sim, draws), false, band.watch());
    const { outcome, atSeconds } = result;
    events += result.events;
    const failed = outcome === 'dropped' || outcome === 'body-cutoff';
    if (outcome === 'dropped') drops += 1;
    if (outcome === 'body-cutoff') cutoffs += 1;
    if (failed) failedAt.push(atSeconds);
    all.push({ draws, failed });
  }
  failedAt.sort((a, b) => a - b);
  return {
    runs,
    dropProbability: drops / runs,
    cutoffProbability: cutoffs / runs,
    failing: shareOf(drops + cutoffs, runs),
    atSeconds: failedAt.length === 0 ? null : rangeOf(failedAt),
    hangsOn: UNCERTAIN.map((what) => ({ what, difference: differenceOf(what, all) })).sort(
      (a, b) => b.difference - a.difference,
    ),
    band: band.result(failedAt, runs),
  };
}

/** The same to its end. */
export const riskRuns = (sim: Simulation, input: RiskInput): Risk => finish(riskSteps(sim, input));
