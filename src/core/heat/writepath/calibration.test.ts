import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aRun } from '../../../../tests/support/aRun.ts';
import { bodyConstants, type CalibrationInput, secondsToLimit } from './calibration.ts';
import { simulate } from './simulate.ts';

const given = (change: Partial<CalibrationInput> = {}): CalibrationInput => ({
  recordingW: 10,
  assumedTau: 900,
  limitC: 62,
  limitEntered: false,
  card: null,
  ...change,
});

/** A stream with a card that heats, as a lane would run it. */
const card = { heatCapacityJPerK: 9, resistanceKPerW: 9, watts: 0.6 + 2.5e-9 * 800e6 };

function endsAt(found: ReturnType<typeof bodyConstants>, ambientC: number, withCard: boolean): number {
  if (!found.ok) throw new Error(found.error.code);
  const { resistanceKPerW, heatCapacityJPerK, limitC } = found.value;
  const heat = {
    recordingW: 10,
    bodyResistanceKPerW: resistanceKPerW,
    bodyHeatCapacityJPerK: heatCapacityJPerK,
    bodyLimitC: limitC,
    ambientC,
    throttleAtC: 149,
    resumeAtC: 148,
    ...(withCard
      ? { cardHeatCapacityJPerK: 9, cardResistanceKPerW: 9, idleW: 0.6, energyNJPerByte: 2.5 }
      : { cardResistanceKPerW: Number.POSITIVE_INFINITY, idleW: 0, energyNJPerByte: 0 }),
  };
  const run = aRun({ demandMBps: withCard ? 800 : 1, takeSeconds: 86_400, heat });
  const fast = { ...run.card, busMBps: 5000, burstMBps: 5000, sustainedMBps: 5000, usableGB: 900_000 };
  const { outcome, atSeconds } = simulate({ ...run, card: fast });
  expect(outcome).toBe('body-cutoff');
  return atSeconds / 60;
}

describe('body constants from a maker’s limits', () => {
  it('one statement gives the rise for the assumed time constant: 37 K in one τ is a rise of 58.5 K', () => {
    const found = bodyConstants([{ minutes: 15, ambientC: 25 }], given());
    expect(found).toMatchObject({ ok: true, value: { limitC: 62, fixed: 'rise' } });
    if (!found.ok) return;
    expect(found.value.resistanceKPerW * 10).toBeCloseTo(37 / (1 - Math.exp(-1)), 6);
    expect(found.value.resistanceKPerW * found.value.heatCapacityJPerK).toBeCloseTo(900, 6);
  });

  it('30 min at 25 °C and 20 at 40 °C fit, since the limit is one of the unknowns', () => {
    const statements = [
      { minutes: 30, ambientC: 25 },
      { minutes: 20, ambientC: 40 },
    ];
    const found = bodyConstants(statements, given());
    expect(found).toMatchObject({ ok: true });
    if (found.ok) expect(found.value.limitC).toBeGreaterThan(62);
    for (const { minutes, ambientC } of statements)
      expect(Math.abs(endsAt(found, ambientC, false) / minutes - 1), `${minutes} min`).toBeLessThan(0.01);
  });

  it.each([
    ['one limit', [{ minutes: 22, ambientC: 30 }]],
    [
      'two limits',
      [
        { minutes: 30, ambientC: 25 },
        { minutes: 18, ambientC: 35 },
      ],
    ],
    [
      'two far apart, given warm first',
      [
        { minutes: 9, ambientC: 40 },
        { minutes: 120, ambientC: 23 },
      ],
    ],
  ])('%s: the card’s own heat is part of the fit', (_, statements) => {
    const found = bodyConstants(statements, given({ card }));
    for (const { minutes, ambientC } of statements)
      expect(Math.abs(endsAt(found, ambientC, true) / minutes - 1), `${minutes} min`).toBeLessThan(0.01);
  });

  it('an entered limit is not moved: then time constant and rise are fitted', () => {
    const at = (ambientC: number) => ({ ambientC, minutes: secondsToLimit(1500, 60, 62, ambientC) / 60 });
    const found = bodyConstants([at(32), at(22)], given({ limitEntered: true }));
    expect(found).toMatchObject({ ok: true, value: { limitC: 62, fixed: 'tau' } });
    if (!found.ok) return;
    expect(found.value.resistanceKPerW * found.value.heatCapacityJPerK).toBeCloseTo(1500, 2);
    expect(found.value.resistanceKPerW * 10).toBeCloseTo(60, 4);
  });

  it('whatever two statements fit, the simulator ends at both of them within 1 %', () => {
    const range = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    let heard = 0;
    fc.assert(
      fc.property(range(5, 120), range(0.35, 0.95), range(10, 30), range(4, 18), (long, share, cool, warmer) => {
        const statements = [
          { minutes: long, ambientC: cool },
          { minutes: long * share, ambientC: cool + warmer },
        ];
        const found = bodyConstants(statements, given({ card }));
        if (!found.ok || found.value.fixed === 'shorter') return;
        heard += 1;
        for (const { minutes, ambientC } of statements)
          expect(Math.abs(endsAt(found, ambientC, true) / minutes - 1)).toBeLessThan(0.01);
      }),
      { seed: 91, numRuns: 200 },
    );
    expect(heard, 'most pairs must be heard, or this proves little').toBeGreaterThan(100);
  });

  it('statements that no body fits: both are kept and the shorter one rules', () => {
    const statements = [
      { minutes: 20, ambientC: 25 },
      { minutes: 40, ambientC: 35 },
    ];
    const found = bodyConstants(statements, given());
    expect(found).toMatchObject({ ok: true, value: { fixed: 'shorter' } });
    expect(endsAt(found, 25, false)).toBeCloseTo(20, 1);
    const equal = bodyConstants(
      [
        { minutes: 20, ambientC: 25 },
        { minutes: 20, ambientC: 35 },
      ],
      given(),
    );
    expect(equal).toMatchObject({ ok: true, value: { fixed: 'shorter' } });
  });

  it('two at one ambient: the shorter rules', () => {
    const found = bodyConstants(
      [
        { minutes: 25, ambientC: 25 },
        { minutes: 15, ambientC: 25 },
      ],
      given(),
    );
    expect(endsAt(found, 25, false)).toBeCloseTo(15, 1);
  });

  it.each([
    ['none', []],
    ['above-limit', [{ minutes: 5, ambientC: 70 }]],
  ] as const)('refuses %s', (code, statements) => {
    expect(bodyConstants(statements, given())).toMatchObject({ ok: false, error: { code } });
  });
});
