import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aRun } from '../../../tests/support/aRun.ts';
import { bodyConstants, secondsToLimit } from './calibration.ts';
import { simulate } from './simulate.ts';

describe('body constants from a maker’s limits', () => {
  it('two statements give back the constants that made them', () => {
    const range = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(range(200, 4000), range(45, 90), range(15, 25), range(3, 12), (tau, rise, cool, warmer) => {
        const at = (ambientC: number) => ({ ambientC, minutes: secondsToLimit(tau, rise, 62, ambientC) / 60 });
        const found = bodyConstants([at(cool + warmer), at(cool)], 62, 900);
        fc.pre(Number.isFinite(at(cool).minutes));
        expect(found).toMatchObject({ ok: true, value: { tau: 'stated' } });
        if (found.ok) {
          expect(found.value.tauSeconds / tau).toBeCloseTo(1, 5);
          expect(found.value.riseC / rise).toBeCloseTo(1, 5);
        }
      }),
      { seed: 91, numRuns: 300 },
    );
  });

  it('one statement gives the rise for the assumed time constant: 37 K in one τ is a rise of 58.5 K', () => {
    const found = bodyConstants([{ minutes: 15, ambientC: 25 }], 62, 900);
    expect(found).toMatchObject({ ok: true, value: { tauSeconds: 900, tau: 'assumed' } });
    expect(found.ok && found.value.riseC).toBeCloseTo(37 / (1 - Math.exp(-1)), 9);
  });

  it('agree with the simulator: it shuts down at the stated minute', () => {
    const found = bodyConstants(
      [
        { minutes: 30, ambientC: 25 },
        { minutes: 18, ambientC: 35 },
      ],
      62,
      900,
    );
    if (!found.ok) throw new Error(found.error.code);
    const { tauSeconds, riseC } = found.value;
    const bodyResistanceKPerW = riseC / 10;
    const heat = {
      recordingW: 10,
      bodyResistanceKPerW,
      bodyHeatCapacityJPerK: tauSeconds / bodyResistanceKPerW,
      cardResistanceKPerW: Number.POSITIVE_INFINITY,
    };
    for (const [ambientC, minutes] of [
      [25, 30],
      [35, 18],
    ] as const) {
      const { outcome, atSeconds } = simulate(aRun({ demandMBps: 1, heat: { ...heat, ambientC } }));
      expect(outcome).toBe('body-cutoff');
      expect(atSeconds / 60).toBeCloseTo(minutes, 4);
    }
  });

  it.each([
    ['none', []],
    ['above-limit', [{ minutes: 5, ambientC: 70 }]],
    [
      'contradictory',
      [
        { minutes: 20, ambientC: 25 },
        { minutes: 40, ambientC: 35 },
      ],
    ],
  ] as const)('refuses %s', (code, statements) => {
    expect(bodyConstants(statements, 62, 900)).toMatchObject({ ok: false, error: { code } });
  });
});
