import { describe, expect, it } from 'vitest';
import { ASSUMED } from '../standards/assumptions.ts';
import { type OddTake, reconcile } from './reconcile.ts';

const USABLE = ASSUMED.usableFraction.value;

/** 500 MB/s believed; its bytes and length are given, so that the ratio is known to the byte. */
const take = (ratio: number, change: Partial<OddTake> = {}): OddTake => {
  const seconds = change.seconds ?? 1001;
  return {
    capacityGB: 4000,
    usableFraction: 0.99,
    nominalMBps: 500,
    ratedMBps: null,
    setRatio: null,
    varies: false,
    outcome: 'filled',
    seconds,
    fileGB: (ratio * 500 * seconds) / 1000,
    ...change,
  };
};
const codes = (ratio: number, change: Partial<OddTake> = {}): readonly string[] =>
  reconcile(take(ratio, change)).explanations.map(({ code }) => code);
const ruledOut = (ratio: number, change: Partial<OddTake> = {}): Readonly<Record<string, number>> =>
  Object.fromEntries(reconcile(take(ratio, change)).ruledOut.map(({ code, wouldBe }) => [code, wouldBe]));

describe('the rate that a take implies', () => {
  // Off by hand: √(bytes² + (0.5 s / √3 / 1001 s)² + (1 % / √3)²), and 1.645 of it to each side holds nine in ten.
  it.each([
    ['bytes of a clip, to 0.1 %', {}, Math.hypot(0.001, 0.5 / Math.sqrt(3) / 1001, 0.01 / Math.sqrt(3))],
    [
      'a full card of known size, to 0.3 %',
      { fileGB: null, capacityGB: 505.5, usableFraction: 0.99 },
      Math.hypot(0.003, 0.5 / Math.sqrt(3) / 1001, 0.01 / Math.sqrt(3)),
    ],
    [
      'a full card of assumed size, to 2 %',
      { fileGB: null, capacityGB: 505.5, usableFraction: null },
      Math.hypot(0.02 / Math.sqrt(3), 0.5 / Math.sqrt(3) / 1001, 0.01 / Math.sqrt(3)),
    ],
    [
      'a length off a counter of minutes, to half a minute',
      { seconds: 600 },
      Math.hypot(0.001, 30 / Math.sqrt(3) / 600, 0.01 / Math.sqrt(3)),
    ],
  ] as const)('has the errors of what it comes from: %s', (_, change, off) => {
    const { implied } = reconcile(take(1, change));
    expect((implied?.high ?? 0) / (implied?.MBps ?? 1)).toBeCloseTo(Math.exp(1.645 * off), 6);
    expect((implied?.MBps ?? 0) / (implied?.low ?? 1)).toBeCloseTo(Math.exp(1.645 * off), 6);
  });
});

describe('what explains a ratio', () => {
  it('is nothing where it lies beyond three deviations of all that is named', () => {
    // 2 % less of a rate that is held: 3.4 deviations of 0.59 %.
    expect(codes(0.98)).toEqual(['unknown']);
    expect(codes(0.99)).toEqual(['agrees']);
  });

  it('a minute that was rounded, where the length is whole minutes and no more is missing than half of one', () => {
    // 30 s of 600 s are 5 %, and 1 % for the rate.
    expect(codes(1.05, { seconds: 600 })[0]).toBe('counter-rounding');
    expect(codes(1.05, { seconds: 601 })).not.toContain('counter-rounding');
    // A minute alone may be half as long again.
    expect(codes(1.2, { seconds: 60 })).toContain('counter-rounding');
    // Of 6000 s half a minute is 0.5 %: what is left agrees, or does not.
    const assumed = { fileGB: null, usableFraction: null, capacityGB: (1.025 * 500 * 6) / USABLE };
    expect(codes(1, { ...assumed, seconds: 6000 })).not.toContain('counter-rounding');
    // Not whole minutes: 2.5 % less on a card of assumed size is what its size may be off.
    const share = { fileGB: null, usableFraction: null, capacityGB: (0.975 * 500 * 1.001) / USABLE };
    expect(codes(1, share)[0]).toBe('agrees');
    expect(codes(1, share)).not.toContain('counter-rounding');
  });

  it('of a set compression is another one, and never itself', () => {
    expect(codes(1, { setRatio: 5 })).toEqual(['agrees']);
    expect(reconcile(take(3 / 5, { setRatio: 3 })).explanations[0]).toMatchObject({
      code: 'compression-ratio',
      from: 3,
      to: 5,
    });
  });

  it('a rate that follows the picture, of what is no fixed compression', () => {
    expect(codes(0.7, { varies: null })[0]).toBe('variable-rate');
    expect(codes(0.7, { varies: null, setRatio: 3 })).not.toContain('variable-rate');
    expect(codes(0.7, { varies: false })).not.toContain('variable-rate');
    expect(codes(0.7, { varies: true, setRatio: 3 })[0]).toBe('variable-rate');
  });

  it('unknown, with what is possible behind it, where nothing has half of the belief', () => {
    // 0.45 is a crop of one and a half times, 5:1 for 11:1, or a calm picture: none of them is likelier than the others together.
    const { explanations } = reconcile(take(0.45, { setRatio: undefined, varies: null }));
    expect(explanations[0]).toEqual({ code: 'unknown', ratio: expect.closeTo(0.45, 9), support: 0 });
    expect(explanations.slice(1, 4).map(({ code }) => code)).toEqual(['variable-rate', 'compression-ratio', 'crop']);
    expect(Math.max(...explanations.map(({ support }) => support))).toBeLessThan(0.5);
    // Two compressions share the rest of the belief with what nobody knows: it is said once.
    const shared = reconcile(take(1.4739, { setRatio: undefined })).explanations;
    expect(shared.map(({ code }) => code)).toEqual(['unknown', 'compression-ratio', 'compression-ratio']);
  });
});

describe('what a result is not', () => {
  it('is told with what it would have been, the nearest of each kind', () => {
    expect(ruledOut(1.3)).toEqual({
      split: 1 / 2,
      crop: expect.closeTo(0.9375, 9),
      gib: expect.closeTo(1.0737, 4),
      'beside-the-picture': 1.15,
      'counter-rounding': expect.closeTo(1 + 30 / 1001, 9),
    });
    expect(ruledOut(0.78)).toMatchObject({
      gib: expect.closeTo(0.9313, 4),
      'counter-rounding': expect.closeTo(1 - 30 / 1001, 9),
    });
    // A split that is already counted.
    expect(ruledOut(0.35, { cards: 2 })).toMatchObject({ split: expect.closeTo(1 / 3, 9) });
    expect(ruledOut(0.27, { cards: 2 })).toMatchObject({ split: 1 / 4 });
  });

  it('is nothing that explains it', () => {
    expect(codes(0.5)[0]).toBe('split');
    expect(Object.keys(ruledOut(0.5))).toEqual(['crop', 'gib', 'beside-the-picture', 'counter-rounding']);
    expect(ruledOut(1)).toEqual({});
  });
});

describe('what a buffer would have had to swallow', () => {
  it.each([
    ['of a card whose pace nobody knows is not told', { ratedMBps: null }, null],
    ['is nothing where the card keeps up', { ratedMBps: 500 }, null],
    // 64 MB/s short for 1000 s are 64 GB, the largest there is [A].
    ['is possible up to the largest there is', { ratedMBps: 436, seconds: 1000 }, { shortfallGB: 64, possible: true }],
    ['and not beyond it', { ratedMBps: 436, seconds: 1001 }, { shortfallGB: 64.064, possible: false }],
  ] as const)('%s', (_, change, expected) =>
    expect(reconcile(take(1, change)).buffer).toEqual(
      expected && { ...expected, shortfallGB: expect.closeTo(expected.shortfallGB, 9) },
    ),
  );
});
