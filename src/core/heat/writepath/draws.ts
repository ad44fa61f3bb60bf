import { factor, type Random } from './random.ts';
import type { CardHeat, CardPath, Simulation } from './simulation.ts';

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
/** A figure that is drawn anew for every run. */
export type Uncertain = (typeof UNCERTAIN)[number];

/** Spread of each uncertain figure as a share of itself: the standard deviation of its logarithm. */
export type Spreads = Readonly<Record<Uncertain, number>>;

/** One spread for everything. */
export const evenSpreads = (spread: number): Spreads =>
  Object.fromEntries(UNCERTAIN.map((what) => [what, spread])) as Record<Uncertain, number>;

/** Factors around 1 of one run. */
export type Draws = Readonly<Record<Uncertain, number>>;

/** One draw of every uncertain figure, as factors around 1, from a seeded source. */
export function draw(random: Random, spreads: Spreads): Draws {
  const draws = {} as Record<Uncertain, number>;
  for (const what of UNCERTAIN) draws[what] = factor(random, spreads[what]);
  return draws;
}

/** Degrees of air temperature that a spread of 1 would mean [A]. */
export const AMBIENT_DEGREES = 20;

const drawnCard = (card: CardPath, draws: Draws): CardPath => ({
  ...card,
  sustainedMBps: card.sustainedMBps * draws.sustained,
  burstMBps: card.burstMBps * draws.burst,
  cacheGB: card.cacheGB * draws.cache,
});

const drawnHeat = <T extends CardHeat>(heat: T, draws: Draws): T => ({
  ...heat,
  cardResistanceKPerW: heat.cardResistanceKPerW * draws['card-heat-path'],
  energyNJPerByte: heat.energyNJPerByte * draws['card-energy'],
});

/** A run with its uncertain figures as drawn; the cards of a relay are of one kind and are drawn together. */
export function drawn(sim: Simulation, draws: Draws): Simulation {
  const heat = drawnHeat(sim.heat, draws);
  return {
    ...sim,
    card: drawnCard(sim.card, draws),
    heat: {
      ...heat,
      ambientC: heat.ambientC + Math.log(draws.ambient) * AMBIENT_DEGREES,
      bodyResistanceKPerW: heat.bodyResistanceKPerW * draws['body-heat-path'],
    },
    relay: sim.relay?.map((one) => ({ card: drawnCard(one.card, draws), heat: drawnHeat(one.heat, draws) })) ?? null,
  };
}
