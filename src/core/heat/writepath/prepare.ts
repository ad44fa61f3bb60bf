import { GB, MB } from '../../units/convert.ts';
import type { CardHeat, CardPath, Simulation } from './simulation.ts';
import { type Modes, type Nodes, thermalModes } from './thermal.ts';

/** One card of a run with what is worked out once, in bytes and bytes per second. */
export interface Prepared {
  readonly nodes: Nodes;
  readonly modes: Modes;
  readonly heat: CardHeat;
  /** The slower of bus and burst, unthrottled. */
  readonly fast: number;
  readonly flash: number;
  readonly cacheSize: number;
  readonly usable: number;
  /** Infinity where the card never stalls. */
  readonly stallEvery: number;
  readonly stallSeconds: number;
}

const conductance = (resistance: number): number => (Number.isFinite(resistance) ? 1 / resistance : 0);

function prepared({ heat }: Simulation, card: CardPath, own: CardHeat): Prepared {
  const nodes: Nodes = {
    cardCapacity: own.cardHeatCapacityJPerK,
    bodyCapacity: heat.bodyHeatCapacityJPerK,
    cardConductance: conductance(own.cardResistanceKPerW),
    bodyConductance: conductance(heat.bodyResistanceKPerW),
    ambient: heat.ambientC,
  };
  const stalls = card.stallEveryGB != null && card.stallSeconds != null && card.stallSeconds > 0;
  return {
    nodes,
    modes: thermalModes(nodes),
    heat: own,
    fast: Math.min(card.busMBps, card.burstMBps) * MB,
    flash: card.sustainedMBps * MB,
    cacheSize: card.cacheGB * GB,
    usable: card.usableGB * GB,
    stallEvery: stalls ? (card.stallEveryGB ?? 0) * GB : Number.POSITIVE_INFINITY,
    stallSeconds: stalls ? (card.stallSeconds ?? 0) : 0,
  };
}

/** Every card of a run, the first one first. */
export const prepare = (sim: Simulation): readonly Prepared[] => [
  prepared(sim, sim.card, sim.heat),
  ...(sim.relay ?? []).map(({ card, heat }) => prepared(sim, card, heat)),
];

/** What a card turns into heat while it takes bytes at a pace, watts. */
export const cardWatts = ({ heat }: Prepared, drain: number): number =>
  heat.idleW + heat.energyNJPerByte * 1e-9 * drain;
