import { DEFAULT_PLAN } from '../src/core/heat/run/plan.ts';
import { aRun } from '../tests/support/aRun.ts';
import { largeKit } from '../tests/support/largeKit.ts';

/** What the bench asks of the worker. */
export const riskRequest = (runs: number) => ({
  sim: aRun({
    takeSeconds: 1800,
    card: { burstMBps: 1700, cacheGB: 200, sustainedMBps: 1500, usableGB: 1974 },
    heat: { ambientC: 35, idleW: 0.6, energyNJPerByte: 2.5 },
  }),
  input: { runs, seed: 1, spread: 0.2 },
});

export const marksRequest = () => ({ kit: largeKit(50, 30), plan: DEFAULT_PLAN });
