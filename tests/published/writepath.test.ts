import { quantileSeq } from 'mathjs';
import { quantile } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { quantileSorted } from '../../src/core/heat/writepath/band.ts';
import { draw, drawn, evenSpreads } from '../../src/core/heat/writepath/draws.ts';
import { seeded } from '../../src/core/heat/writepath/random.ts';
import { riskRuns } from '../../src/core/heat/writepath/risk.ts';
import { simulate } from '../../src/core/heat/writepath/simulate.ts';
import type { SimResult, Simulation } from '../../src/core/heat/writepath/simulation.ts';
import { aRun } from '../support/aRun.ts';
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
      stallEveryGB: at % 8 === 2 ? between(20, 120) : null,
      stallSeconds: at % 8 === 2 ? between(0.2, 6) : null,
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
      startBodyC: at % 6 === 1 ? between(42, 58) : null,
      startCardC: at % 6 === 1 ? between(45, 80) : null,
    },
  }));
}

/** Short takes that follow a clip's own rate, second by second. */
function clips(count: number): readonly Simulation[] {
  const random = seeded(2027);
  return sets(count).map((sim) => ({
    ...sim,
    takeSeconds: 20 + 40 * random(),
    demandTraceMBps: Array.from({ length: 7 }, () => 1500 * random()),
    bufferMB: sim.bufferMB / 4,
    card: { ...sim.card, cacheGB: sim.card.cacheGB / 20 },
    heat: { ...sim.heat, cardHeatCapacityJPerK: 0.2 + random() },
  }));
}

/** Compares one run with the reference's; both are told apart by their place. */
function agree(sim: Simulation, name: string): SimResult {
  const ours = simulate(sim);
  const theirs = odeRun(sim);
  const last = ours.timeline.at(-1);
  expect(ours.outcome, name).toBe(theirs.outcome);
  expect(Math.abs(ours.atSeconds - theirs.atSeconds), `${name}, time`).toBeLessThanOrEqual(
    1e-4 * Math.max(1, theirs.atSeconds),
  );
  expect(Math.abs((last?.cardC ?? 0) - theirs.cardC), `${name}, card`).toBeLessThanOrEqual(0.01);
  expect(Math.abs((last?.bodyC ?? 0) - theirs.bodyC), `${name}, body`).toBeLessThanOrEqual(0.01);
  return ours;
}

// Reference: odex, a general ODE solver, integrating the same equations written independently (tests/support/odeRun.ts).
describe('240 random write paths, against an ODE package', () => {
  it('end the same way, within 1e-4 of the time and 0.01 K', { timeout: 120_000 }, () => {
    const outcomes = new Map<string, number>();
    let throttled = 0;
    let stalled = 0;
    for (const [at, sim] of sets(240).entries()) {
      const ours = agree(sim, `set ${at}`);
      outcomes.set(ours.outcome, (outcomes.get(ours.outcome) ?? 0) + 1);
      if (ours.firstThrottleAtSeconds !== null) throttled += 1;
      if (ours.timeline.some(({ event }) => event === 'stall')) stalled += 1;
    }
    // The sets reach every ending, and throttling, or the comparison would say little.
    expect([...outcomes.keys()].sort()).toEqual(['body-cutoff', 'complete', 'dropped', 'filled']);
    expect(throttled).toBeGreaterThan(20);
    expect(stalled).toBeGreaterThan(10);
  });

  it('and 60 clips, whose rate changes every second', { timeout: 120_000 }, () => {
    const outcomes = new Set(clips(60).map((sim, at) => agree(sim, `clip ${at}`).outcome));
    expect(outcomes.has('dropped') && outcomes.has('complete')).toBe(true);
  });
});

// References: simple-statistics, whose quantile is the plain order statistic, so lists whose length meets it are compared;
// mathjs, which interpolates between neighbours as the bands do.
describe('quantiles, against statistics packages', () => {
  const random = seeded(5);
  const sorted = (length: number): number[] => Array.from({ length }, random).sort((a, b) => a - b);

  it('are those of simple-statistics where no interpolation is asked for', () => {
    for (let twenties = 1; twenties < 40; twenties += 1) {
      const list = sorted(20 * twenties + 1);
      for (const share of [0, 0.05, 0.5, 0.95, 1])
        expect(quantileSorted(list, share), `${list.length}, ${share}`).toBeCloseTo(quantile(list, share), 12);
    }
  });

  it('are those of mathjs at any length and share', () => {
    for (let length = 1; length < 120; length += 1) {
      const list = sorted(length);
      for (const share of [0.05, 0.25, 0.5, 0.731, 0.95])
        expect(quantileSorted(list, share), `${length}, ${share}`).toBeCloseTo(Number(quantileSeq(list, share)), 12);
    }
  });

  it('of a run’s own failures are those of mathjs too', () => {
    const sim = aRun({ demandMBps: 420, takeSeconds: 1800 });
    const input = { runs: 2000, seed: 9, spread: 0.2 };
    const random = seeded(input.seed);
    const failedAt: number[] = [];
    for (let run = 0; run < input.runs; run += 1) {
      const { outcome, atSeconds } = simulate(drawn(sim, draw(random, evenSpreads(input.spread))), false);
      if (outcome === 'dropped' || outcome === 'body-cutoff') failedAt.push(atSeconds);
    }
    expect(failedAt.length).toBeGreaterThan(100);
    const { atSeconds } = riskRuns(sim, input);
    for (const [key, share] of [
      ['p5', 0.05],
      ['p50', 0.5],
      ['p95', 0.95],
    ] as const)
      expect(atSeconds?.[key]).toBeCloseTo(Number(quantileSeq(failedAt, share)), 9);
  });
});
