import { peakDemand } from './demand.ts';
import { simulate } from './simulate.ts';
import type { CardPath, Cause, SimResult, Simulation } from './simulation.ts';

type Change = (sim: Simulation) => Simulation;

const PLENTY = 1e6;

/** Every card of the run changed the same way. */
const withCards = (sim: Simulation, change: (card: CardPath) => Partial<CardPath>): Simulation => ({
  ...sim,
  card: { ...sim.card, ...change(sim.card) },
  relay: sim.relay?.map((one) => ({ ...one, card: { ...one.card, ...change(one.card) } })) ?? null,
});

/** One thing made as good as it could be, everything else as it was. */
const WITHOUT: Readonly<Record<Cause, Change>> = {
  stall: (sim) => withCards(sim, () => ({ stallEveryGB: null, stallSeconds: null })),
  heat: (sim) => ({
    ...sim,
    heat: { ...sim.heat, throttleFactor: 1 },
    relay: sim.relay?.map((one) => ({ ...one, heat: { ...one.heat, throttleFactor: 1 } })) ?? null,
  }),
  bus: (sim) =>
    withCards(sim, ({ burstMBps }) => ({ busMBps: PLENTY, burstMBps: Math.max(burstMBps, peakDemand(sim) * 2) })),
  // A card without a cache does not fail for the size of one.
  cache: (sim) => withCards(sim, ({ cacheGB }) => ({ cacheGB: cacheGB > 0 ? PLENTY : 0 })),
  flash: (sim) => withCards(sim, () => ({ sustainedMBps: PLENTY })),
};

/** Cheapest explanation first: a stall or heat passes, a bus can be exchanged, a cache or flash is the card itself. */
const ORDER: readonly Cause[] = ['stall', 'heat', 'bus', 'cache', 'flash'];

const isPresent = (cause: Cause, { card, heat, relay }: Simulation): boolean => {
  const cards = [{ card, heat }, ...(relay ?? [])];
  switch (cause) {
    case 'stall':
      return cards.some((one) => one.card.stallEveryGB != null && (one.card.stallSeconds ?? 0) > 0);
    case 'heat':
      return cards.some((one) => one.heat.throttleFactor < 1);
    case 'cache':
      return cards.some((one) => one.card.cacheGB > 0);
    default:
      return true;
  }
};

/** How long a take lasts before it drops; one that does not drop lasts for ever. */
const lasts = (sim: Simulation): number => {
  const { outcome, atSeconds } = simulate(sim, false);
  return outcome === 'dropped' ? atSeconds : Number.POSITIVE_INFINITY;
};

/**
 * What a take failed of: the first single thing without which it would have survived, found by running it again without
 * that thing. Where only several changes together would save it, the one that alone makes it last longest; where none
 * does, the flash.
 */
export function causeOf(sim: Simulation, result: SimResult): Cause | null {
  if (result.outcome === 'body-cutoff') return 'heat';
  if (result.outcome !== 'dropped') return null;
  let best: { readonly cause: Cause; readonly seconds: number } = { cause: 'flash', seconds: result.atSeconds };
  for (const cause of ORDER.filter((one) => isPresent(one, sim))) {
    const seconds = lasts(WITHOUT[cause](sim));
    if (seconds === Number.POSITIVE_INFINITY) return cause;
    if (seconds > best.seconds) best = { cause, seconds };
  }
  return best.cause;
}
