import { simulate } from '../writepath/simulate.ts';
import type { Simulation } from '../writepath/simulation.ts';
import { hasFailed, type Lane } from './lane.ts';

/**
 * How the pace of a path is known. unknown: of one of its cards nothing is · promised: a mark or a minimum, which is a
 * floor and not a speed · known: tested, claimed, entered or fitted.
 */
export type PaceKnown = 'known' | 'promised' | 'unknown';

const PROMISES = new Set(['mark', 'minimum', 'approved']);

/** The least known of the cards of a path. */
export function paceOf({ cardFigures }: Pick<Lane, 'cardFigures'>): PaceKnown {
  const sources = cardFigures.map(({ sustainedMBps }) => sustainedMBps?.source.code ?? 'keeps-up');
  if (sources.includes('keeps-up')) return 'unknown';
  return sources.some((code) => PROMISES.has(code)) ? 'promised' : 'known';
}

/** Pace of the flash in place of what a run was made with, on every card of it. */
const withPace = (sim: Simulation, sustainedMBps: number): Simulation => ({
  ...sim,
  card: { ...sim.card, sustainedMBps, burstMBps: Math.max(sim.card.burstMBps, sustainedMBps) },
  relay:
    sim.relay?.map((one) => ({
      ...one,
      card: { ...one.card, sustainedMBps, burstMBps: Math.max(one.card.burstMBps, sustainedMBps) },
    })) ?? null,
});

/** As far above the demand as a pace is asked about; a throttled card may need twice as much and more. */
const MOST = 8;

/**
 * The pace from which on a take holds, MB/s, with its heat as it is: to a thousandth above.
 *
 * @returns null where no pace makes it hold, since the body shuts down or the bus is too slow
 */
export function breakEvenMBps({ sim }: Pick<Lane, 'sim'>): number | null {
  const fails = (pace: number): boolean => hasFailed(simulate(withPace(sim, pace), false));
  const demand = Math.max(sim.demandMBps, ...(sim.demandTraceMBps ?? []));
  let [bad, good] = [0, demand * MOST];
  if (fails(good)) return null;
  while (good - bad > good * 1e-3) {
    const middle = (good + bad) / 2;
    if (fails(middle)) bad = middle;
    else good = middle;
  }
  return good;
}
