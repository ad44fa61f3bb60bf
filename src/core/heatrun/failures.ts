import { draw, drawn } from '../writepath/draws.ts';
import { seeded } from '../writepath/random.ts';
import { simulate } from '../writepath/simulate.ts';
import { hasFailed, type Lane } from './lane.ts';

/**
 * When the failing ones of so many runs fail, in the order of the draws. The same seed gives every question the same
 * draws, so that two takes differ by what was changed and not by luck.
 */
export function failures({ sim, spreads }: Lane, runs: number, seed: number): number[] {
  const random = seeded(seed);
  const failedAt: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const result = simulate(drawn(sim, draw(random, spreads)), false);
    if (hasFailed(result)) failedAt.push(result.atSeconds);
  }
  return failedAt;
}

/** Share of runs that fail, 0 to 1. */
export const failingShare = (lane: Lane, runs: number, seed: number): number =>
  failures(lane, runs, seed).length / runs;
