import { describe, expect, it } from 'vitest';
import { aSetup, big, cine, lanes } from '../../../../tests/support/aSetup.ts';
import { aBody, aMode, aSlot } from '../../testing.ts';
import { bodyFigures, limitsOf, sizeOf } from './bodyFigures.ts';
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

  it.each([
    ['single', [{ minutes: 25, ambientC: 25 }]],
    [
      'single',
      [
        { minutes: 30, ambientC: 25 },
        { minutes: 20, ambientC: 40 },
      ],
    ],
    [
      'mirrored',
      [
        { minutes: 40, ambientC: 20 },
        { minutes: 22, ambientC: 32 },
      ],
    ],
  ] as const)(
    '%s, with a card that heats: a run under the stated conditions ends at the stated minutes',
    (arrangement, limits) => {
      const body = { ...cine, arrangement, heat: { size: 'hybrid' as const, limits } };
      for (const { minutes, ambientC } of limits) {
        const setup = aSetup({
          body,
          arrangement,
          cards: [big, { ...big, id: 'twin' }].slice(0, arrangement === 'single' ? 1 : 2),
          plan: { ...DEFAULT_PLAN, minutes: 60, ambientC },
        });
        // A card that does not throttle, so that only the body ends the take.
        const stated = (value: number) => ({ value, basis: 'stated' as const });
        const cold = { throttleAtC: stated(149), resumeAtC: stated(148) };
        const cards = setup.cards.map((card) => ({ ...card, heat: { figures: cold } }));
        const { result } = deciding(lanes({ ...setup, cards }));
        expect(result.outcome).toBe('body-cutoff');
        expect(Math.abs(result.atSeconds / 60 / minutes - 1), `${minutes} min`).toBeLessThan(0.01);
      }
    },
  );

  it('of two limits that no body fits, the shorter one rules', () => {
    const limits = [
      { minutes: 20, ambientC: 25 },
      { minutes: 30, ambientC: 35 },
    ];
    expect(bodyFigures({ ...cine, heat: { size: 'cine', limits } }).bodyResistanceKPerW.source).toMatchObject({
      code: 'limits',
      shorter: true,
    });
  });

  it('moving air helps a closed body, and a stated limit as much as it helps the assumed one', () => {
    const hybrid = { ...cine, heat: { size: 'hybrid' as const } };
    const load = (air: 'still' | 'strong') => ({ air, besideW: 0, card: null });
    const [still, strong] = [bodyFigures(hybrid, load('still')), bodyFigures(hybrid, load('strong'))];
    expect(strong.bodyResistanceKPerW.value).toBeLessThan(still.bodyResistanceKPerW.value / 1.5);
    const limited = { ...hybrid, heat: { size: 'hybrid' as const, limits: [{ minutes: 30, ambientC: 25 }] } };
    const ratio = (air: 'still' | 'strong') => bodyFigures(limited, load(air)).bodyResistanceKPerW.value;
    // Of a stated resistance it thins the film outside alone: a quarter of it at the least.
    expect(ratio('strong') / ratio('still')).toBeCloseTo(
      0.75 + (0.25 * strong.bodyResistanceKPerW.value) / still.bodyResistanceKPerW.value,
      9,
    );
    expect(bodyFigures(limited, load('strong')).bodyResistanceKPerW.basis, 'a share that nobody told').toBe('assumed');
    expect(bodyFigures(limited, load('still')).bodyResistanceKPerW.basis).toBe('stated');
    const own = {
      ...hybrid,
      heat: { size: 'hybrid' as const, figures: { bodyResistanceKPerW: { value: 1, basis: 'stated' as const } } },
    };
    expect(bodyFigures(own, load('strong')).bodyResistanceKPerW.value, 'entered: taken as it is').toBe(1);
  });

  it('a limit of 25 min in still air is not lifted by wind, only put off', () => {
    const limits = [{ minutes: 25, ambientC: 25 }];
    const body = { ...cine, heat: { size: 'hybrid' as const, limits } };
    const quiet = aMode({ rate: { kind: 'stated', Mbps: 8, is: 'maximum' } });
    const endIn = (air: 'still' | 'moving') => {
      const plan = { ...DEFAULT_PLAN, minutes: 240, ambientC: 25, air };
      return deciding(lanes(aSetup({ body: { ...body, modes: [quiet] }, mode: quiet, plan }))).result;
    };
    expect(endIn('still').outcome).toBe('body-cutoff');
    expect(endIn('still').atSeconds / 60).toBeCloseTo(25, 0);
    expect(endIn('moving').outcome).toBe('body-cutoff');
    expect(endIn('moving').atSeconds).toBeGreaterThan(endIn('still').atSeconds * 1.2);
  });

  it('limits in unlike air tell what wind thins: a run in either ends at its minutes', () => {
    const limits = [
      { minutes: 25, ambientC: 25 },
      { minutes: 40, ambientC: 25, air: 'moving' as const },
    ];
    const body = { ...cine, heat: { size: 'hybrid' as const, limits } };
    const quiet = aMode({ rate: { kind: 'stated', Mbps: 8, is: 'maximum' } });
    for (const { minutes, air = 'still' as const } of limits) {
      const plan = { ...DEFAULT_PLAN, minutes: 240, ambientC: 25, air };
      const { result } = deciding(lanes(aSetup({ body: { ...body, modes: [quiet] }, mode: quiet, plan })));
      expect(result.outcome).toBe('body-cutoff');
      expect(Math.abs(result.atSeconds / 60 / minutes - 1), `${minutes} min`).toBeLessThan(0.01);
    }
    expect(limitsOf(body, limits)).toMatchObject({ ok: true, value: { filmTold: true } });
    // In wind alone it is heard there.
    const [, windy] = limits;
    const inWind = { ...body, heat: { size: 'hybrid' as const, limits: windy ? [windy] : [] } };
    const plan = { ...DEFAULT_PLAN, minutes: 240, ambientC: 25, air: 'moving' as const };
    const { result } = deciding(lanes(aSetup({ body: { ...inWind, modes: [quiet] }, mode: quiet, plan })));
    expect(Math.abs(result.atSeconds / 60 / 40 - 1)).toBeLessThan(0.01);
  });

  it('a body made for the sun has its own limit', () => {
    const outdoor = { ...cine, heat: { size: 'outdoor' as const } };
    // 85 °C inside, 4 W of recording and 2 K between there and the shell for each.
    expect(bodyFigures(outdoor).bodyLimitC.value).toBe(77);
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
