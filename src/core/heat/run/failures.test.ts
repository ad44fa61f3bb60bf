import { describe, expect, it } from 'vitest';
import { aSetup, hot, lanes, sharesOf } from '../../../../tests/support/aSetup.ts';
import { finish } from '../../steps.ts';
import { riskRuns } from '../writepath/risk.ts';
import { shareSteps } from './failures.ts';

describe('takes side by side', () => {
  const path = (minutes: number) => lanes(aSetup({ plan: { ...hot, minutes } }))[0] ?? null;

  it('fail as often as each of them alone, by the draws of the risk runs', () => {
    const paths = [path(40), null, path(10)];
    const shares = finish(shareSteps({ paths, runs: 400, seed: 3 }));
    const alone = paths.map((one) => {
      if (!one) return null;
      const { dropProbability, cutoffProbability } = riskRuns(one.sim, { runs: 400, seed: 3, spread: one.spreads });
      return dropProbability + cutoffProbability;
    });
    const runsThatFail = (all: readonly (number | null)[]) => all.map((one) => one && Math.round(one * 400));
    expect(runsThatFail(shares)).toEqual(runsThatFail(alone));
    expect(shares[0]).toBeGreaterThan(shares[2] ?? 1);
  });

  it('tell how far they are over all of them', () => {
    const shares = sharesOf(shareSteps({ paths: [path(40), null, path(10)], runs: 400, seed: 3 }));
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.at(-1)).toBeGreaterThan(0.9);
  });
});
