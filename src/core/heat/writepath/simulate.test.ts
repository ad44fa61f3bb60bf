import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aRun } from '../../../../tests/support/aRun.ts';
import { causeOf } from './cause.ts';
import { checkSimulation } from './checkSimulation.ts';
import { averageDemand, peakDemand } from './demand.ts';
import { recordedSeconds, wholeSeconds } from './duration.ts';
import { simulate } from './simulate.ts';

// Closed form, by hand: cold and unthrottled, burst above the demand: S ÷ (r − f) + B ÷ (r − f).
describe('time to the first dropped frame', () => {
  it('is S ÷ (r − f) + B ÷ (r − f): 108 GB ÷ 486 MB/s = 222.2 s', () => {
    const result = simulate(aRun());
    expect(result.outcome).toBe('dropped');
    expect(result.atSeconds).toBeCloseTo(108_000 / 486, 9);
    expect(result.timeline.map(({ event }) => event)).toEqual(['start', 'cache-full', 'dropped']);
  });

  it('is the same for any sizes', () => {
    const size = fc.double({ min: 0, max: 500, noNaN: true });
    fc.assert(
      fc.property(size, size, fc.double({ min: 410, max: 1400, noNaN: true }), (cacheGB, bufferGB, demandMBps) => {
        const result = simulate(
          aRun({ demandMBps, bufferMB: bufferGB * 1000, card: { cacheGB, usableGB: 1e6 }, takeSeconds: 1e6 }),
        );
        const expected = (cacheGB + bufferGB) / ((demandMBps - 400) / 1000);
        expect(Math.abs(result.atSeconds - expected)).toBeLessThanOrEqual(1e-9 * Math.max(1, expected));
      }),
      { seed: 81, numRuns: 200 },
    );
  });

  it('is at once without buffer and cache, and never at exactly the flash rate', () => {
    expect(simulate(aRun({ bufferMB: 0, card: { cacheGB: 0 } }))).toMatchObject({ outcome: 'dropped', atSeconds: 0 });
    const equal = simulate(aRun({ demandMBps: 400, card: { cacheGB: 0 }, bufferMB: 0 }));
    expect(equal).toMatchObject({ outcome: 'filled', atSeconds: 2500 });
    expect(equal.timeline.length, 'an equality asks for no events').toBeLessThan(5);
  });

  it('drops by the bus when even the burst is slower than the demand', () => {
    // 8 GB ÷ (886 − 500) MB/s
    expect(simulate(aRun({ card: { busMBps: 500 } })).atSeconds).toBeCloseTo(8000 / 386, 9);
  });
});

describe('takes and rests', () => {
  it('the cache drains in a rest, so that two short takes hold where one long one drops', () => {
    const long = simulate(aRun({ takeSeconds: 400 }));
    const rested = simulate(aRun({ takeSeconds: 200, takes: 2, restSeconds: 300 }));
    expect(long.outcome).toBe('dropped');
    expect(rested).toMatchObject({ outcome: 'complete', atSeconds: 700 });
  });

  it('a body pushed over its limit in a rest by a hot card ends the next take before it begins', () => {
    // The last take is so long that the body is cool again at its end: the limit is found though no later moment shows it.
    const pushed = aRun({
      demandMBps: 1,
      takeSeconds: 1,
      restSeconds: 1000,
      takes: 2,
      lastTakeSeconds: 100_000,
      heat: {
        recordingW: 0,
        cardHeatCapacityJPerK: 400,
        bodyHeatCapacityJPerK: 100,
        bodyResistanceKPerW: 10,
        startCardC: 145,
        startBodyC: 20,
        throttleAtC: 149,
        resumeAtC: 148,
      },
    });
    const result = simulate(pushed);
    expect(result).toMatchObject({ outcome: 'body-cutoff', atSeconds: 1001 });
    expect(result.timeline.at(-1)?.bodyC).toBeGreaterThan(62);
    expect(causeOf(pushed, result)).toBe('heat');
    expect(simulate({ ...pushed, takes: 1, lastTakeSeconds: null }).outcome).toBe('complete');
  });

  it('fills at the usable size exactly', () => {
    const result = simulate(aRun({ demandMBps: 200, takeSeconds: 1e5 }));
    expect(result).toMatchObject({ outcome: 'filled', atSeconds: 5000, writtenGB: 1000 });
  });

  it('follows a trace second by second and repeats it', () => {
    // 800 for a second and 0 for a second is 400 on average: the flash just keeps up, the buffer takes the swing.
    const trace = aRun({ demandTraceMBps: [800, 0], bufferMB: 500, card: { cacheGB: 0 }, takeSeconds: 60 });
    expect(simulate(trace)).toMatchObject({ outcome: 'complete' });
    expect(simulate({ ...trace, bufferMB: 399 })).toMatchObject({ outcome: 'dropped' });
  });

  it('stalls stop the card, and a large enough buffer hides them', () => {
    const stalls = { stallEveryGB: 10, stallSeconds: 2, sustainedMBps: 1500 };
    expect(simulate(aRun({ card: stalls, bufferMB: 1000 }))).toMatchObject({ outcome: 'dropped' });
    expect(simulate(aRun({ card: stalls, bufferMB: 2000 })).outcome).toBe('filled');
  });
});

describe('heat', () => {
  // Lumped capacitance, T = T∞ − (T∞ − T0)·e^(−t/RC), as in any heat-transfer textbook (Incropera, chapter 5; from memory).
  it('an insulated body alone heats by t·P ÷ C', () => {
    const result = simulate(
      aRun({
        demandMBps: 1,
        heat: { bodyResistanceKPerW: Number.POSITIVE_INFINITY, cardResistanceKPerW: Number.POSITIVE_INFINITY },
      }),
    );
    // 30 W into 1500 J/K: 42 K in 2100 s.
    expect(result.outcome).toBe('body-cutoff');
    expect(result.atSeconds).toBeCloseTo(2100, 6);
  });

  it('a body alone follows the lumped-capacitance curve to its limit: t = −τ ln(1 − rise ÷ final rise)', () => {
    const result = simulate(
      aRun({
        demandMBps: 1,
        takeSeconds: 1e5,
        heat: { ambientC: 20, bodyResistanceKPerW: 2, cardResistanceKPerW: Number.POSITIVE_INFINITY },
      }),
    );
    // Final rise 60 K, limit after 42 K, τ = 3000 s.
    expect(result.atSeconds).toBeCloseTo(-3000 * Math.log(1 - 42 / 60), 6);
  });

  it('the card settles at ambient + P·Rb + p·R: resistances in series', () => {
    const heat = {
      ambientC: 20,
      recordingW: 10,
      bodyResistanceKPerW: 1,
      cardResistanceKPerW: 10,
      energyNJPerByte: 5,
      idleW: 0.5,
      throttleAtC: 149,
      resumeAtC: 148,
    };
    const result = simulate(aRun({ demandMBps: 200, takeSeconds: 170_000, card: { usableGB: 1e6 }, heat }));
    // The card makes 0.5 + 1 W, which flow through the body too: 20 + 11.5 × 1 + 1.5 × 10.
    expect(result.peakBodyC).toBeCloseTo(31.5, 6);
    expect(result.peakCardC).toBeCloseTo(46.5, 6);
  });

  it('throttles with hysteresis, as often as it takes', () => {
    const heat = { energyNJPerByte: 10, idleW: 0, recordingW: 0, throttleFactor: 0.2 };
    const result = simulate(
      aRun({ demandMBps: 1000, takeSeconds: 3000, bufferMB: 1e7, card: { sustainedMBps: 1500, usableGB: 1e6 }, heat }),
    );
    const names = result.timeline.map(({ event }) => event).filter((event) => event.startsWith('throttle'));
    expect(names.length).toBeGreaterThan(4);
    names.forEach((name, at) => {
      expect(name).toBe(at % 2 === 0 ? 'throttle-on' : 'throttle-off');
    });
    expect(result.peakCardC).toBeCloseTo(75, 6);
  });

  it('starts throttled where the card is already hot', () => {
    expect(simulate(aRun({ heat: { startCardC: 80 } })).firstThrottleAtSeconds).toBe(0);
    expect(simulate(aRun({ heat: { startBodyC: 70 } }))).toMatchObject({ outcome: 'body-cutoff', atSeconds: 0 });
  });
});

describe('a relay', () => {
  const slow = aRun({ demandMBps: 200, takeSeconds: 12_000, card: { usableGB: 600 } });
  const relay = [{ card: slow.card, heat: slow.heat }];

  it('goes on on the next card: minutes add up, and both are filled', () => {
    const result = simulate({ ...slow, relay });
    expect(result).toMatchObject({ outcome: 'filled', atSeconds: 6000, writtenGB: 1200 });
    expect(result.timeline.map(({ event }) => event)).toContain('card-change');
    expect(result.timeline.find(({ event }) => event === 'card-change')).toMatchObject({ seconds: 3000, cardAt: 1 });
  });

  it('gives the next card an empty cache, and the warmth of the body it idled in', () => {
    const warm = { ...slow, heat: { ...slow.heat, idleW: 0.5, energyNJPerByte: 5 } };
    const result = simulate({ ...warm, relay: [{ card: warm.card, heat: warm.heat }] });
    const [full, change] = ['card-full', 'card-change'].map((name) =>
      result.timeline.find(({ event }) => event === name),
    );
    expect(change?.bodyC).toBe(full?.bodyC);
    expect(change?.cardC).toBeCloseTo((full?.bodyC ?? 0) + 0.5 * 9, 9);
    expect(change?.cardC).toBeLessThan(full?.cardC ?? 0);
    expect(change?.cacheGB).toBe(0);
  });

  it('can fail on the second card, and says why', () => {
    const weak = { card: { ...slow.card, sustainedMBps: 100, cacheGB: 0 }, heat: slow.heat };
    const one = { ...slow, relay: [weak] };
    const result = simulate(one);
    // 8 GB of buffer at 100 MB/s short.
    expect(result).toMatchObject({ outcome: 'dropped', atSeconds: 3080 });
    expect(causeOf(one, result)).toBe('flash');
  });

  it('refuses a card that cannot be, with its place', () => {
    const bad = { card: { ...slow.card, sustainedMBps: -1 }, heat: slow.heat };
    expect(checkSimulation({ ...slow, relay: [relay[0] as (typeof relay)[0], bad] })).toMatchObject({
      field: 'relay[1].card.sustainedMBps',
    });
  });
});

describe('what a run is asked for', () => {
  it('is recorded time without its rests', () => {
    const rhythm = { takeSeconds: 60, takes: 3, restSeconds: 40 };
    expect(wholeSeconds(rhythm)).toBe(260);
    expect([0, 30, 60, 99, 100, 130, 260].map((at) => recordedSeconds(rhythm, at))).toEqual([
      0, 30, 60, 60, 60, 90, 180,
    ]);
    expect(recordedSeconds({ takeSeconds: 60 }, 45)).toBe(45);
  });

  it('is its demand on average and at most, of a clip too', () => {
    expect([averageDemand(aRun()), peakDemand(aRun())]).toEqual([886, 886]);
    const clip = { demandMBps: 886, demandTraceMBps: [100, 0, 500] };
    expect([averageDemand(clip), peakDemand(clip)]).toEqual([200, 500]);
    expect(averageDemand({ demandMBps: 886, demandTraceMBps: [] })).toBe(886);
  });

  it('fails of the bus where only a second of a clip is faster than it', () => {
    const burst = aRun({ demandTraceMBps: [100, 900], bufferMB: 300, card: { busMBps: 500, sustainedMBps: 500 } });
    const result = simulate(burst);
    expect(result.outcome).toBe('dropped');
    expect(causeOf(burst, result)).toBe('bus');
  });
});
