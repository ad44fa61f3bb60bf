import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aRun } from '../../../tests/support/aRun.ts';
import { causeOf } from './cause.ts';
import { checkSimulation } from './checkSimulation.ts';
import { averageDemand, peakDemand } from './demand.ts';
import { evenSpreads } from './draws.ts';
import { recordedSeconds, wholeSeconds } from './duration.ts';
import { checkRisk, riskRuns, riskSteps, shareUncertainty } from './risk.ts';
import { simulate } from './simulate.ts';
import type { Moment, Simulation } from './simulation.ts';
import { createReader } from './stateAt.ts';

const sim = aRun;

// Closed form, by hand: cold and unthrottled, burst above the demand: S ÷ (r − f) + B ÷ (r − f).
describe('time to the first dropped frame', () => {
  it('is S ÷ (r − f) + B ÷ (r − f): 108 GB ÷ 486 MB/s = 222.2 s', () => {
    const result = simulate(sim());
    expect(result.outcome).toBe('dropped');
    expect(result.atSeconds).toBeCloseTo(108_000 / 486, 9);
    expect(result.timeline.map(({ event }) => event)).toEqual(['start', 'cache-full', 'dropped']);
  });

  it('is the same for any sizes', () => {
    const size = fc.double({ min: 0, max: 500, noNaN: true });
    fc.assert(
      fc.property(size, size, fc.double({ min: 410, max: 1400, noNaN: true }), (cacheGB, bufferGB, demandMBps) => {
        const result = simulate(
          sim({ demandMBps, bufferMB: bufferGB * 1000, card: { cacheGB, usableGB: 1e6 }, takeSeconds: 1e6 }),
        );
        const expected = (cacheGB + bufferGB) / ((demandMBps - 400) / 1000);
        expect(Math.abs(result.atSeconds - expected)).toBeLessThanOrEqual(1e-9 * Math.max(1, expected));
      }),
      { seed: 81, numRuns: 200 },
    );
  });

  it('is at once without buffer and cache, and never at exactly the flash rate', () => {
    expect(simulate(sim({ bufferMB: 0, card: { cacheGB: 0 } }))).toMatchObject({ outcome: 'dropped', atSeconds: 0 });
    const equal = simulate(sim({ demandMBps: 400, card: { cacheGB: 0 }, bufferMB: 0 }));
    expect(equal).toMatchObject({ outcome: 'filled', atSeconds: 2500 });
    expect(equal.timeline.length, 'an equality asks for no events').toBeLessThan(5);
  });

  it('drops by the bus when even the burst is slower than the demand', () => {
    // 8 GB ÷ (886 − 500) MB/s
    expect(simulate(sim({ card: { busMBps: 500 } })).atSeconds).toBeCloseTo(8000 / 386, 9);
  });
});

describe('takes and rests', () => {
  it('the cache drains in a rest, so that two short takes hold where one long one drops', () => {
    const long = simulate(sim({ takeSeconds: 400 }));
    const rested = simulate(sim({ takeSeconds: 200, takes: 2, restSeconds: 300 }));
    expect(long.outcome).toBe('dropped');
    expect(rested).toMatchObject({ outcome: 'complete', atSeconds: 700 });
  });

  it('a body pushed over its limit in a rest by a hot card ends the next take before it begins', () => {
    // The last take is so long that the body is cool again at its end: the limit is found though no later moment shows it.
    const pushed = sim({
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
    const result = simulate(sim({ demandMBps: 200, takeSeconds: 1e5 }));
    expect(result).toMatchObject({ outcome: 'filled', atSeconds: 5000, writtenGB: 1000 });
  });

  it('follows a trace second by second and repeats it', () => {
    // 800 for a second and 0 for a second is 400 on average: the flash just keeps up, the buffer takes the swing.
    const trace = sim({ demandTraceMBps: [800, 0], bufferMB: 500, card: { cacheGB: 0 }, takeSeconds: 60 });
    expect(simulate(trace)).toMatchObject({ outcome: 'complete' });
    expect(simulate({ ...trace, bufferMB: 399 })).toMatchObject({ outcome: 'dropped' });
  });

  it('stalls stop the card, and a large enough buffer hides them', () => {
    const stalls = { stallEveryGB: 10, stallSeconds: 2, sustainedMBps: 1500 };
    expect(simulate(sim({ card: stalls, bufferMB: 1000 }))).toMatchObject({ outcome: 'dropped' });
    expect(simulate(sim({ card: stalls, bufferMB: 2000 })).outcome).toBe('filled');
  });
});

describe('heat', () => {
  // Lumped capacitance, T = T∞ − (T∞ − T0)·e^(−t/RC), as in any heat-transfer textbook (Incropera, chapter 5; from memory).
  it('an insulated body alone heats by t·P ÷ C', () => {
    const result = simulate(
      sim({
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
      sim({
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
    const result = simulate(sim({ demandMBps: 200, takeSeconds: 170_000, card: { usableGB: 1e6 }, heat }));
    // The card makes 0.5 + 1 W, which flow through the body too: 20 + 11.5 × 1 + 1.5 × 10.
    expect(result.peakBodyC).toBeCloseTo(31.5, 6);
    expect(result.peakCardC).toBeCloseTo(46.5, 6);
  });

  it('throttles with hysteresis, as often as it takes', () => {
    const heat = { energyNJPerByte: 10, idleW: 0, recordingW: 0, throttleFactor: 0.2 };
    const result = simulate(
      sim({ demandMBps: 1000, takeSeconds: 3000, bufferMB: 1e7, card: { sustainedMBps: 1500, usableGB: 1e6 }, heat }),
    );
    const names = result.timeline.map(({ event }) => event).filter((event) => event.startsWith('throttle'));
    expect(names.length).toBeGreaterThan(4);
    names.forEach((name, at) => {
      expect(name).toBe(at % 2 === 0 ? 'throttle-on' : 'throttle-off');
    });
    expect(result.peakCardC).toBeCloseTo(75, 6);
  });

  it('starts throttled where the card is already hot', () => {
    expect(simulate(sim({ heat: { startCardC: 80 } })).firstThrottleAtSeconds).toBe(0);
    expect(simulate(sim({ heat: { startBodyC: 70 } }))).toMatchObject({ outcome: 'body-cutoff', atSeconds: 0 });
  });
});

const anySim = fc
  .record({
    demandMBps: fc.integer({ min: 10, max: 1500 }),
    takeSeconds: fc.integer({ min: 10, max: 4000 }),
    restSeconds: fc.integer({ min: 0, max: 600 }),
    takes: fc.integer({ min: 1, max: 4 }),
    bufferMB: fc.integer({ min: 0, max: 20_000 }),
    cacheGB: fc.integer({ min: 0, max: 300 }),
    sustainedMBps: fc.integer({ min: 20, max: 1500 }),
    ambientC: fc.integer({ min: -10, max: 45 }),
    energyNJPerByte: fc.double({ min: 0, max: 12, noNaN: true }),
    cardResistanceKPerW: fc.double({ min: 1, max: 30, noNaN: true }),
  })
  .map(({ cacheGB, sustainedMBps, ambientC, energyNJPerByte, cardResistanceKPerW, ...rest }) =>
    sim({
      ...rest,
      card: { cacheGB, sustainedMBps },
      heat: { ambientC, energyNJPerByte, cardResistanceKPerW, idleW: 0.4 },
    }),
  );

describe('conservation', () => {
  it('bytes demanded are in the buffer or written, at every event', () => {
    fc.assert(
      fc.property(anySim, (one) => {
        let demanded = 0;
        let last = { seconds: 0, demandMBps: 0 };
        for (const moment of simulate(one).timeline) {
          demanded += last.demandMBps * (moment.seconds - last.seconds);
          const held = moment.bufferMB + moment.writtenGB * 1000;
          expect(Math.abs(held - demanded)).toBeLessThanOrEqual(1e-6 * Math.max(1, demanded));
          expect(moment.cacheGB).toBeLessThanOrEqual(one.card.cacheGB);
          last = moment;
        }
      }),
      { seed: 82, numRuns: 200 },
    );
  });
});

describe('energy', () => {
  it('put in is stored in the two nodes or lost to the air, at every event', () => {
    fc.assert(
      fc.property(anySim, (one) => {
        const result = simulate(one);
        const at = createReader(one, result);
        const { heat } = one;
        let put = 0;
        let lost = 0;
        for (const [place, moment] of result.timeline.slice(1).entries()) {
          const from = result.timeline[place] as Moment;
          const dt = moment.seconds - from.seconds;
          const cardW = heat.idleW + heat.energyNJPerByte * 1e-3 * from.acceptedMBps;
          put += (cardW + (from.recording ? heat.recordingW : 0)) * dt;
          // Simpson's rule over the body's own curve.
          const steps = 40;
          for (let step = 0; step <= steps; step += 1) {
            const weight = step === 0 || step === steps ? 1 : step % 2 === 1 ? 4 : 2;
            const { bodyC } = at(from.seconds + (dt * step) / steps - (step === steps ? 1e-9 * dt : 0));
            lost += (((bodyC - heat.ambientC) / heat.bodyResistanceKPerW) * weight * dt) / (3 * steps);
          }
          const stored =
            heat.cardHeatCapacityJPerK * (moment.cardC - heat.ambientC) +
            heat.bodyHeatCapacityJPerK * (moment.bodyC - heat.ambientC);
          expect(Math.abs(put - lost - stored)).toBeLessThanOrEqual(1e-5 * Math.max(1, put));
        }
      }),
      { seed: 84, numRuns: 60 },
    );
  });
});

describe('a run read at any second', () => {
  it('is where a take that ends at that second ends', () => {
    fc.assert(
      fc.property(anySim, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (any, share) => {
        const one = { ...any, takes: 1, restSeconds: 0 };
        const whole = simulate(one);
        const seconds = whole.atSeconds * share;
        fc.pre(seconds > 0.01);
        const read = createReader(one, whole)(seconds);
        const end = simulate({ ...one, takeSeconds: seconds }).timeline.at(-1);
        expect(end?.cardC).toBeCloseTo(read.cardC, 6);
        expect(end?.bodyC).toBeCloseTo(read.bodyC, 6);
        expect(end?.bufferMB).toBeCloseTo(read.bufferMB, 4);
        expect(end?.cacheGB).toBeCloseTo(read.cacheGB, 6);
        expect(end?.writtenGB).toBeCloseTo(read.writtenGB, 6);
      }),
      { seed: 85, numRuns: 150 },
    );
  });

  it('stays at its ends outside its time', () => {
    const one = sim();
    const result = simulate(one);
    const at = createReader(one, result);
    expect(at(-5)).toEqual(result.timeline[0]);
    expect(at(1e9)).toEqual(result.timeline.at(-1));
  });
});

describe('a relay', () => {
  const slow = sim({ demandMBps: 200, takeSeconds: 12_000, card: { usableGB: 600 } });
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

describe('more never helps', () => {
  /** How long a take lasts before it fails; one that does not fail lasts for ever. */
  const lasts = (one: Simulation): number => {
    const { outcome, atSeconds } = simulate(one, false);
    return outcome === 'dropped' || outcome === 'body-cutoff' ? atSeconds : Number.POSITIVE_INFINITY;
  };
  // Single takes without throttling. With throttling a hotter card writes less and so heats its body less: the one
  // exception the model itself makes. A higher demand also fills a card sooner, which is not failing.
  const plain = anySim.map((one) => ({
    ...one,
    takes: 1,
    restSeconds: 0,
    card: { ...one.card, usableGB: 1e6 },
    heat: { ...one.heat, throttleFactor: 1 },
  }));

  it.each([
    ['demand', (one: Simulation) => ({ ...one, demandMBps: one.demandMBps * 1.1 })],
    ['less cache', (one: Simulation) => ({ ...one, card: { ...one.card, cacheGB: one.card.cacheGB * 0.8 } })],
    ['less buffer', (one: Simulation) => ({ ...one, bufferMB: one.bufferMB * 0.8 })],
    ['warmer air', (one: Simulation) => ({ ...one, heat: { ...one.heat, ambientC: one.heat.ambientC + 3 } })],
    [
      'a worse heat path of the body',
      (one: Simulation) => ({ ...one, heat: { ...one.heat, bodyResistanceKPerW: one.heat.bodyResistanceKPerW * 1.3 } }),
    ],
  ])('%s', (_, worse) => {
    fc.assert(
      fc.property(plain, (one) => {
        expect(lasts(worse(one))).toBeLessThanOrEqual(lasts(one) * (1 + 1e-9));
      }),
      { seed: 83, numRuns: 150 },
    );
  });
});

describe('a worse heat path of the card', () => {
  // Said of the first throttling alone: once a card has throttled, an earlier one may also have cooled earlier.
  it('never throttles it later', () => {
    const first = (one: Simulation): number => simulate(one, false).firstThrottleAtSeconds ?? Number.POSITIVE_INFINITY;
    fc.assert(
      fc.property(anySim, (any) => {
        const one = { ...any, takes: 1, restSeconds: 0, bufferMB: 1e7, card: { ...any.card, usableGB: 1e6 } };
        const worse = { ...one, heat: { ...one.heat, cardResistanceKPerW: one.heat.cardResistanceKPerW * 1.3 } };
        expect(first(worse)).toBeLessThanOrEqual(first(one) * (1 + 1e-9));
      }),
      { seed: 86, numRuns: 150 },
    );
  });
});

describe('the cause', () => {
  const causeFor = (one: Simulation) => causeOf(one, simulate(one));

  it.each([
    ['bus', sim({ card: { busMBps: 500, sustainedMBps: 1500 } })],
    ['cache', sim()],
    ['flash', sim({ card: { cacheGB: 0 } })],
    ['stall', sim({ card: { stallEveryGB: 10, stallSeconds: 20, sustainedMBps: 1500 } })],
    ['heat', sim({ card: { sustainedMBps: 1500 }, heat: { energyNJPerByte: 12, ambientC: 40 } })],
    // Bus and flash are both too slow: the bus ends it at 20 s, and without it the flash would at 222 s.
    ['bus', sim({ card: { busMBps: 500 } })],
    [null, sim({ demandMBps: 100 })],
  ] as const)('%s', (cause, one) => {
    expect(causeFor(one)).toBe(cause);
  });

  it('is what would have to change: without it the take survives', () => {
    const hot = sim({ card: { sustainedMBps: 1500 }, heat: { energyNJPerByte: 12, ambientC: 40 } });
    expect(simulate(hot).outcome).toBe('dropped');
    expect(simulate({ ...hot, heat: { ...hot.heat, throttleFactor: 1 } }).outcome).not.toBe('dropped');
  });
});

describe('risk runs', () => {
  const close = sim({ demandMBps: 380, takeSeconds: 1800 });

  it('are the same for the same seed, and others for another', () => {
    const input = { runs: 500, seed: 7, spread: 0.2 };
    expect(riskRuns(close, input)).toEqual(riskRuns(close, input));
    expect(riskRuns(close, { ...input, seed: 8 })).not.toEqual(riskRuns(close, input));
  });

  it('are certain without spread, and rank what the risk hangs on', () => {
    expect(riskRuns(close, { runs: 50, seed: 1, spread: 0 })).toMatchObject({ dropProbability: 0, atSeconds: null });
    expect(riskRuns(sim(), { runs: 50, seed: 1, spread: 0 })).toMatchObject({ dropProbability: 1 });
    const risk = riskRuns(close, { runs: 2000, seed: 1, spread: 0.2 });
    expect(risk.dropProbability).toBeGreaterThan(0.1);
    expect(risk.hangsOn[0]?.what).toBe('sustained');
  });

  it('hang on nothing but what is uncertain', () => {
    const spread = { ...evenSpreads(0), sustained: 0.2 };
    const risk = riskRuns(close, { runs: 1000, seed: 1, spread });
    expect(risk.dropProbability).toBeGreaterThan(0.1);
    expect(risk.hangsOn[0]?.what).toBe('sustained');
    expect(risk.hangsOn.slice(1).every(({ difference }) => difference === 0)).toBe(true);
  });

  it('fail more often where less is known', () => {
    const shares = [0.02, 0.1, 0.3].map((spread) => riskRuns(close, { runs: 2000, seed: 3, spread }).dropProbability);
    expect(shares[0]).toBeLessThan(shares[1] as number);
    expect(shares[1]).toBeLessThan(shares[2] as number);
  });

  it('without spread have a band that is the run itself', () => {
    const one = sim({ demandMBps: 300, takeSeconds: 1200, heat: { energyNJPerByte: 3, idleW: 0.5 } });
    const at = createReader(one, simulate(one));
    const band = riskRuns(one, { runs: 40, seed: 1, spread: 0 }).band;
    expect(band.seconds).toHaveLength(61);
    band.card.forEach((range, place) => {
      const { cardC } = at(band.seconds[place] ?? 0);
      expect(range.p5).toBeCloseTo(cardC, 9);
      expect(range.p95).toBeCloseTo(cardC, 9);
    });
    expect(band.failed.every((share) => share === 0)).toBe(true);
  });

  it('say how sure they are by Wilson’s interval: none of 1000 is 0 to 0.38 %', () => {
    // Wilson (1927): the centre of 0 of n lies at z² ÷ 2(n + z²), with the same half width.
    expect(shareUncertainty(0, 1000)).toBeCloseTo(1.96 ** 2 / 2 / (1000 + 1.96 ** 2), 12);
    expect(shareUncertainty(0.5, 1000)).toBeCloseTo(0.0309, 3);
  });

  it('go in steps that never tell less than before', () => {
    const shares: number[] = [];
    const steps = riskSteps(close, { runs: 500, seed: 1, spread: 0.2 });
    for (let next = steps.next(); !next.done; next = steps.next()) shares.push(next.value);
    expect(shares.length).toBeGreaterThan(20);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.every((share) => share >= 0 && share < 1)).toBe(true);
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
    expect([averageDemand(sim()), peakDemand(sim())]).toEqual([886, 886]);
    const clip = { demandMBps: 886, demandTraceMBps: [100, 0, 500] };
    expect([averageDemand(clip), peakDemand(clip)]).toEqual([200, 500]);
    expect(averageDemand({ demandMBps: 886, demandTraceMBps: [] })).toBe(886);
  });

  it('fails of the bus where only a second of a clip is faster than it', () => {
    const burst = sim({ demandTraceMBps: [100, 900], bufferMB: 300, card: { busMBps: 500, sustainedMBps: 500 } });
    const result = simulate(burst);
    expect(result.outcome).toBe('dropped');
    expect(causeOf(burst, result)).toBe('bus');
  });
});

describe('what is refused', () => {
  it.each([
    ['heat.resumeAtC', sim({ heat: { resumeAtC: 80 } })],
    ['heat.cardResistanceKPerW', sim({ heat: { cardResistanceKPerW: -1 } })],
    ['heat.bodyLimitC', sim({ heat: { bodyLimitC: 10 } })],
    ['demandMBps', sim({ demandMBps: Number.NaN })],
    ['demandMBps', sim({ demandMBps: 0 })],
    ['takeSeconds', sim({ takeSeconds: 604_800 })],
    ['takes', sim({ takes: 1.5 })],
    ['takes', sim({ takes: 5000 })],
    ['card.usableGB', sim({ card: { usableGB: Number.POSITIVE_INFINITY } })],
    ['heat.throttleFactor', sim({ heat: { throttleFactor: 2 } })],
    ['demandTraceMBps[1]', sim({ demandTraceMBps: [1, -1] })],
  ])('%s', (field, one) => {
    expect(checkSimulation(one)).toMatchObject({ field });
  });

  it.each([
    ['risk.runs', { runs: 1_000_000, seed: 1, spread: 0.1 }],
    ['risk.runs', { runs: 0.5, seed: 1, spread: 0.1 }],
    ['risk.runs', { runs: Number.NaN, seed: 1, spread: 0.1 }],
    ['risk.seed', { runs: 10, seed: -1, spread: 0.1 }],
    ['risk.spread', { runs: 10, seed: 1, spread: 3 }],
    ['risk.spread', { runs: 10, seed: 1, spread: { ...evenSpreads(0.1), cache: Number.NaN } }],
  ])('%s of %j', (field, input) => {
    expect(checkRisk(input)).toMatchObject({ field });
    expect(checkRisk({ runs: 10, seed: 1, spread: 0.1 })).toBeNull();
  });

  it('nothing else', () => {
    expect(checkSimulation(sim())).toBeNull();
    expect(checkSimulation(sim({ heat: { bodyResistanceKPerW: Number.POSITIVE_INFINITY } }))).toBeNull();
  });

  it('a billion stalls are refused with the least distance between them', () => {
    const card = { usableGB: 1e6, stallEveryGB: 0.001, stallSeconds: 0.0001 };
    expect(checkSimulation(sim({ card }))).toEqual({
      code: 'contradiction',
      field: 'card.stallEveryGB',
      min: 50,
      max: null,
    });
  });

  it('more events than are followed end the run with a note, not in a hang', { timeout: 20_000 }, () => {
    const long = sim({ demandMBps: 300, demandTraceMBps: [200, 400], bufferMB: 1e7, takeSeconds: 172_800 });
    const endless = { ...long, takes: 7, card: { ...long.card, usableGB: 1e6 } };
    expect(simulate(endless, false).cutShort).toBe(true);
    const short = simulate({ ...long, card: { ...long.card, usableGB: 1e6 }, maxEvents: 500 });
    expect(short.cutShort).toBe(true);
    expect(short.timeline.length).toBeLessThanOrEqual(501);
  });
});
