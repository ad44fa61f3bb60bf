import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { capacity, covers, duration, headroom, rate, wholeQuotient, wholeUp } from './amount.ts';
import type { BytesPerSecond, PerMille } from './brand.ts';
import { exactFrameRate } from './frameRate.ts';

const covered = (floor: number, need: number, margin: number): boolean =>
  covers(floor as BytesPerSecond, need as BytesPerSecond, margin as PerMille);

describe('covers', () => {
  it('is inclusive at equality and false one byte below', () => {
    expect(covered(115, 100, 150)).toBe(true);
    expect(covered(114, 100, 150)).toBe(false);
    expect(covered(69_000_000, 60_000_000, 150)).toBe(true);
    expect(covered(68_999_999, 60_000_000, 150)).toBe(false);
  });

  it('agrees with exact integer arithmetic for every rate and headroom', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e12 }),
        fc.integer({ min: 1, max: 1e12 }),
        fc.integer({ min: 0, max: 1000 }),
        (floor, need, margin) => {
          const exact = BigInt(floor) * 1000n >= BigInt(need) * BigInt(1000 + margin);
          expect(covered(floor, need, margin)).toBe(exact);
        },
      ),
      { seed: 5, numRuns: 500 },
    );
  });

  it('agrees with exact integer arithmetic at the edge itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5e11 }), fc.integer({ min: 0, max: 1000 }), (need, margin) => {
        const edge = Number((BigInt(need) * BigInt(1000 + margin) + 999n) / 1000n);
        expect(covered(edge, need, margin)).toBe(true);
        expect(covered(edge - 1, need, margin)).toBe(false);
      }),
      { seed: 6, numRuns: 500 },
    );
  });
});

describe('amounts', () => {
  it('round a need up and room down, and forgive decimal dust', () => {
    expect(rate(0.1 + 0.2 + 1)).toEqual({ ok: true, value: 2 });
    expect(wholeUp(1.536 * 125_000)).toBe(192_000);
    expect(capacity(1000.9)).toEqual({ ok: true, value: 1000 });
  });

  it.each([Number.NaN, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY])('refuse %s as not finite', (value) => {
    for (const make of [rate, capacity, duration, headroom]) {
      expect(make(value)).toMatchObject({ ok: false, error: { code: 'not-finite' } });
    }
  });

  it('refuse what is out of range with the limits', () => {
    expect(rate(1e12 + 1)).toEqual({
      ok: false,
      error: { code: 'out-of-range', value: 1e12 + 1, min: 1, max: 1e12 },
    });
    expect(headroom(-0.01)).toMatchObject({ error: { code: 'out-of-range' } });
    expect(headroom(1.01)).toMatchObject({ error: { code: 'out-of-range' } });
    expect(headroom(0.15)).toEqual({ ok: true, value: 150 });
  });

  it('divide whole numbers exactly', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 52 }), fc.integer({ min: 1, max: 2 ** 40 }), (a, b) => {
        expect(BigInt(wholeQuotient(a, b))).toBe(BigInt(a) / BigInt(b));
      }),
      { seed: 7, numRuns: 500 },
    );
  });
});

describe('exactFrameRate', () => {
  it.each([
    [23.976, 24000 / 1001],
    [23.98, 24000 / 1001],
    [29.97, 30000 / 1001],
    [59.94, 60000 / 1001],
    [119.88, 120000 / 1001],
    [25, 25],
    [30, 30],
    [12.5, 12.5],
  ])('reads %s', (printed, exact) => {
    expect(exactFrameRate(printed)).toBe(exact);
  });
});
