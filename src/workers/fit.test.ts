import { describe, expect, it } from 'vitest';
import { type FitInput, fitSteps } from '../core/heat/run/fit.ts';
import { lanesOf } from '../core/heat/run/lane.ts';
import { simulate } from '../core/heat/writepath/simulate.ts';
import type { Body, Card, Test } from '../core/kit/model.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { finish } from '../core/steps.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../core/testing.ts';
import { leastSquaresWith } from './leastSquares.ts';

const leastSquares = leastSquaresWith(() => {});

const mode = aMode({ rate: { kind: 'stated', Mbps: 6400, is: 'maximum' } });
const body: Body = aBody({
  bufferMB: 2000,
  slots: [aSlot({ accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null })],
  modes: [mode],
  heat: { size: 'cine' },
});
const card: Card = aCard({
  form: 'cfexpress-b',
  capacityGB: 4000,
  marks: [],
  sustainedMBps: 1400,
  writeMBps: 1500,
});

/** The take that a body and card with these true figures would have made. */
function taken(id: string, ambientC: number, truth: Partial<Record<'card' | 'body', number>>): Test {
  const figure = (value: number | undefined) => (value === undefined ? null : ({ value, basis: 'stated' } as const));
  const lanes = lanesOf({
    body: { ...body, heat: { size: 'cine', figures: { bodyResistanceKPerW: figure(truth.body) } } },
    mode,
    arrangement: 'single',
    cards: [{ ...card, heat: { figures: { cardResistanceKPerW: figure(truth.card) } } }],
    tests: [],
    policy: DEFAULT_POLICY,
    plan: { minutes: 120, takes: 1, restMinutes: 0, ambientC, sunC: 0 },
    startBodyC: null,
    startCardC: null,
    demandTraceMBps: null,
  });
  if (!lanes.ok) throw new Error(lanes.error.code);
  const sim = lanes.value[0]?.sim;
  if (!sim) throw new Error('no path');
  const { outcome, atSeconds } = simulate(sim, false);
  const end = outcome === 'dropped' ? 'dropped' : outcome === 'body-cutoff' ? 'cut-off' : 'stopped';
  return aTest({ id, end, seconds: Math.round(atSeconds), ambientWithSunC: ambientC, writtenMBps: 800 });
}

const fit = (tests: readonly Test[], change: Partial<FitInput> = {}) => {
  const done = finish(
    fitSteps({ body, card, cards: [card], tests, policy: DEFAULT_POLICY, seed: 5, ...change }, leastSquares),
  );
  if (!done.ok) throw new Error(done.error.code);
  return done.value;
};
const figure = (done: ReturnType<typeof fit>, key: string) => {
  const found = done.figures.find((one) => one.figure === key);
  if (!found) throw new Error(key);
  return found;
};

describe('fitting logged takes', () => {
  it('finds the heat path of the card that made them, within its own range', () => {
    const tests = [30, 33, 36].map((air) => taken(`t${air}`, air, { card: 13 }));
    expect(tests.map(({ end }) => end)).toEqual(['dropped', 'dropped', 'dropped']);
    const { after, informed, before } = figure(fit(tests), 'cardResistanceKPerW');
    expect(before).toBe(9);
    expect(informed).toBe(true);
    expect(after.value).toBeGreaterThan(11);
    expect(after.low).toBeLessThan(13);
    expect(after.high).toBeGreaterThan(13);
    expect(after.basis).toBe('fitted');
  });

  it('finds the heat path of a body that shuts itself down', () => {
    const tests = [25, 30].map((air) => taken(`t${air}`, air, { body: 1.5, card: 4 }));
    expect(tests.every(({ end }) => end === 'cut-off')).toBe(true);
    const { after, informed } = figure(fit(tests), 'bodyResistanceKPerW');
    expect(informed).toBe(true);
    expect(after.value).toBeGreaterThan(0.9);
  });

  it('a take that was stopped only bounds: the heat path is not worse than so', () => {
    const held = [aTest({ end: 'stopped', seconds: 5400, ambientWithSunC: 38, writtenMBps: 800 })];
    const { after, before, informed } = figure(fit(held), 'cardResistanceKPerW');
    expect(informed).toBe(true);
    expect(after.high).toBeLessThan(before);
  });

  it('a take in mild air says nothing new, and stays assumed', () => {
    const easy = [aTest({ end: 'stopped', seconds: 300, ambientWithSunC: 5, writtenMBps: 800 })];
    expect(fit(easy).figures.filter(({ informed }) => informed)).toEqual([]);
  });

  it('narrows with every take', () => {
    const width = (count: number) => {
      const tests = [30, 32, 34, 36].slice(0, count).map((air) => taken(`t${air}`, air, {}));
      const { after } = figure(fit(tests), 'cardResistanceKPerW');
      return Math.log((after.high ?? 1) / (after.low ?? 1));
    };
    expect(width(4)).toBeLessThan(width(1));
  });

  it('says which take no figure explains', () => {
    const tests = [30, 33].map((air) => taken(`t${air}`, air, {}));
    const odd = aTest({ id: 'odd', end: 'dropped', seconds: 4, ambientWithSunC: 5, writtenMBps: 800 });
    const { takes } = fit([...tests, odd]);
    expect(takes.find(({ testId }) => testId === 'odd')?.unexplained).toBe(true);
  });

  it('reproduces its own takes with the figures it would keep, or says which it cannot and is not usable', () => {
    const good = fit([taken('a', 30, { card: 22, body: 2 }), taken('b', 24, { card: 22, body: 2 })]);
    expect(good.usable).toBe(true);
    expect(good.takes.every(({ reproduced }) => reproduced)).toBe(true);
    for (const { seconds, fittedSeconds } of good.takes)
      if (fittedSeconds !== null) expect(Math.abs(Math.log(fittedSeconds / seconds))).toBeLessThan(0.16);
    // One of two alike ended after a tenth of the time: no figure of body or card says both.
    const odd = aTest({ ...taken('b', 24, { card: 22, body: 2 }), id: 'odd', seconds: 60, end: 'cut-off' });
    const bad = fit([taken('a', 24, { card: 22, body: 2 }), odd]);
    expect(bad.usable).toBe(false);
    expect(bad.takes.some(({ reproduced }) => !reproduced)).toBe(true);
  });

  it('a single drop moves the run to where it dropped, or nothing is kept', () => {
    for (const seconds of [300, 1320, 2400, 5000]) {
      const done = fit([aTest({ id: 'one', end: 'dropped', seconds, ambientWithSunC: 30, writtenMBps: 800 })]);
      const [take] = done.takes;
      if (!done.usable) expect(take?.reproduced, `${seconds} s`).toBe(false);
      else expect(Math.abs(Math.log((take?.fittedSeconds ?? 0) / seconds)), `${seconds} s`).toBeLessThan(0.16);
    }
  });

  it('understands takes with rests', () => {
    const rested = aTest({
      end: 'stopped',
      seconds: 600,
      takes: 4,
      restSeconds: 900,
      ambientWithSunC: 38,
      writtenMBps: 800,
    });
    expect(fit([rested]).takes[0]?.fittedSeconds).toBeNull();
  });

  describe('with takes on another card', () => {
    const other: Card = { ...card, id: 'other', heat: { figures: { energyNJPerByte: { value: 1, basis: 'stated' } } } };
    const cards = [card, other];
    const cutOff = (id: string, ambientC: number): Test => ({
      ...taken(id, ambientC, { body: 1.5, card: 4 }),
      cardId: 'other',
    });

    it('learns of the body from where they shut it down, and of the body alone', () => {
      const tests = [cutOff('a', 25), cutOff('b', 30)];
      expect(tests.every(({ end }) => end === 'cut-off')).toBe(true);
      const done = fit(tests, { cards });
      expect(done.figures.map((one) => one.figure)).toEqual(['bodyResistanceKPerW', 'bodyHeatCapacityJPerK']);
      expect(figure(done, 'bodyResistanceKPerW')).toMatchObject({ informed: true });
      expect(figure(done, 'bodyResistanceKPerW').after.value).toBeGreaterThan(0.9);
    });

    it('does not take their dropped frames for those of this card', () => {
      const own = [aTest({ end: 'stopped', seconds: 300, ambientWithSunC: 5, writtenMBps: 800 })];
      const dropped = aTest({
        id: 'd',
        cardId: 'other',
        end: 'dropped',
        seconds: 600,
        ambientWithSunC: 20,
        writtenMBps: 800,
      });
      const { figures } = fit([...own, dropped], { cards });
      expect(figures.filter(({ informed }) => informed)).toEqual([]);
    });
  });

  it('is the same for the same seed', () => {
    const tests = [taken('t', 33, {})];
    expect(fit(tests)).toEqual(fit(tests));
  });

  it('goes in steps, so that it can be cancelled', () => {
    const steps = fitSteps(
      { body, card, cards: [card], tests: [taken('t', 33, {})], policy: DEFAULT_POLICY, seed: 1 },
      leastSquares,
    );
    let count = 0;
    let last = 0;
    for (let next = steps.next(); !next.done; next = steps.next()) {
      count += 1;
      expect(next.value).toBeGreaterThanOrEqual(last);
      last = next.value;
    }
    expect(count).toBeGreaterThan(500);
    expect(last).toBeLessThan(1);
  });

  it('a take that failed before body and card had cooled is left out', () => {
    const cold = taken('a', 35, { card: 14 });
    const warm = { ...cold, id: 'w', start: 'warm', seconds: Math.round(cold.seconds / 3) } as const;
    expect(fit([cold, warm]).takes.map(({ testId }) => testId)).toEqual(['a']);
    expect(figure(fit([cold, warm]), 'cardResistanceKPerW')).toEqual(figure(fit([cold]), 'cardResistanceKPerW'));
  });

  it('needs a take of this body with its air and mode', () => {
    const ask = (test: Test) =>
      finish(fitSteps({ body, card, cards: [card], tests: [test], policy: DEFAULT_POLICY, seed: 1 }, leastSquares));
    expect(ask(aTest({ ambientWithSunC: null }))).toEqual({ ok: false, error: { code: 'nothing-logged' } });
    expect(ask(aTest({ cardId: 'gone', ambientWithSunC: 20 }))).toMatchObject({ error: { code: 'nothing-logged' } });
    expect(ask(aTest({ id: 'x', modeId: 'gone', ambientWithSunC: 20 }))).toEqual({
      ok: false,
      error: { code: 'cannot-run', testId: 'x' },
    });
  });
});

describe('least squares by the package', () => {
  // Worked example: the straight line through (0, 1), (1, 3), (2, 5.1), (3, 6.9) by the normal equations, by hand:
  // slope 1.98, intercept 1.03.
  it('finds the line that the normal equations give', () => {
    const points = [
      [0, 1],
      [1, 3],
      [2, 5.1],
      [3, 6.9],
    ] as const;
    const [slope = 0, intercept = 0] = leastSquares(([m = 0, c = 0]) => points.map(([x, y]) => m * x + c - y), [0, 0]);
    expect(slope).toBeCloseTo(1.98, 3);
    expect(intercept).toBeCloseTo(1.03, 3);
  });
});
