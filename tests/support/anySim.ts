import fc from 'fast-check';
import { aRun } from './aRun.ts';

/** Any run of the model, for properties that hold of all of them. */
export const anySim = fc
  .record({
    demandMBps: fc.integer({ min: 10, max: 1500 }),
    takeSeconds: fc.integer({ min: 10, max: 4000 }),
    restSeconds: fc.integer({ min: 0, max: 600 }),
    takes: fc.integer({ min: 1, max: 4 }),
    bufferMB: fc.integer({ min: 0, max: 20_000 }),
    cacheGB: fc.integer({ min: 0, max: 300 }),
    sustainedMBps: fc.integer({ min: 20, max: 1500 }),
    ambientC: fc.integer({ min: -10, max: 45 }),
    energyNJPerByte: fc.double({ min: 0, max: 12, noNaN: true }),
    cardResistanceKPerW: fc.double({ min: 1, max: 30, noNaN: true }),
  })
  .map(({ cacheGB, sustainedMBps, ambientC, energyNJPerByte, cardResistanceKPerW, ...rest }) =>
    aRun({
      ...rest,
      card: { cacheGB, sustainedMBps },
      heat: { ambientC, energyNJPerByte, cardResistanceKPerW, idleW: 0.4 },
    }),
  );
