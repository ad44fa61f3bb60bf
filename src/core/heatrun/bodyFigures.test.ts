import { describe, expect, it } from 'vitest';
import { aSetup, cine, lanes } from '../../../tests/support/aSetup.ts';
import { aBody, aMode, aSlot } from '../testing.ts';
import { bodyFigures, sizeOf } from './bodyFigures.ts';
import { deciding, type HeatSetup } from './lane.ts';
import { DEFAULT_PLAN } from './plan.ts';

describe('figures of a body', () => {
  it('are its own first, then its maker’s limits, then those of its size', () => {
    expect(bodyFigures(cine).bodyResistanceKPerW).toMatchObject({ value: 0.6, basis: 'assumed' });
    const limits = [
      { minutes: 30, ambientC: 25 },
      { minutes: 18, ambientC: 35 },
    ];
    const stated = bodyFigures({ ...cine, heat: { size: 'cine', limits } });
    expect(stated.bodyResistanceKPerW).toMatchObject({ basis: 'stated', source: { code: 'limits', statements: 2 } });
    expect(stated.bodyLimitC).toMatchObject({ basis: 'stated', source: { code: 'limits' } });
    const one = bodyFigures({ ...cine, heat: { size: 'cine', limits: limits.slice(0, 1) } });
    expect(one.bodyHeatCapacityJPerK.basis, 'one limit gives the rise alone').toBe('assumed');
    const own = { bodyResistanceKPerW: { value: 0.4, basis: 'stated' } } as const;
    expect(bodyFigures({ ...cine, heat: { size: 'cine', limits, figures: own } }).bodyResistanceKPerW).toMatchObject({
      value: 0.4,
      source: { code: 'own' },
    });
  });

  it('from two limits shut the simulated body down at both of them', () => {
    const limits = [
      { minutes: 30, ambientC: 25 },
      { minutes: 18, ambientC: 35 },
    ];
    // A slow stream, so that the card adds next to nothing.
    const quiet = { ...cine, modes: [aMode({ rate: { kind: 'stated', Mbps: 8, is: 'maximum' } })] };
    for (const { minutes, ambientC } of limits) {
      const setup = aSetup({
        body: { ...quiet, heat: { size: 'cine', limits } },
        mode: quiet.modes[0] as HeatSetup['mode'],
        plan: { ...DEFAULT_PLAN, minutes: 60, ambientC },
      });
      const { result } = deciding(lanes(setup));
      expect(result.outcome).toBe('body-cutoff');
      expect(Math.abs(result.atSeconds / 60 / minutes - 1)).toBeLessThan(0.01);
    }
  });

  it('guess a small body where it takes microSD alone', () => {
    const small = aBody({ slots: [aSlot({ accepts: [{ form: 'microsd', bus: 'uhs-i' }] })] });
    expect(sizeOf(small)).toEqual({ size: 'action', guessed: true });
    expect(sizeOf(aBody())).toEqual({ size: 'hybrid', guessed: true });
  });

  it('take no buffer for granted', () => {
    expect(bodyFigures({ ...cine, bufferMB: null }).bufferMB).toMatchObject({
      value: 0,
      source: { code: 'none-known' },
    });
  });
});
