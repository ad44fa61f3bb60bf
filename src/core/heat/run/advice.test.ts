import { describe, expect, it } from 'vitest';
import { aSetup, big, hot, lanes, sharesOf } from '../../../../tests/support/aSetup.ts';
import { finish } from '../../steps.ts';
import { riskRuns } from '../writepath/risk.ts';
import { type Advice, type AdviceInput, adviceSteps } from './advice.ts';
import { deciding, type HeatSetup } from './lane.ts';
import { DEFAULT_PLAN } from './plan.ts';

describe('advice', () => {
  const input = (change: Partial<AdviceInput> = {}): AdviceInput => ({
    setup: aSetup({ plan: hot }),
    cards: [big],
    accepted: 0.05,
    runs: 300,
    seed: 1,
    ...change,
  });
  const advise = (change: Partial<AdviceInput> = {}) => finish(adviceSteps(input(change)));
  const of = <K extends Advice['code']>(moves: readonly Advice[], code: K) =>
    moves.find((move): move is Extract<Advice, { code: K }> => move.code === code);
  const riskWith = (plan: HeatSetup['plan']) => {
    const { lane } = deciding(lanes(aSetup({ plan })));
    const risk = riskRuns(lane.sim, { runs: 300, seed: 1, spread: lane.spreads });
    return risk.dropProbability + risk.cutoffProbability;
  };

  it('has nothing to say where the plan holds', () => {
    const { moves, risk } = advise({ setup: aSetup({ plan: { ...DEFAULT_PLAN, minutes: 5, ambientC: 0 } }) });
    expect(moves).toEqual([]);
    expect(risk).toBeLessThanOrEqual(0.05);
  });

  it('gives the longest take: it stays under the risk accepted, and two minutes more do not', () => {
    const longest = of(advise().moves, 'longest-take');
    const minutes = longest?.minutes ?? 0;
    expect(minutes).toBeGreaterThan(0);
    expect(riskWith({ ...hot, minutes })).toBeLessThanOrEqual(0.05);
    expect(riskWith({ ...hot, minutes })).toBeCloseTo(longest?.risk ?? 1, 9);
    expect(riskWith({ ...hot, minutes: minutes + 2 })).toBeGreaterThan(0.05);
  });

  it('gives a rhythm that records as long, with the risk it says', () => {
    const rests = of(advise().moves, 'rests');
    const recorded = (rests?.takes ?? 0) * (rests?.minutes ?? 0);
    expect(recorded).toBeGreaterThanOrEqual(40);
    expect(recorded).toBeLessThan(40 + (rests?.takes ?? 0));
    expect(((rests?.minutes ?? 0) * 2) % 1, 'by the half minute').toBe(0);
    const { restMinutes: rest = 0 } = rests ?? {};
    expect(rest > 10 ? rest % 5 : rest % 1, 'a rest a person can keep').toBe(0);
    const { takes = 1, minutes = 1, restMinutes = 0 } = rests ?? {};
    expect(riskWith({ ...hot, takes, minutes, restMinutes })).toBeCloseTo(rests?.risk ?? 1, 9);
    expect(rests?.risk).toBeLessThan(riskWith(hot));
  });

  it('gives the air at which it stops holding', () => {
    const { holdsUpToC } = advise();
    expect(holdsUpToC).not.toBeNull();
    expect(riskWith({ ...hot, ambientC: holdsUpToC ?? 0 })).toBeLessThanOrEqual(0.05);
    expect(riskWith({ ...hot, ambientC: (holdsUpToC ?? 0) + 1 })).toBeGreaterThan(0.05);
  });

  it('names shade, a slower mode, and another card where they help', () => {
    const cool = {
      ...big,
      id: 'cool',
      heat: { figures: { energyNJPerByte: { value: 0.3, basis: 'stated' }, idleW: { value: 0.1, basis: 'stated' } } },
    } as const;
    const { moves, risk } = advise({ cards: [big, cool] });
    expect(of(moves, 'shade')?.risk).toBeLessThan(risk);
    expect(of(moves, 'mode')).toMatchObject({ modeId: 'slow' });
    expect(of(moves, 'card')).toMatchObject({ cardId: 'cool' });
    expect(moves.map((move) => move.risk)).toEqual(moves.map((move) => move.risk).toSorted((a, b) => a - b));
  });

  it('is the same for the same seed', () => {
    expect(advise()).toEqual(advise());
  });

  it('goes in small steps that never tell less than before, so that a wish to stop is heard', () => {
    const shares = sharesOf(adviceSteps(input()));
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(Math.max(...shares)).toBeLessThan(1);
    // 300 runs a question, four a step, and at least seven questions of the air alone.
    expect(shares.length).toBeGreaterThan((300 / 4) * 7);
  });
});
