import type { Simulation } from './simulation.ts';

type Rhythm = Pick<Simulation, 'takeSeconds' | 'takes' | 'restSeconds'>;

/** Takes and rests of a run together, seconds. */
export const wholeSeconds = ({ takeSeconds, takes, restSeconds }: Rhythm): number =>
  takeSeconds * (takes ?? 1) + (restSeconds ?? 0) * ((takes ?? 1) - 1);

/** How much of the time up to a moment of a run was recorded and not rested, seconds. */
export function recordedSeconds({ takeSeconds, restSeconds }: Rhythm, atSeconds: number): number {
  const both = takeSeconds + (restSeconds ?? 0);
  const rounds = Math.floor(atSeconds / both);
  return rounds * takeSeconds + Math.min(takeSeconds, atSeconds - rounds * both);
}
