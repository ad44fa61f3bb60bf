import { describe, expect, it } from 'vitest';
import { aRun } from '../../../tests/support/aRun.ts';
import { simulate } from '../../core/heat/writepath/simulate.ts';
import { thinned, timeScale } from './chartData.ts';

describe('moments thinned for a picture', () => {
  const takes = simulate(aRun({ demandMBps: 100, takeSeconds: 6, restSeconds: 6, takes: 1000 })).timeline;
  const demand = ({ demandMBps }: (typeof takes)[number]): number => demandMBps;

  it('keep both values of what swings, in time, first and last among them', () => {
    expect(takes.length).toBeGreaterThan(1500);
    const drawn = thinned(takes, demand);
    expect(drawn.length).toBeLessThanOrEqual(602);
    const shown = drawn.map(demand);
    expect(shown.filter((one) => one === 0).length).toBeGreaterThan(200);
    expect(shown.filter((one) => one === 100).length).toBeGreaterThan(200);
    const seconds = drawn.map((one) => one.seconds);
    expect(seconds).toEqual(seconds.toSorted((a, b) => a - b));
    expect([drawn[0], drawn.at(-1)]).toEqual([takes[0], takes.at(-1)]);
  });

  it('are all of them where they are few', () => {
    expect(thinned(takes.slice(0, 50), demand)).toEqual(takes.slice(0, 50));
  });
});

describe('the time axis', () => {
  it('shows the plan beyond a run that failed, in round steps', () => {
    expect(timeScale(1551, 2160)).toEqual({ max: 40, step: 10 });
    expect(timeScale(60, 60)).toEqual({ max: 1, step: 0.25 });
    expect(timeScale(172_800, 172_800).max).toBe(2880);
  });

  it('is never without length', () => {
    const { max, step } = timeScale(0, 0);
    expect(max).toBeGreaterThan(0);
    expect(max / step).toBeLessThanOrEqual(7);
  });
});
