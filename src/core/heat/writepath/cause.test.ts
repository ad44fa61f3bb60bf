import { describe, expect, it } from 'vitest';
import { aRun } from '../../../../tests/support/aRun.ts';
import { causeOf } from './cause.ts';
import { simulate } from './simulate.ts';
import type { Simulation } from './simulation.ts';

describe('the cause', () => {
  const causeFor = (one: Simulation) => causeOf(one, simulate(one));

  it.each([
    ['bus', aRun({ card: { busMBps: 500, sustainedMBps: 1500 } })],
    ['cache', aRun()],
    ['flash', aRun({ card: { cacheGB: 0 } })],
    ['stall', aRun({ card: { stallEveryGB: 10, stallSeconds: 20, sustainedMBps: 1500 } })],
    ['heat', aRun({ card: { sustainedMBps: 1500 }, heat: { energyNJPerByte: 12, ambientC: 40 } })],
    // Bus and flash are both too slow: the bus ends it at 20 s, and without it the flash would at 222 s.
    ['bus', aRun({ card: { busMBps: 500 } })],
    [null, aRun({ demandMBps: 100 })],
  ] as const)('%s', (cause, one) => {
    expect(causeFor(one)).toBe(cause);
  });

  it('is what would have to change: without it the take survives', () => {
    const hot = aRun({ card: { sustainedMBps: 1500 }, heat: { energyNJPerByte: 12, ambientC: 40 } });
    expect(simulate(hot).outcome).toBe('dropped');
    expect(simulate({ ...hot, heat: { ...hot.heat, throttleFactor: 1 } }).outcome).not.toBe('dropped');
  });
});
