import { describe, expect, it } from 'vitest';
import { aSetup, hot, lanes } from '../../../../tests/support/aSetup.ts';
import { aTest } from '../../testing.ts';
import type { HeatSetup } from './lane.ts';
import { heatReasons } from './reasons.ts';

describe('ranked reasons', () => {
  const reasons = (setup: HeatSetup) => heatReasons(lanes(setup)[0] as ReturnType<typeof lanes>[0], setup);

  it('stand in the order of what easing each alone would win', () => {
    const ranked = reasons(aSetup({ plan: { ...hot, ambientC: 45 } }));
    expect(ranked[0]?.code, 'very hot air comes first').toBe('ambient');
    const weights = ranked.map(({ weight }) => weight);
    expect(weights).toEqual(weights.toSorted((a, b) => b - a));
  });

  it('name sun, a warm start, a small card and a missing test where they are there', () => {
    const codes = reasons(aSetup({ plan: hot, startBodyC: 55 })).map(({ code }) => code);
    expect(codes).toContain('sun');
    expect(codes).toContain('warm-start');
    expect(codes).toContain('untested');
    expect(codes, 'a large card sheds heat as well as any').not.toContain('form');
    expect(reasons(aSetup({ tests: [aTest({ cardId: 'big' })] })).map(({ code }) => code)).not.toContain('untested');
  });
});

describe('reasons of a clip', () => {
  it('speak of its average rate, not of its peak', () => {
    const [lane] = lanes(aSetup({ plan: hot, demandTraceMBps: [100, 300, 500] }));
    const rate = lane && heatReasons(lane, aSetup({ plan: hot })).find(({ code }) => code === 'rate');
    expect(rate).toMatchObject({ MBps: 300, share: 300 / (lane?.sim.card.sustainedMBps ?? 1) });
  });
});
