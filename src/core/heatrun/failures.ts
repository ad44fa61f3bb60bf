import { type Steps, within } from '../steps.ts';
import { draw, drawn } from '../writepath/draws.ts';
import { seeded } from '../writepath/random.ts';
import { simulate } from '../writepath/simulate.ts';
import { hasFailed, type Lane } from './lane.ts';

/** What a run needs of its path to be drawn again and again. */
export type Drawable = Pick<Lane, 'sim' | 'spreads'>;

/** Runs between two steps: a run of very many events takes some ten milliseconds. */
const RUNS_A_STEP = 4;

/**
 * When the failing ones of so many runs fail, in the order of the draws. The same seed gives every question the same
 * draws, so that two takes differ by what was changed and not by luck.
 */
export function* failures({ sim, spreads }: Drawable, runs: number, seed: number): Steps<number[]> {
  const random = seeded(seed);
  const failedAt: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    if (run % RUNS_A_STEP === 0) yield run / runs;
    const result = simulate(drawn(sim, draw(random, spreads)), false);
    if (hasFailed(result)) failedAt.push(result.atSeconds);
  }
  return failedAt;
}

/** Share of runs that fail, 0 to 1. */
export function* failingShare(path: Drawable, runs: number, seed: number): Steps<number> {
  return (yield* failures(path, runs, seed)).length / runs;
}

export interface SharesInput {
  /** Null where one of them cannot be run. */
  readonly paths: readonly (Drawable | null)[];
  readonly runs: number;
  readonly seed: number;
}

/** Share of failing runs of several takes, by the same draws, to set them side by side. */
export function* shareSteps({ paths, runs, seed }: SharesInput): Steps<readonly (number | null)[]> {
  const shares: (number | null)[] = [];
  for (const [at, path] of paths.entries())
    shares.push(path && (yield* within(at / paths.length, (at + 1) / paths.length, failingShare(path, runs, seed))));
  return shares;
}
