import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solve } from '../../../../tests/support/highs.ts';
import { COUNTER_ROUNDINGS, type CounterReading, type CounterRounding, type Mode } from '../../kit/model.ts';
import { aMode } from '../../testing.ts';
import { decodeCounter as decodeBy, counterRate as rateBy } from './counter.ts';

const decodeCounter = (
  ...[body, counters, capacityGB]: [Parameters<typeof decodeBy>[0], readonly CounterReading[], number]
) => decodeBy(body, counters, capacityGB, solve);
const counterRate = (...[body, counters, modeId]: [Parameters<typeof rateBy>[0], readonly CounterReading[], string]) =>
  rateBy(body, counters, modeId, solve);

const CAPACITY = 128;
const mode = (id: string, Mbps: number, fps: number): Mode =>
  aMode({ id, rate: { kind: 'stated', Mbps, is: 'constant' }, fps });
const modes = [
  mode('a', 600, 50),
  mode('b', 400, 50),
  mode('c', 240, 25),
  mode('d', 150, 50),
  mode('e', 100, 25),
  mode('f', 50, 25),
];

/** What a counter with known constants would show. */
const shows = (one: Mode, usable: number, fixedMbps: number, perFrameKB: number): number => {
  const Mbps = one.rate.kind === 'stated' ? one.rate.Mbps : 0;
  const bytes = ((Mbps + fixedMbps) * 1e6) / 8 + perFrameKB * 1000 * one.fps;
  return Math.floor((usable * CAPACITY * 1e9) / bytes / 60);
};
const readings = (usable: number, fixedMbps: number, perFrameKB: number): CounterReading[] =>
  modes.map((one) => ({ modeId: one.id, capacityGB: CAPACITY, minutes: shows(one, usable, fixedMbps, perFrameKB) }));

const decoded = (counters: readonly CounterReading[]) => {
  const { result } = decodeCounter({ modes }, counters, CAPACITY);
  if (result.code !== 'decoded') throw new Error(result.code);
  return result.decoded;
};

describe('the counter decoder', () => {
  it('always includes the constants that made the readings, and predicts the modes it saw', () => {
    const constants = fc.tuple(
      fc.double({ min: 0.93, max: 0.995, noNaN: true }),
      fc.double({ min: 0, max: 10, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
    );
    fc.assert(
      fc.property(constants, ([usable, fixedMbps, perFrameKB]) => {
        const counters = readings(usable, fixedMbps, perFrameKB);
        const found = decoded(counters);
        const within = (value: number, { low, high }: { low: number; high: number }): void => {
          expect(value).toBeGreaterThanOrEqual(low - Math.abs(low) * 1e-6 - 1e-6);
          expect(value).toBeLessThanOrEqual(high + Math.abs(high) * 1e-6 + 1e-6);
        };
        within(usable, found.usable);
        within((fixedMbps * 1e6) / 8, found.fixed);
        within(perFrameKB * 1000, found.perFrame);
        for (const { modeId, minutes } of found.predictions) {
          const shown = counters.find((one) => one.modeId === modeId)?.minutes ?? -1;
          expect(minutes.low).toBeGreaterThanOrEqual(shown - 1e-6);
          expect(minutes.high).toBeLessThanOrEqual(shown + 1 + 1e-6);
        }
      }),
      { seed: 51, numRuns: 60 },
    );
  });

  it('narrows the usable share with more readings', () => {
    const all = readings(0.987, 2, 20);
    const wide = decoded(all.slice(0, 2)).usable;
    const narrow = decoded(all).usable;
    expect(narrow.high - narrow.low).toBeLessThan(wide.high - wide.low);
    expect(narrow.low).toBeGreaterThan(0.9);
  });

  it('names the one reading that does not fit', () => {
    const noisy = readings(0.987, 2, 20).map((one, at) => (at === 2 ? { ...one, minutes: one.minutes + 9 } : one));
    const { result } = decodeCounter({ modes }, noisy, CAPACITY);
    expect(result).toMatchObject({ code: 'odd-one', odd: 2, used: 5 });
  });

  it('sets a cap aside: the longest value in two modes whose rates are far apart', () => {
    const counters = readings(0.987, 2, 20).map((one) => ({ ...one, minutes: Math.min(one.minutes, 120) }));
    const { capped, result } = decodeCounter({ modes }, counters, CAPACITY);
    expect(capped).toEqual([4, 5]);
    expect(result.code).toBe('decoded');
  });

  it('sets a bucket aside: one value in three modes whose rates are far apart', () => {
    const counters = readings(0.987, 2, 20).map((one, at) => (at >= 1 && at <= 3 ? { ...one, minutes: 60 } : one));
    expect(decodeCounter({ modes }, counters, CAPACITY).bucketed).toEqual([1, 2, 3]);
  });

  it('asks for more readings, and ignores those of modes that are gone', () => {
    expect(decodeCounter({ modes }, [], CAPACITY).result).toEqual({ code: 'too-few', needed: 2 });
    const gone = [{ modeId: 'gone', capacityGB: 128, minutes: 10 }, ...readings(0.987, 2, 20).slice(0, 1)];
    expect(decodeCounter({ modes }, gone, CAPACITY).result.code).toBe('too-few');
  });

  it('says so when nothing fits', () => {
    const wild = modes.map((one, at) => ({ modeId: one.id, capacityGB: CAPACITY, minutes: 5 + at * at * 90 }));
    expect(decodeCounter({ modes }, wild, CAPACITY).result.code).toBe('no-fit');
  });
});

describe('how a counter rounds', () => {
  const ROUND = { down: Math.floor, nearest: Math.round, up: Math.ceil } as const;
  const seen = (rounds: CounterRounding, usable: number, fixedMbps: number, perFrameKB: number): CounterReading[] =>
    modes.map((one) => {
      const bytes = (((one.rate as { Mbps: number }).Mbps + fixedMbps) * 1e6) / 8 + perFrameKB * 1000 * one.fps;
      return { modeId: one.id, capacityGB: 24, minutes: ROUND[rounds]((usable * 24e9) / bytes / 60) };
    });

  it('is found only where nothing else explains the readings, and is then the one it has', () => {
    let found = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...COUNTER_ROUNDINGS),
        fc.double({ min: 0.93, max: 0.995, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (rounds, usable, fixedMbps, perFrameKB) => {
          const answer = decodeCounter({ modes }, seen(rounds, usable, fixedMbps, perFrameKB), 24);
          if (answer.roundsBy !== 'found') expect(answer).toMatchObject({ rounds: 'down', roundsBy: 'assumed' });
          else {
            found += 1;
            expect(answer.rounds).toBe(rounds);
            expect(answer.result.code).toBe('decoded');
          }
        },
      ),
      { seed: 52, numRuns: 60 },
    );
    expect(found).toBeGreaterThan(5);
  });

  it('is what somebody told, whatever the readings say', () => {
    const readings = seen('up', 0.98, 3, 20);
    expect(decodeCounter({ modes, counterRounds: 'up' }, readings, 24)).toMatchObject({
      rounds: 'up',
      roundsBy: 'told',
      result: { code: 'decoded' },
    });
    expect(decodeCounter({ modes, counterRounds: 'nearest' }, readings, 24).rounds).toBe('nearest');
  });

  it('moves the rate that minutes leave open by what it may be off', () => {
    const rate = counterRate({ modes: [] }, [{ modeId: 'x', capacityGB: 256, minutes: 57 }], 'x');
    const Mb = (256 * 8000) / 60;
    expect(rate).toMatchObject({ rounds: 'down', roundsBy: 'assumed' });
    // 57 to 58 minutes, 56.5 to 57.5, 56 to 57; 80 to 100 % of the card usable.
    expect(rate?.by.down?.highMbps).toBeCloseTo(Mb / 57, 9);
    expect(rate?.by.nearest?.highMbps).toBeCloseTo(Mb / 56.5, 9);
    expect(rate?.by.up?.highMbps).toBeCloseTo(Mb / 56, 9);
    expect(rate?.by.up?.lowMbps).toBeCloseTo((0.8 * Mb) / 57, 9);
    const told = counterRate({ modes: [], counterRounds: 'up' }, [{ modeId: 'x', capacityGB: 256, minutes: 57 }], 'x');
    expect(told).toMatchObject({ rounds: 'up', roundsBy: 'told', highMbps: rate?.by.up?.highMbps });
    // One minute of a counter that rounds up may be none at all: no rate.
    const short = counterRate({ modes: [] }, [{ modeId: 'x', capacityGB: 256, minutes: 1 }], 'x');
    expect(short?.by.up).toBeNull();
    expect(short?.by.down).not.toBeNull();
  });
});

describe('the rate of a mode that only the counter tells', () => {
  const reading = (modeId: string, minutes: number, capacityGB = CAPACITY): CounterReading => ({
    modeId,
    capacityGB,
    minutes,
  });

  it('lies between what t and t + 1 minutes allow, for 80 to 100 % usable', () => {
    const found = counterRate({ modes: [] }, [reading('x', 57, 256)], 'x');
    // 256 GB × 8000 ÷ 60 ÷ 57 = 598.8 Mb/s; × 0.8 ÷ 58 = 470.8.
    expect(found?.highMbps).toBeCloseTo((256 * 8000) / 60 / 57, 9);
    expect(found?.lowMbps).toBeCloseTo((0.8 * 256 * 8000) / 60 / 58, 9);
  });

  it('is narrowed by what the other modes give away of the usable share', () => {
    const found = counterRate({ modes }, [...readings(0.98, 2, 20), reading('x', 30)], 'x');
    const alone = counterRate({ modes }, [reading('x', 30)], 'x');
    if (!found || !alone) throw new Error('no rate');
    expect(found.highMbps - found.lowMbps).toBeLessThan((alone.highMbps - alone.lowMbps) / 2);
    const truth = (0.98 * CAPACITY * 8000) / 60 / 30.5;
    expect(found.lowMbps).toBeLessThan(truth);
    expect(found.highMbps).toBeGreaterThan(truth);
  });

  it('several readings narrow it; those that exclude each other give none', () => {
    const one = counterRate({ modes: [] }, [reading('x', 57)], 'x');
    const two = counterRate({ modes: [] }, [reading('x', 57), reading('x', 115, CAPACITY * 2)], 'x');
    expect(two && one && two.highMbps - two.lowMbps).toBeLessThan(one ? one.highMbps - one.lowMbps : 0);
    expect(counterRate({ modes: [] }, [reading('x', 57), reading('x', 80)], 'x')).toBeNull();
    expect(
      counterRate({ modes: [] }, [reading('x', 57), reading('x', 58)], 'x'),
      'half open: they only touch',
    ).toBeNull();
  });

  it('is not told by no reading, by one under a minute, or by its own mode', () => {
    expect(counterRate({ modes }, [], 'x')).toBeNull();
    expect(counterRate({ modes }, [reading('x', 0)], 'x')).toBeNull();
    expect(counterRate({ modes }, [reading('a', 30)], 'x')).toBeNull();
    const counted = aMode({ id: 'x', rate: { kind: 'counter', lowMbps: 1, highMbps: 2 } });
    expect(counterRate({ modes: [counted] }, [reading('x', 57, 256)], 'x')?.highMbps).toBeCloseTo(598.8, 1);
  });
});
