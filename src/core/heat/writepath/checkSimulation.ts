import type { SimRefusal, Simulation } from './simulation.ts';

/** The range a figure must lie in, both ends allowed. */
export interface Limit {
  readonly min: number;
  readonly max: number;
}

/** Longest take or rest, and longest run of takes and rests together: a week-long take is not one take. */
const MAX_SECONDS = 172_800;
/** Most takes of one run. */
const MAX_TAKES = 1000;
const MAX_RELAY = 16;
/** A card that stalls more often than this over its size is a unit mistaken. */
const MAX_STALLS = 20_000;

const PACE: Limit = { min: 1e-3, max: 1e6 };
const TEMPERATURE: Limit = { min: -60, max: 150 };
const RESISTANCE: Limit = { min: 1e-4, max: 1e9 };
const CAPACITY: Limit = { min: 1e-3, max: 1e7 };

/** Ranges of every field, by its name in the call. */
export const LIMITS = {
  demandMBps: { min: 1e-3, max: 1e6 },
  takeSeconds: { min: 1e-3, max: MAX_SECONDS },
  restSeconds: { min: 0, max: MAX_SECONDS },
  takes: { min: 1, max: MAX_TAKES },
  lastTakeSeconds: { min: 1e-3, max: MAX_SECONDS },
  bufferMB: { min: 0, max: 1e7 },
  'card.busMBps': PACE,
  'card.burstMBps': PACE,
  'card.cacheGB': { min: 0, max: 1e6 },
  'card.sustainedMBps': PACE,
  'card.usableGB': { min: 1e-6, max: 1e6 },
  'card.stallEveryGB': { min: 1e-3, max: 1e6 },
  'card.stallSeconds': { min: 0, max: 3600 },
  'heat.ambientC': TEMPERATURE,
  'heat.bodyHeatCapacityJPerK': CAPACITY,
  'heat.bodyResistanceKPerW': RESISTANCE,
  'heat.recordingW': { min: 0, max: 10_000 },
  'heat.bodyLimitC': TEMPERATURE,
  'heat.cardHeatCapacityJPerK': CAPACITY,
  'heat.cardResistanceKPerW': RESISTANCE,
  'heat.idleW': { min: 0, max: 1000 },
  'heat.energyNJPerByte': { min: 0, max: 1e6 },
  'heat.throttleAtC': TEMPERATURE,
  'heat.resumeAtC': TEMPERATURE,
  'heat.throttleFactor': { min: 1e-3, max: 1 },
  'heat.startCardC': TEMPERATURE,
  'heat.startBodyC': TEMPERATURE,
} as const satisfies Record<string, Limit>;

const OPTIONAL = [
  'restSeconds',
  'takes',
  'lastTakeSeconds',
  'card.stallEveryGB',
  'card.stallSeconds',
  'heat.startCardC',
  'heat.startBodyC',
];
/** An insulated node is a fair question. */
const MAY_BE_INFINITE = ['heat.bodyResistanceKPerW', 'heat.cardResistanceKPerW'];

function valueAt(sim: Simulation, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | null)?.[key], sim);
}

function fieldRefusal(sim: Simulation, field: string, { min, max }: Limit): SimRefusal | null {
  const value = valueAt(sim, field);
  if (value == null) return OPTIONAL.includes(field) ? null : { code: 'not-finite', field, min, max };
  if (value === Number.POSITIVE_INFINITY && MAY_BE_INFINITE.includes(field)) return null;
  if (typeof value !== 'number' || !Number.isFinite(value)) return { code: 'not-finite', field, min, max };
  return value < min || value > max ? { code: 'out-of-range', field, min, max } : null;
}

/** Fields that are each possible and together are not. */
function contradiction(sim: Simulation): SimRefusal | null {
  const { heat, takeSeconds, restSeconds, takes } = sim;
  const refuse = (field: string, min: number | null, max: number | null): SimRefusal => ({
    code: 'contradiction',
    field,
    min,
    max,
  });
  if (heat.resumeAtC >= heat.throttleAtC) return refuse('heat.resumeAtC', null, heat.throttleAtC);
  if (heat.bodyLimitC <= heat.ambientC) return refuse('heat.bodyLimitC', heat.ambientC, null);
  if (!Number.isInteger(takes ?? 1)) return refuse('takes', 1, MAX_TAKES);
  const { usableGB, stallEveryGB } = sim.card;
  if (stallEveryGB != null && usableGB / stallEveryGB > MAX_STALLS)
    return refuse('card.stallEveryGB', usableGB / MAX_STALLS, null);
  const whole = (takeSeconds + (restSeconds ?? 0)) * (takes ?? 1);
  return whole > MAX_SECONDS * 7
    ? refuse('takes', 1, Math.floor((MAX_SECONDS * 7) / (takeSeconds + (restSeconds ?? 0))))
    : null;
}

/** Every card after the first is held to the limits of the first; its fields are told with its place. */
function relayRefusal(sim: Simulation): SimRefusal | null {
  const { relay } = sim;
  if ((relay?.length ?? 0) > MAX_RELAY) return { code: 'out-of-range', field: 'relay', min: 0, max: MAX_RELAY };
  for (const [at, { card, heat }] of (relay ?? []).entries()) {
    const refused = checkSimulation({ ...sim, relay: null, card, heat: { ...sim.heat, ...heat } });
    if (refused) return { ...refused, field: `relay[${at}].${refused.field}` };
  }
  return null;
}

/** What stops a run from being made, most basic first; null when nothing does. */
export function checkSimulation(sim: Simulation): SimRefusal | null {
  for (const [field, limit] of Object.entries(LIMITS)) {
    const refused = fieldRefusal(sim, field, limit);
    if (refused) return refused;
  }
  for (const [at, value] of (sim.demandTraceMBps ?? []).entries()) {
    if (!(value >= 0 && value <= 1e6))
      return { code: 'out-of-range', field: `demandTraceMBps[${at}]`, min: 0, max: 1e6 };
  }
  return contradiction(sim) ?? relayRefusal(sim);
}
