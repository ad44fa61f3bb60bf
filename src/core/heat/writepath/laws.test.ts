import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySim } from '../../../../tests/support/anySim.ts';
import { simulate } from './simulate.ts';
import type { Moment, Simulation } from './simulation.ts';
import { createReader } from './stateAt.ts';

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
