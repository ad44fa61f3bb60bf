import { describe, expect, it } from 'vitest';
import { bracket, type Drop, heldLonger, inCommon } from './bracket.ts';

const drop = (GB: number, seconds: number, demandMBps: number | null = null, isMeasured = true): Drop => ({
  GB,
  seconds,
  demandMBps,
  isMeasured,
});

describe('the pace of a card', () => {
  const take = (outcome: 'filled' | 'dropped', MBps: number | null) => ({ outcome, MBps, seconds: 60 });

  it('is bounded by no take of which no rate is known', () => {
    const nothing = { atLeastMBps: null, belowMBps: null, contradicts: false };
    expect(bracket([take('filled', 0), take('dropped', 0)])).toEqual(nothing);
    expect(bracket([take('filled', null), take('dropped', null)])).toEqual(nothing);
  });

  it('is not contradicted by one kind of take alone', () => {
    expect(bracket([take('filled', 300)])).toEqual({ atLeastMBps: 300, belowMBps: null, contradicts: false });
    expect(bracket([take('dropped', 300)])).toEqual({ atLeastMBps: null, belowMBps: 300, contradicts: false });
    expect(bracket([take('filled', 300), take('dropped', 300)]).contradicts).toBe(true);
  });
});

it('takes that held so long are told in the order of their lengths, however they were entered', () => {
  const take = (outcome: 'filled' | 'dropped', seconds: number) => ({ outcome, seconds });
  // Of four two dropped: at 60 s one of four, at 600 s one of two that had got so far.
  expect(heldLonger([take('dropped', 600), take('filled', 700), take('dropped', 60), take('filled', 90)])).toEqual([
    { seconds: 60, share: 0.75 },
    { seconds: 600, share: 0.375 },
  ]);
});

/** Density of one value about a size, both as logarithms. */
const density = (value: number, size: number, scatter: number): number =>
  Math.exp(-((Math.log(value) - size) ** 2) / (2 * scatter ** 2)) / (scatter * Math.sqrt(2 * Math.PI));

/** How likely values are that share one size, whatever that size is: summed over every size there may be. */
function likely(values: readonly number[], scatter: number): number {
  const step = 1e-3;
  let sum = 0;
  for (let size = -10; size < 15; size += step)
    sum += values.reduce((all, value) => all * density(value, size, scatter), 1) * step;
  return sum;
}

describe('how much likelier a cause is than chance', () => {
  // The ratio of two sums over every size [A: 5, 7 and 60 % of scatter], worked out here step by step.
  it.each([
    ['cache', 0.05, [200, 206, 195], [700, 250, 400]],
    ['heat', 0.07, [120, 500, 260], [900, 960, 930]],
  ] as const)('%s', (cause, scatter, GBs, seconds) => {
    const drops = GBs.map((GB, at) => drop(GB, seconds[at] ?? 0));
    const shared = cause === 'cache' ? GBs : seconds;
    const found = inCommon(drops);
    expect(found.cause).toBe(cause);
    expect(found.strength).toBeCloseTo(likely(shared, scatter) / likely(shared, 0.6), 1);
  });

  it('link, by the rates of clips', () => {
    const drops = [drop(50, 100, 800), drop(104, 200, 650), drop(20, 41, 900)];
    const found = inCommon(drops);
    const rates = drops.map(({ GB, seconds }) => GB / seconds);
    expect(found.cause).toBe('link');
    expect(found.strength).toBeCloseTo(likely(rates, 0.05) / likely(rates, 0.6), 1);
  });

  it('two that agree to the byte are twelve times likelier by a cache', () => {
    // 60 % over 5 %.
    expect(inCommon([drop(100, 100), drop(100, 300)])).toEqual({ cause: 'cache', strength: expect.closeTo(12, 6) });
    // 9.5 % apart: 12 · exp(−0.00412 · 198.6) is 5.3, under the eight from which a cause is named.
    expect(inCommon([drop(100, 100), drop(109.5, 300)]).cause).toBeNull();
  });

  it('what several causes explain alike is told by none', () => {
    // Bytes and seconds agree, asked at two rates.
    expect(inCommon([drop(100, 200, 800), drop(100, 200, 500)])).toEqual({ cause: null, strength: 1 });
    expect(inCommon([drop(100, 200, 800, false), drop(100, 200, 500, false)])).toEqual({ cause: null, strength: 1 });
  });

  it('a rate that nobody noted is that of its bytes', () => {
    expect(inCommon([drop(100, 100), drop(100, 104)]).cause, 'one rate').toBeNull();
    expect(inCommon([drop(100, 100), drop(100, 115)]).cause).toBe(null);
    expect(inCommon([drop(100, 100), drop(101, 250)]).cause).toBe('cache');
  });

  it('drops without bytes or without seconds say nothing', () => {
    const two = [drop(100, 100), drop(100, 300)];
    for (const empty of [drop(0, 50), drop(50, 0), drop(0, 0), drop(-5, 9), drop(9, -5)])
      expect(inCommon([empty, ...two])).toEqual(inCommon(two));
    expect(inCommon([])).toEqual({ cause: null, strength: 1 });
    expect(inCommon([drop(0, 0), drop(5, 9)])).toEqual({ cause: null, strength: 1 });
  });
});
