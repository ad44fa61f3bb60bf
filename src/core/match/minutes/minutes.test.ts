import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Bytes, BytesPerSecond, Seconds } from '../../units/brand.ts';
import { fromGigabytes, fromMegabits } from '../../units/convert.ts';
import { capacityFor, cardsFor, labelMinutes, plannedMinutes, usable, usableOf } from './minutes.ts';

describe('minutes', () => {
  it('plan what is usable and entered, or 98.7 % of the label', () => {
    expect(usable({ capacityGB: 256, usableGB: null })).toEqual({ bytes: 252_672_000_000, assumed: true });
    expect(usable({ capacityGB: 256, usableGB: 238.4 })).toEqual({ bytes: 238_400_000_000, assumed: false });
  });

  it('count the whole minute a card exactly fills', () => {
    expect(plannedMinutes((60 * 1_000_000) as Bytes, 1_000_000 as BytesPerSecond, 9)).toBe(1);
    expect(plannedMinutes((60 * 1_000_000 - 1) as Bytes, 1_000_000 as BytesPerSecond, 9)).toBe(0);
  });

  it('are never above label arithmetic, whatever room was entered', () => {
    expect(plannedMinutes((600 * 1_000_000) as Bytes, 1_000_000 as BytesPerSecond, 9.99)).toBe(9);
    expect(plannedMinutes((600 * 1_000_000) as Bytes, 1_000_000 as BytesPerSecond, 10)).toBe(10);
  });

  it('fall as the rate rises and rise with the room', () => {
    const amount = fc.integer({ min: 1, max: 1e9 });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e13 }), amount, amount, (room, a, b) => {
        const [low, high] = a < b ? [a, b] : [b, a];
        const at = (rate: number) => plannedMinutes(room as Bytes, rate as BytesPerSecond, 1e12);
        expect(at(high)).toBeLessThanOrEqual(at(low));
      }),
      { seed: 31, numRuns: 500 },
    );
  });
});

describe('the inverse', () => {
  it('names the next size sold that has room after formatting', () => {
    // 400 Mb/s for 85 min writes 255 GB: a 256 GB card keeps 252.7 GB of it.
    const asked = capacityFor((85 * 60) as Seconds, fromMegabits(400));
    expect(asked.written).toBe(255_000_000_000);
    expect(asked.sizeSold).toBe(fromGigabytes(320));
  });

  it('names none past the largest sold', () => {
    expect(capacityFor(864_000 as Seconds, fromMegabits(800)).sizeSold).toBeNull();
  });

  it('and the minutes agree: the capacity for a time holds that time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6000 }), fc.integer({ min: 1, max: 1e9 }), (minutes, rate) => {
        const { label } = capacityFor((minutes * 60) as Seconds, rate as BytesPerSecond);
        expect(plannedMinutes(usableOf((label + 1000) as Bytes), rate as BytesPerSecond, 1e12)).toBeGreaterThanOrEqual(
          minutes,
        );
      }),
      { seed: 32, numRuns: 500 },
    );
  });

  it('counts a part-filled card, and not one for rounding dust', () => {
    expect(cardsFor(100 as Seconds, 100 as Bytes, 1 as BytesPerSecond)).toBe(1);
    expect(cardsFor(101 as Seconds, 100 as Bytes, 1 as BytesPerSecond)).toBe(2);
    expect(labelMinutes(fromGigabytes(256), fromMegabits(600))).toBeCloseTo(56.89, 2);
  });
});
