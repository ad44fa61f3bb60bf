import { quantile } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { quantileSorted } from '../../src/core/writepath/band.ts';
import { seeded } from '../../src/core/writepath/random.ts';
import { simulate } from '../../src/core/writepath/simulate.ts';
import type { Simulation } from '../../src/core/writepath/simulation.ts';
import { odeRun } from '../support/odeRun.ts';

/** Parameter sets over the whole range of real gear, from one seed. */
function sets(count: number): readonly Simulation[] {
  const random = seeded(2026);
  const between = (low: number, high: number): number => low + (high - low) * random();
  return Array.from({ length: count }, (_, at) => ({
    demandMBps: between(50, 1200),
    takeSeconds: between(60, 3000),
    restSeconds: at % 3 === 0 ? between(30, 900) : 0,
    takes: at % 3 === 0 ? 3 : 1,
    bufferMB: at % 7 === 0 ? 0 : between(200, 12_000),
    card: {
      busMBps: between(400, 2000),
      burstMBps: between(300, 1800),
      cacheGB: at % 5 === 0 ? 0 : between(5, 250),
      sustainedMBps: between(100, 1500),
      usableGB: between(200, 2000),
    },
    heat: {
      ambientC: between(0, 42),
      bodyHeatCapacityJPerK: between(120, 1500),
      bodyResistanceKPerW: between(0.5, 4),
      recordingW: between(3, 30),
      bodyLimitC: 62,
      cardHeatCapacityJPerK: between(0.7, 9),
      cardResistanceKPerW: between(6, 30),
      idleW: between(0.1, 0.6),
      energyNJPerByte: between(2, 9),
      throttleAtC: 75,
      resumeAtC: 68,
      throttleFactor: between(0.2, 0.7),
    },
  }));
}

// Reference: odex, a general ODE solver, integrating the same equations written independently (tests/support/odeRun.ts).
describe('240 random write paths, against an ODE package', () => {
  it('end the same way, within 1e-4 of the time and 0.01 K', { timeout: 120_000 }, () => {
    const outcomes = new Map<string, number>();
    let throttled = 0;
    for (const [at, sim] of sets(240).entries()) {
      const ours = simulate(sim);
      const theirs = odeRun(sim);
      const last = ours.timeline.at(-1);
      expect(ours.outcome, `set ${at}`).toBe(theirs.outcome);
      expect(Math.abs(ours.atSeconds - theirs.atSeconds), `set ${at}, time`).toBeLessThanOrEqual(
        1e-4 * Math.max(1, theirs.atSeconds),
      );
      expect(Math.abs((last?.cardC ?? 0) - theirs.cardC), `set ${at}, card`).toBeLessThanOrEqual(0.01);
      expect(Math.abs((last?.bodyC ?? 0) - theirs.bodyC), `set ${at}, body`).toBeLessThanOrEqual(0.01);
      outcomes.set(ours.outcome, (outcomes.get(ours.outcome) ?? 0) + 1);
      if (ours.firstThrottleAtSeconds !== null) throttled += 1;
    }
    // The sets reach every ending, and throttling, or the comparison would say little.
    expect([...outcomes.keys()].sort()).toEqual(['body-cutoff', 'complete', 'dropped', 'filled']);
    expect(throttled).toBeGreaterThan(20);
  });
});

// Reference: simple-statistics. Its quantile is the plain order statistic, so lists whose length meets it are compared.
describe('quantiles, against a statistics package', () => {
  it('agree on the median of odd lists and on the ends', () => {
    const random = seeded(5);
    for (let length = 3; length < 200; length += 2) {
      const list = Array.from({ length }, random).sort((a, b) => a - b);
      expect(quantileSorted(list, 0.5)).toBeCloseTo(quantile(list, 0.5), 12);
      expect(quantileSorted(list, 0)).toBe(quantile(list, 0));
      expect(quantileSorted(list, 1)).toBe(quantile(list, 1));
    }
  });
});
