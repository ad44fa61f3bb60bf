import { factor, type Random, seeded } from './random.ts';
import { simulate } from './simulate.ts';
import type { Simulation } from './simulation.ts';

export interface RiskInput {
  /** 1 to 100,000. */
  readonly runs: number;
  readonly seed: number;
  /** Spread of every uncertain figure as a share of itself: about 0.25 claimed, 0.12 tested, 0.05 calibrated [A]. */
  readonly spread: number;
}

/** What is uncertain in a run. */
export const UNCERTAIN = [
  'sustained',
  'burst',
  'cache',
  'card-heat-path',
  'card-energy',
  'body-heat-path',
  'ambient',
] as const;
export type Uncertain = (typeof UNCERTAIN)[number];

export interface Risk {
  readonly runs: number;
  readonly dropProbability: number;
  readonly cutoffProbability: number;
  /** Half width of the 95 % interval of the drop probability, from the number of runs alone. */
  readonly dropUncertainty: number;
  /** When the failing runs fail; null where none does. */
  readonly atSeconds: { readonly p5: number; readonly p50: number; readonly p95: number } | null;
  /** What the risk hangs on most: how much more often runs fail on the worse half of each figure, most first. */
  readonly hangsOn: readonly { readonly what: Uncertain; readonly difference: number }[];
}

/** Degrees of air temperature that a spread of 1 would mean [A]. */
const AMBIENT_DEGREES = 20;

type Draws = Readonly<Record<Uncertain, number>>;

function draw(random: Random, spread: number): Draws {
  const draws = {} as Record<Uncertain, number>;
  for (const what of UNCERTAIN) draws[what] = factor(random, spread);
  return draws;
}

function drawn(sim: Simulation, draws: Draws): Simulation {
  const { card, heat } = sim;
  return {
    ...sim,
    card: {
      ...card,
      sustainedMBps: card.sustainedMBps * draws.sustained,
      burstMBps: card.burstMBps * draws.burst,
      cacheGB: card.cacheGB * draws.cache,
    },
    heat: {
      ...heat,
      ambientC: heat.ambientC + Math.log(draws.ambient) * AMBIENT_DEGREES,
      cardResistanceKPerW: heat.cardResistanceKPerW * draws['card-heat-path'],
      energyNJPerByte: heat.energyNJPerByte * draws['card-energy'],
      bodyResistanceKPerW: heat.bodyResistanceKPerW * draws['body-heat-path'],
    },
  };
}

/** The value below which a share of a sorted list lies, interpolated between neighbours (R's type 7). */
export function quantileSorted(sorted: readonly number[], share: number): number {
  const place = (sorted.length - 1) * share;
  const low = Math.floor(place);
  const [a, b] = [sorted[low] ?? Number.NaN, sorted[Math.min(low + 1, sorted.length - 1)] ?? Number.NaN];
  return a + (b - a) * (place - low);
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

/**
 * Many runs with every uncertain figure drawn around its value.
 *
 * @param onProgress - told the share done about twenty times; answers false to stop early
 * @returns null when stopped
 */
export function riskRuns(sim: Simulation, input: RiskInput, onProgress?: (share: number) => boolean): Risk | null {
  const random = seeded(input.seed);
  const step = Math.max(1, Math.floor(input.runs / 20));
  const all: Run[] = [];
  const failedAt: number[] = [];
  let drops = 0;
  let cutoffs = 0;
  for (let run = 0; run < input.runs; run += 1) {
    const draws = draw(random, input.spread);
    const { outcome, atSeconds } = simulate(drawn(sim, draws), false);
    const failed = outcome === 'dropped' || outcome === 'body-cutoff';
    if (outcome === 'dropped') drops += 1;
    if (outcome === 'body-cutoff') cutoffs += 1;
    if (failed) failedAt.push(atSeconds);
    all.push({ draws, failed });
    if (onProgress && run % step === 0 && !onProgress(run / input.runs)) return null;
  }
  failedAt.sort((a, b) => a - b);
  const p = drops / input.runs;
  const at = (share: number): number => quantileSorted(failedAt, share);
  return {
    runs: input.runs,
    dropProbability: p,
    cutoffProbability: cutoffs / input.runs,
    dropUncertainty: 1.96 * Math.sqrt((p * (1 - p)) / input.runs),
    atSeconds: failedAt.length === 0 ? null : { p5: at(0.05), p50: at(0.5), p95: at(0.95) },
    hangsOn: UNCERTAIN.map((what) => ({ what, difference: differenceOf(what, all) })).sort(
      (a, b) => b.difference - a.difference,
    ),
  };
}
