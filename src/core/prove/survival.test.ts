import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aBody, aCard, aTest } from '../testing.ts';
import { placed } from './puzzles.ts';
import { type MapBar, mapBars, supported } from './survival.ts';

const bar = (end: MapBar['end'], MBps: number, minutes: number, more: Partial<MapBar> = {}): MapBar => ({
  testId: `${end} ${MBps}`,
  label: 'C-01',
  misfit: false,
  ...more,
  end,
  MBps,
  minutes,
});

describe('the survival map', () => {
  it('draws a fill at the rate it really wrote, a drop at the rate of its mode, all takes of a series in one', () => {
    const kit = {
      bodies: [aBody()],
      cards: [aCard({ usableGB: 250 })],
      tests: [
        aTest({ id: 'full', seconds: 1025, takes: 4 }),
        aTest({ id: 'drop', end: 'dropped', seconds: 120 }),
        aTest({ id: 'odd', seconds: 20 }),
        aTest({ id: 'none', modeId: null, writtenMBps: null, end: 'stopped' }),
      ],
    };
    const bars = mapBars(placed(kit));
    expect(bars.map(({ testId, misfit }) => [testId, misfit])).toEqual([
      ['full', false],
      ['drop', false],
      ['odd', true],
    ]);
    expect(bars[0]?.MBps).toBeCloseTo(250_000 / 4100, 1);
    expect(bars[0]?.minutes).toBeCloseTo(68.3, 1);
    expect(bars[1]).toMatchObject({ MBps: 62.5, minutes: 2, end: 'dropped' });
  });

  it('is ground under every full take, falling in steps', () => {
    expect(supported([bar('full', 90, 20), bar('full', 60, 40), bar('stopped', 300, 90)])).toEqual([
      { minutes: 20, MBps: 90 },
      { minutes: 40, MBps: 60 },
    ]);
  });

  it('a drop takes away what is as fast and longer', () => {
    expect(supported([bar('full', 90, 40), bar('dropped', 90, 15), bar('full', 60, 40)])).toEqual([
      { minutes: 15, MBps: 90 },
      { minutes: 40, MBps: 60 },
    ]);
    expect(supported([bar('dropped', 50, 10)])).toEqual([]);
    expect(supported([bar('full', 60, 40, { misfit: true })])).toEqual([]);
  });

  it('no ground lies above a full take or past a drop, whatever was logged', () => {
    const any = fc
      .tuple(
        fc.constantFrom('full', 'dropped', 'stopped', 'cut-off'),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 200 }),
      )
      .map(([end, MBps, minutes]) => bar(end as MapBar['end'], MBps, minutes));
    fc.assert(
      fc.property(fc.array(any, { maxLength: 12 }), (bars) => {
        for (const { minutes, MBps } of supported(bars)) {
          expect(bars.some((one) => one.end === 'full' && one.MBps >= MBps && one.minutes >= minutes)).toBe(true);
          const failed = bars.filter(({ end }) => end === 'dropped' || end === 'cut-off');
          expect(failed.some((one) => one.MBps <= MBps && one.minutes < minutes)).toBe(false);
        }
      }),
      { seed: 31, numRuns: 500 },
    );
  });
});
