import type { TestEnd } from '../kit/model.ts';
import { readTest } from '../match/testReading.ts';
import { toMegabytes } from '../units/convert.ts';
import { oddTake, type Placed } from './puzzles.ts';

/** One take on the map: how long it ran at which rate, and how it ended. */
export interface MapBar {
  readonly testId: string;
  readonly label: string;
  readonly MBps: number;
  readonly minutes: number;
  readonly end: TestEnd;
  /** Its numbers do not fit: drawn, and counted nowhere. */
  readonly misfit: boolean;
}

/** The takes that can be drawn: those whose rate is known. A fill is drawn at the rate it really wrote. */
export function mapBars(all: readonly Placed[]): readonly MapBar[] {
  return all.flatMap((one): readonly MapBar[] => {
    const take = oddTake(one);
    if (!take) return [];
    const { implied, misfit } = readTest(one.test, one.body, one.card);
    const { test, card } = one;
    const MBps = implied === null ? take.nominalMBps : toMegabytes(implied);
    const minutes = (test.seconds * (test.takes ?? 1)) / 60;
    return [{ testId: test.id, label: card.label, MBps, minutes, end: test.end, misfit: misfit !== null }];
  });
}

/** A corner of the ground that evidence supports: up to so many minutes, up to this rate. */
export interface Corner {
  readonly minutes: number;
  readonly MBps: number;
}

/**
 * The ground that the takes of one card support: every rate and length that lies under a full take, and under no drop. A
 * drop takes away what is faster and longer than it. Corners in order of minutes, rates falling.
 *
 * @param bars - of one card in one body
 */
export function supported(bars: readonly MapBar[]): readonly Corner[] {
  const told = bars.filter(({ misfit }) => !misfit);
  const drops = told.filter(({ end }) => end === 'dropped' || end === 'cut-off');
  const full = told.filter(({ end }) => end === 'full');
  // Every minute at which something changes: a rate counts there if a fill reached it and no drop lies at or under it.
  const minutes = [...new Set([...full, ...drops].map((bar) => bar.minutes))].sort((a, b) => a - b);
  const corners = minutes.flatMap((until): readonly Corner[] => {
    const reached = Math.max(0, ...full.filter((bar) => bar.minutes >= until).map((bar) => bar.MBps));
    const below = Math.min(Infinity, ...drops.filter((bar) => bar.minutes < until).map((bar) => bar.MBps));
    // A drop at a rate says that it does not hold past its end; just under that rate nothing is known but what filled.
    const held = Math.max(0, ...full.filter((bar) => bar.minutes >= until && bar.MBps < below).map((bar) => bar.MBps));
    const MBps = reached < below ? reached : held;
    return MBps > 0 ? [{ minutes: until, MBps }] : [];
  });
  return corners.filter((corner, at) => corners[at + 1]?.MBps !== corner.MBps);
}
