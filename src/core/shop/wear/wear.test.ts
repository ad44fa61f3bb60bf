import { describe, expect, it } from 'vitest';
import type { StandingCamera } from '../../kit/shop.ts';
import { aBody, aCard, aTest } from '../../testing.ts';
import { odometer } from './odometer.ts';
import { standingWear } from './replaceBy.ts';
import { type WearInput, wear, wearLeft } from './wear.ts';

const asked = (change: Partial<WearInput> = {}): WearInput => ({
  capacityGB: 32,
  rateMbps: [8, 8],
  hoursPerDay: 24,
  rated: null,
  cycles: null,
  writeAmplification: [1, 1],
  price: null,
  ...change,
});

describe('wear', () => {
  it('knows nothing where nothing is known, but how long the loop is', () => {
    expect(wear(asked())).toEqual({
      hours: null,
      days: null,
      fills: null,
      writtenTB: null,
      pricePerHour: null,
      bases: [],
      // 32 GB at 1 MB/s: 32,000 s.
      loopHours: { low: 32_000 / 3600, high: 32_000 / 3600 },
    });
  });

  it('takes the sooner end from the higher rate, the fewer cycles and the larger amplification', () => {
    const one = wear(asked({ rateMbps: [6, 10], cycles: [500, 3000], writeAmplification: [1.1, 2], price: 14 }));
    expect(one.fills?.low).toBe(250);
    expect(one.fills?.high).toBeCloseTo(3000 / 1.1, 9);
    // 250 fills of 32 GB at 1.25 MB/s.
    expect(one.hours?.low).toBeCloseTo((250 * 32_000) / 1.25 / 3600, 9);
    expect(one.days?.low).toBeCloseTo((one.hours?.low ?? 0) / 24, 9);
    expect(one.pricePerHour?.high).toBeCloseTo(14 / (one.hours?.low ?? 1), 9);
    expect(wear(asked({ hoursPerDay: 8, cycles: [500, 500] })).days?.low).toBeCloseTo(
      3 * (wear(asked({ cycles: [500, 500] })).days?.low ?? 0),
      6,
    );
  });

  it('spans both ways where both are known, and keeps them apart', () => {
    const both = wear(asked({ rated: { hours: 6000, atMbps: [8, 8] }, cycles: [300, 300] }));
    expect(both.bases.map(({ code }) => code)).toEqual(['rated', 'cycles']);
    expect(both.hours?.low).toBeCloseTo((300 * 32_000) / 3600, 9);
    expect(both.hours?.high).toBe(6000);
  });

  it('takes off what was written before, at the end that hurts', () => {
    const input = asked({ cycles: [100, 100] });
    // 3.2 TB in all, 86.4 GB a day.
    expect(wearLeft(input, { low: 0, high: 1.6 })).toEqual({
      days: { low: 1.6e6 / 86.4e3, high: 3.2e6 / 86.4e3 },
      used: { low: 0, high: 0.5 },
    });
    expect(wearLeft(input, { low: 4, high: 5 })?.days).toEqual({ low: 0, high: 0 });
    expect(wearLeft(asked(), { low: 0, high: 0 })).toBeNull();
  });

  it('moves with the rate, and doubles with the size where cycles are known; hours a maker states are for one size', () => {
    const camera: StandingCamera = {
      id: 'p',
      name: 'Pier',
      bodyId: null,
      modeId: null,
      cardId: null,
      since: null,
      ...asked(),
      cycles: [500, 500],
    };
    const days = (Mbps: number): number =>
      standingWear({ ...camera, rateMbps: [Mbps, Mbps] }, { low: 0, high: 0 }).days?.low ?? 0;
    expect(days(4)).toBeCloseTo(2 * days(8), 9);
    expect(standingWear(camera, { low: 0, high: 0 }).twice.days?.low).toBeCloseTo(2 * days(8), 9);
    const rated = { ...camera, cycles: null, rated: { hours: 6000, atMbps: [8, 8] as const } };
    expect(standingWear(rated, { low: 0, high: 0 }).twice.hours).toBeNull();
    expect(standingWear(rated, { low: 0, high: 0 }).twice.loopHours.low).toBeCloseTo(64_000 / 3600, 9);
  });
});

describe('what was written to a card', () => {
  const nothing = { bodies: [aBody()], tests: [], benches: [], plans: [] };
  const full = aTest({ date: '2027-05-01' });
  const press = (at: string) => ({ at, cardId: 'c', to: 'full' as const, who: '' });
  const day = (at: string) => ({
    id: 'd',
    name: 'Day',
    date: '2027-05-01',
    start: '08:00',
    blocks: [],
    cardIds: [],
    readers: [],
    copies: { count: 2, destinations: [], verify: true, from: 'card' as const },
    rules: { swapSeconds: 30, mostMinutesOnOneCard: null, changeAtPercent: 100 },
    log: [press(at)],
  });

  it('is what was noted, and what was logged after that', () => {
    const kit = { ...nothing, tests: [full], benches: [{ cardId: 'c', date: '2027-05-02', writtenGB: 10 }] };
    const room = 256 * 0.987;
    expect(odometer(aCard(), nothing).total).toEqual({ low: 0, high: 0 });
    expect(odometer(aCard(), kit).total.low).toBeCloseTo(room + 10, 6);
    const noted = odometer(aCard({ writtenGB: 1000, writtenOn: '2027-05-01' }), kit);
    expect(noted).toMatchObject({ noted: 1000, total: { low: 1010, high: 1010 }, unsure: false });
    const unsure = odometer(aCard({ writtenGB: 1000 }), kit);
    expect(unsure.total.low).toBe(1000);
    expect(unsure.total.high).toBeCloseTo(1010 + room, 6);
    expect(unsure.unsure).toBe(true);
  });

  it('counts a clip by its bytes, a take by its rate and never beyond the card, a full card of a day as up to one filling', () => {
    const total = (change: object) => odometer(aCard(), { ...nothing, ...change }).total;
    expect(total({ tests: [aTest({ end: 'stopped', clipGB: 40, takes: 3 })] })).toEqual({ low: 120, high: 120 });
    const take = aTest({ end: 'stopped', seconds: 100, writtenMBps: 60 });
    expect(total({ tests: [take] }).low).toBeCloseTo(6, 9);
    expect(total({ tests: [{ ...take, seconds: 1e6 }] }).low).toBeCloseTo(256 * 0.987, 6);
    expect(total({ tests: [{ ...take, writtenMBps: null }] }).low).toBeCloseTo(6.25, 9);
    expect(total({ plans: [day('2027-05-01T10:00:00+02:00')] })).toEqual({ low: 0, high: expect.closeTo(252.672, 3) });
    expect(total({ plans: [{ ...day('2027-05-01T10:00:00+02:00'), isTemplate: true }] }).high).toBe(0);
    expect(total({ tests: [aTest({ cardId: 'other' })] }).high).toBe(0);
  });
});
