import { describe, expect, it } from 'vitest';
import { aRun } from '../../../../tests/support/aRun.ts';
import { evenSpreads } from './draws.ts';
import { riskRuns, riskSteps, shareOf } from './risk.ts';
import { simulate } from './simulate.ts';
import { createReader } from './stateAt.ts';

describe('risk runs', () => {
  const close = aRun({ demandMBps: 380, takeSeconds: 1800 });

  it('are the same for the same seed, and others for another', () => {
    const input = { runs: 500, seed: 7, spread: 0.2 };
    expect(riskRuns(close, input)).toEqual(riskRuns(close, input));
    expect(riskRuns(close, { ...input, seed: 8 })).not.toEqual(riskRuns(close, input));
  });

  it('are certain without spread, and rank what the risk hangs on', () => {
    expect(riskRuns(close, { runs: 50, seed: 1, spread: 0 })).toMatchObject({ dropProbability: 0, atSeconds: null });
    expect(riskRuns(aRun(), { runs: 50, seed: 1, spread: 0 })).toMatchObject({ dropProbability: 1 });
    const risk = riskRuns(close, { runs: 2000, seed: 1, spread: 0.2 });
    expect(risk.dropProbability).toBeGreaterThan(0.1);
    expect(risk.hangsOn[0]?.what).toBe('sustained');
  });

  it('hang on nothing but what is uncertain', () => {
    const spread = { ...evenSpreads(0), sustained: 0.2 };
    const risk = riskRuns(close, { runs: 1000, seed: 1, spread });
    expect(risk.dropProbability).toBeGreaterThan(0.1);
    expect(risk.hangsOn[0]?.what).toBe('sustained');
    expect(risk.hangsOn.slice(1).every(({ difference }) => difference === 0)).toBe(true);
  });

  it('fail more often where less is known', () => {
    const shares = [0.02, 0.1, 0.3].map((spread) => riskRuns(close, { runs: 2000, seed: 3, spread }).dropProbability);
    expect(shares[0]).toBeLessThan(shares[1] as number);
    expect(shares[1]).toBeLessThan(shares[2] as number);
  });

  it('without spread have a band that is the run itself', () => {
    const one = aRun({ demandMBps: 300, takeSeconds: 1200, heat: { energyNJPerByte: 3, idleW: 0.5 } });
    const at = createReader(one, simulate(one));
    const band = riskRuns(one, { runs: 40, seed: 1, spread: 0 }).band;
    expect(band.seconds).toHaveLength(61);
    band.card.forEach((range, place) => {
      const { cardC } = at(band.seconds[place] ?? 0);
      expect(range.p5).toBeCloseTo(cardC, 9);
      expect(range.p95).toBeCloseTo(cardC, 9);
    });
    expect(band.failed.every((share) => share === 0)).toBe(true);
  });

  it('say how sure they are by Wilson’s interval: none of 1000 is 0 to 0.38 %', () => {
    // Wilson (1927): of 0 of n the upper end is z² ÷ (n + z²), and its centre half of that.
    expect(shareOf(0, 1000)).toEqual({ share: 0, low: 0, high: expect.closeTo(1.96 ** 2 / (1000 + 1.96 ** 2), 12) });
    expect(shareOf(1000, 1000)).toEqual({ share: 1, low: expect.closeTo(1000 / (1000 + 1.96 ** 2), 12), high: 1 });
    const half = shareOf(500, 1000);
    expect([half.low, half.high].map((one) => Math.round(one * 1e4) / 1e4)).toEqual([0.4691, 0.5309]);
    // By the definition: both ends are the shares that lie 1.96 of their own standard errors from what was seen.
    for (const [count, runs] of [
      [1, 40],
      [12, 300],
      [290, 300],
    ] as const) {
      const { share, low, high } = shareOf(count, runs);
      for (const end of [low, high])
        expect(Math.abs(share - end) / Math.sqrt((end * (1 - end)) / runs)).toBeCloseTo(1.96, 9);
    }
  });

  it('begin no further run where their events are used up, and say how many were made', () => {
    const input = { runs: 500, seed: 1, spread: 0.2 };
    const all = riskRuns(close, input);
    const some = riskRuns(close, { ...input, maxEvents: 100 });
    expect(all.runs).toBe(500);
    expect(some.runs).toBeGreaterThan(10);
    expect(some.runs).toBeLessThan(100);
    expect(some).toEqual(riskRuns(close, { ...input, runs: some.runs }));
  });

  it('go in steps that never tell less than before', () => {
    const shares: number[] = [];
    const steps = riskSteps(close, { runs: 500, seed: 1, spread: 0.2 });
    for (let next = steps.next(); !next.done; next = steps.next()) shares.push(next.value);
    expect(shares.length).toBeGreaterThan(20);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.every((share) => share >= 0 && share < 1)).toBe(true);
  });
});
