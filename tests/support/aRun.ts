import type { CardPath, HeatPath, Simulation } from '../../src/core/heat/writepath/simulation.ts';

/** A cine body and a card that drops when its fast cache is full, for tests and benches to change. */
const card: CardPath = { busMBps: 2000, burstMBps: 1500, cacheGB: 100, sustainedMBps: 400, usableGB: 1000 };

const heat: HeatPath = {
  ambientC: 20,
  bodyHeatCapacityJPerK: 1500,
  bodyResistanceKPerW: 0.6,
  recordingW: 30,
  bodyLimitC: 62,
  cardHeatCapacityJPerK: 9,
  cardResistanceKPerW: 9,
  idleW: 0,
  energyNJPerByte: 0,
  throttleAtC: 75,
  resumeAtC: 68,
  throttleFactor: 0.5,
};

type Change = Omit<Partial<Simulation>, 'card' | 'heat'> & {
  readonly card?: Partial<CardPath>;
  readonly heat?: Partial<HeatPath>;
};

export const aRun = (change: Change = {}): Simulation => ({
  demandMBps: 886,
  takeSeconds: 3600,
  bufferMB: 8000,
  ...change,
  card: { ...card, ...change.card },
  heat: { ...heat, ...change.heat },
});
