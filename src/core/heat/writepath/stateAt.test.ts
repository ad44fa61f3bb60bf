import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySim } from '../../../../tests/support/anySim.ts';
import { aRun } from '../../../../tests/support/aRun.ts';
import { simulate } from './simulate.ts';
import { createReader } from './stateAt.ts';

describe('a run read at any second', () => {
  it('is where a take that ends at that second ends', () => {
    fc.assert(
      fc.property(anySim, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (any, share) => {
        const one = { ...any, takes: 1, restSeconds: 0 };
        const whole = simulate(one);
        const seconds = whole.atSeconds * share;
        fc.pre(seconds > 0.01);
        const read = createReader(one, whole)(seconds);
        const end = simulate({ ...one, takeSeconds: seconds }).timeline.at(-1);
        expect(end?.cardC).toBeCloseTo(read.cardC, 6);
        expect(end?.bodyC).toBeCloseTo(read.bodyC, 6);
        expect(end?.bufferMB).toBeCloseTo(read.bufferMB, 4);
        expect(end?.cacheGB).toBeCloseTo(read.cacheGB, 6);
        expect(end?.writtenGB).toBeCloseTo(read.writtenGB, 6);
      }),
      { seed: 85, numRuns: 150 },
    );
  });

  it('stays at its ends outside its time', () => {
    const one = aRun();
    const result = simulate(one);
    const at = createReader(one, result);
    expect(at(-5)).toEqual(result.timeline[0]);
    expect(at(1e9)).toEqual(result.timeline.at(-1));
  });
});
