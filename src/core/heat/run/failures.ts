import { type Steps, within } from '../../steps.ts';
import { draw, drawn } from '../writepath/draws.ts';
import { seeded } from '../writepath/random.ts';
import { simulate } from '../writepath/simulate.ts';
import { hasFailed, type Lane } from './lane.ts';

/** What a run needs of its path to be drawn again and again. */
export type Drawable = Pick<Lane, 'sim' | 'spreads'>;

/** Runs between two steps: a run of very many events takes some ten milliseconds. */
const RUNS_A_STEP = 4;

/** How many runs, and with which draws. */
export interface Runs {
  readonly runs: number;
  readonly seed: number;
  /** Events after which no further run is begun: a drawn run can have far more than the one planned. */
  readonly maxEvents?: number;
}

/** Which of the runs made have failed, and when. */
export interface Failures {
  /** When the failing ones fail, in the order of the draws; seconds. */
  readonly failedAt: number[];
  /** Made; fewer than asked for where their events ran out. */
  readonly runs: number;
}

/**
 * Makes so many runs and keeps when they fail. The same seed gives every question the same draws, so that two takes differ
 * by what was changed and not by luck.
 */
export function* failures({ sim, spreads }: Drawable, asked: Runs): Steps<Failures> {
  const random = seeded(asked.seed);
  const maxEvents = asked.maxEvents ?? Number.POSITIVE_INFINITY;
  const failedAt: number[] = [];
  let events = 0;
  let runs = 0;
  for (; runs < asked.runs && events < maxEvents; runs += 1) {
    if (runs % RUNS_A_STEP === 0) yield Math.max(runs / asked.runs, events / maxEvents);
    const result = simulate(drawn(sim, draw(random, spreads)), false);
    events += result.events;
    if (hasFailed(result)) failedAt.push(result.atSeconds);
  }
  return { failedAt, runs };
}

/** Share of runs that fail, 0 to 1. */
export function* failingShare(path: Drawable, asked: Runs): Steps<number> {
  const { failedAt, runs } = yield* failures(path, asked);
  return failedAt.length / runs;
}

/**
 * Whether no more than a share of the runs fail. It is known as soon as more have failed; that it holds only once all were
 * made, so that runs broken off by `maxEvents` hold nothing.
 *
 * @returns the share that fails where it is no more than accepted; else the least it can be, which is more; null where the runs
 *   were broken off before either was known
 */
export function* failingUpTo({ sim, spreads }: Drawable, asked: Runs, accepted: number): Steps<number | null> {
  const random = seeded(asked.seed);
  const maxEvents = asked.maxEvents ?? Number.POSITIVE_INFINITY;
  let failed = 0;
  let events = 0;
  for (let runs = 0; runs < asked.runs; runs += 1) {
    if (events >= maxEvents) return null;
    if (runs % RUNS_A_STEP === 0) yield runs / asked.runs;
    const result = simulate(drawn(sim, draw(random, spreads)), false);
    events += result.events;
    if (hasFailed(result)) failed += 1;
    if (failed > accepted * asked.runs) return failed / asked.runs;
  }
  return failed / asked.runs;
}

/** Paths to be run many times with their own spreads, a bound on events, and the seed. */
export interface SharesInput extends Runs {
  /** Null where one of them cannot be run. */
  readonly paths: readonly (Drawable | null)[];
}

/** Share of failing runs of several takes, by the same draws, to set them side by side. */
export function* shareSteps({ paths, ...asked }: SharesInput): Steps<readonly (number | null)[]> {
  const shares: (number | null)[] = [];
  for (const [at, path] of paths.entries())
    shares.push(path && (yield* within(at / paths.length, (at + 1) / paths.length, failingShare(path, asked))));
  return shares;
}
