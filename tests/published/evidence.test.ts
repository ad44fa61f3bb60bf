import fc from 'fast-check';
import kaplanMeier from 'kaplan-meier/dist/index.js';
import { linearRegression, max, min } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { bracket, heldLonger } from '../../src/core/prove/bracket.ts';
import { oddTake, placed } from '../../src/core/prove/puzzles.ts';
import { reconcile } from '../../src/core/prove/reconcile.ts';
import { aBody, aCard, aMode, aTest } from '../../src/core/testing.ts';

// The package wants these of a helper library; it is itself tested against R.
kaplanMeier.init({
  pluck: (all: readonly Record<string, unknown>[], key: string) => all.map((one) => one[key]),
  uniq: (all: readonly unknown[]) => [...new Set(all)],
  sortBy: (all: readonly Record<string, number>[], key: string) =>
    [...all].sort((a, b) => (a[key] ?? 0) - (b[key] ?? 0)),
  groupBy: <T>(all: readonly T[], of: (one: T) => number) => {
    const groups: Record<number, T[]> = {};
    for (const one of all) groups[of(one)] = [...(groups[of(one)] ?? []), one];
    return groups;
  },
  last: (all: readonly unknown[]) => all.at(-1),
  find: <T>(all: readonly T[], is: (one: T) => boolean) => all.find(is),
});

describe('takes that only held so long, beside the package kaplan-meier', () => {
  it('every step of the estimate, over any mixture of drops, full cards and stopped takes', () => {
    const take = fc.record({
      seconds: fc.integer({ min: 1, max: 40 }),
      outcome: fc.constantFrom('filled' as const, 'dropped' as const, 'stopped' as const),
    });
    fc.assert(
      fc.property(fc.array(take, { minLength: 1, maxLength: 40 }), (takes) => {
        const steps = kaplanMeier
          .compute(
            takes.map(({ seconds }) => seconds),
            takes.map(({ outcome }) => outcome === 'dropped'),
          )
          .filter(({ e }) => e);
        const own = heldLonger(takes);
        expect(own.map(({ seconds }) => seconds)).toEqual(steps.map(({ t }) => t));
        for (const [at, { share }] of own.entries()) expect(share).toBeCloseTo(steps[at]?.s ?? Number.NaN, 12);
      }),
      { seed: 44, numRuns: 400 },
    );
  });
});

describe('rates and brackets, beside the package simple-statistics', () => {
  const mode = aMode({ rate: { kind: 'stated', Mbps: 500, is: 'constant' } });

  it('the rate that fills imply is the slope of bytes over seconds', () => {
    const cards = [64, 128, 256, 512].map((GB, at) => aCard({ id: `c${at}`, capacityGB: GB, usableGB: GB * 0.98 }));
    const pace = 61.3;
    const tests = cards.map(({ id, usableGB }, at) =>
      aTest({ id: `t${at}`, cardId: id, seconds: ((usableGB ?? 0) * 1000) / pace + (at % 2 ? 0.4 : -0.4) }),
    );
    const takes = placed({ bodies: [aBody({ modes: [mode] })], cards, tests }).flatMap((one) => oddTake(one) ?? []);
    const points = takes.map((take) => [take.seconds, take.capacityGB * (take.usableFraction ?? 1) * 1000]);
    const { m } = linearRegression(points);
    for (const take of takes) {
      const { implied } = reconcile(take);
      expect(implied?.low).toBeLessThan(m);
      expect(implied?.high).toBeGreaterThan(m);
      expect(implied?.MBps).toBeCloseTo(m, 1);
    }
  });

  it('a bracket is the largest pass and the smallest drop', () => {
    const rates = fc.array(fc.integer({ min: 1, max: 4000 }), { minLength: 1, maxLength: 20 });
    fc.assert(
      fc.property(rates, rates, (passed, dropped) => {
        const found = bracket([
          ...passed.map((MBps) => ({ outcome: 'filled' as const, MBps, seconds: 60 })),
          ...dropped.map((MBps) => ({ outcome: 'dropped' as const, MBps, seconds: 60 })),
        ]);
        expect(found).toMatchObject({ atLeastMBps: max(passed), belowMBps: min(dropped) });
      }),
      { seed: 45, numRuns: 200 },
    );
  });
});
