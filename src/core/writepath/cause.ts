import { simulate } from './simulate.ts';
import type { Cause, SimResult, Simulation } from './simulation.ts';

type Change = (sim: Simulation) => Simulation;

const PLENTY = 1e6;

/** One thing made as good as it could be, everything else as it was. */
const WITHOUT: Readonly<Record<Cause, Change>> = {
  stall: (sim) => ({ ...sim, card: { ...sim.card, stallEveryGB: null, stallSeconds: null } }),
  heat: (sim) => ({ ...sim, heat: { ...sim.heat, throttleFactor: 1 } }),
  bus: (sim) => ({
    ...sim,
    card: { ...sim.card, busMBps: PLENTY, burstMBps: Math.max(sim.card.burstMBps, sim.demandMBps * 2) },
  }),
  cache: (sim) => ({ ...sim, card: { ...sim.card, cacheGB: PLENTY } }),
  flash: (sim) => ({ ...sim, card: { ...sim.card, sustainedMBps: PLENTY } }),
};

/** Cheapest explanation first: a stall or heat passes, a bus can be exchanged, a cache or flash is the card itself. */
const ORDER: readonly Cause[] = ['stall', 'heat', 'bus', 'cache', 'flash'];

const isPresent = (cause: Cause, { card, heat }: Simulation): boolean => {
  switch (cause) {
    case 'stall':
      return card.stallEveryGB != null && (card.stallSeconds ?? 0) > 0;
    case 'heat':
      return heat.throttleFactor < 1;
    case 'cache':
      return card.cacheGB > 0;
    default:
      return true;
  }
};

/** Survived as far as the dropped take got, and past it. */
const survives = (result: SimResult): boolean => result.outcome !== 'dropped';

/**
 * What a take failed of: the first single thing without which it would have survived, found by running it again without
 * that thing. A take that only several changes together would save is put down to the flash.
 */
export function causeOf(sim: Simulation, result: SimResult): Cause | null {
  if (result.outcome === 'body-cutoff') return 'heat';
  if (result.outcome !== 'dropped') return null;
  const saved = ORDER.filter((cause) => isPresent(cause, sim)).find((cause) =>
    survives(simulate(WITHOUT[cause](sim), false)),
  );
  return saved ?? 'flash';
}
