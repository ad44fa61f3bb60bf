import { describe, expect, it } from 'vitest';
import { aSetup, big, hot, lanes } from '../../../../tests/support/aSetup.ts';
import { aBody, aCard, aMode, aSlot } from '../../testing.ts';
import { deciding, hasFailed, lanesOf } from './lane.ts';

describe('the paths of a setup', () => {
  it('one for single, however many cards are named', () => {
    expect(lanes(aSetup({ cards: [big, { ...big, id: 'other' }] }))).toHaveLength(1);
  });

  it('one over all cards for relay', () => {
    const [lane] = lanes(aSetup({ arrangement: 'relay', cards: [big, { ...big, id: 'other' }] }));
    expect(lane?.cards).toHaveLength(2);
    expect(lane?.sim.relay).toHaveLength(1);
    const slow = { ...big, id: 'slow', writeMBps: null, sustainedMBps: 900 };
    const [mixed] = lanes(aSetup({ arrangement: 'relay', cards: [big, slow] }));
    expect(mixed?.cardFigures.map(({ sustainedMBps }) => sustainedMBps?.value)).toEqual([1200, 720]);
    expect(mixed?.figures.sustainedMBps?.value, 'of the first').toBe(1200);
  });

  it('one a card for mirrored, each heated by the other', () => {
    const both = lanes(aSetup({ arrangement: 'mirrored', cards: [big, { ...big, id: 'other' }] }));
    expect(both).toHaveLength(2);
    // 27.75 W of the cine body at UHD 50, and 0.6 W + 800 MB/s × 2.5 nJ/B = 2.6 W of the other card.
    expect(both[0]?.sim.heat.recordingW).toBeCloseTo(30.35, 1);
  });

  it('half the rate each for split', () => {
    const both = lanes(aSetup({ arrangement: 'split', cards: [big, { ...big, id: 'other' }] }));
    expect(both.map(({ sim }) => Math.round(sim.demandMBps))).toEqual([400, 400]);
    expect(
      both.map(({ sim }) => sim.bufferMB),
      'and half the camera’s one buffer',
    ).toEqual([2000, 2000]);
  });

  it('each card in a slot of its own, where it does best', () => {
    const slots = [
      aSlot({ id: 'slow', name: 'Slow', accepts: [{ form: 'sd', bus: 'uhs-i' }] }),
      aSlot({ id: 'fast', name: 'Fast', accepts: [{ form: 'sd', bus: 'uhs-ii' }] }),
    ];
    const mode = aMode({ rate: { kind: 'stated', Mbps: 400, is: 'maximum' } });
    const body = aBody({ slots, modes: [mode], bufferMB: 100 });
    const v90 = aCard({ id: 'v90' });
    const tested = aCard({ id: 'v30', marks: ['I', 'V30'], sustainedMBps: 90 });
    const found = lanes(aSetup({ body, mode, arrangement: 'mirrored', cards: [v90, tested] }));
    expect(found.map(({ cell }) => cell.slotId)).toEqual(['fast', 'slow']);
    expect(found.map(({ sim }) => sim.card.busMBps)).toEqual([130, 88.4]);
    expect(lanesOf(aSetup({ body, mode, arrangement: 'mirrored', cards: [v90, v90, v90] }))).toMatchObject({
      error: { code: 'no-seat', cards: 3, slots: 2 },
    });
    expect(lanesOf(aSetup({ body: { ...body, slots: [] }, mode, cards: [v90] }))).toMatchObject({
      error: { code: 'cannot-meet' },
    });
  });

  it('add sun to the air, and start warm where told', () => {
    const [lane] = lanes(aSetup({ plan: hot, startBodyC: 50 }));
    expect(lane?.sim.heat).toMatchObject({ ambientC: 40, startBodyC: 50, startCardC: 50 });
  });

  it('are refused with the card or the figure that cannot be', () => {
    expect(lanesOf(aSetup({ cards: [] }))).toMatchObject({ ok: false, error: { code: 'no-card' } });
    expect(lanesOf(aSetup({ cards: [aCard()] }))).toMatchObject({ ok: false, error: { code: 'cannot-meet' } });
    const upside = { throttleAtC: { value: 60, basis: 'stated' } } as const;
    expect(lanesOf(aSetup({ cards: [{ ...big, heat: { figures: upside } }] }))).toMatchObject({
      ok: false,
      error: { code: 'figure', refusal: { field: 'heat.resumeAtC' } },
    });
    expect(lanesOf(aSetup({ plan: { ...hot, ambientC: Number.NaN } }))).toMatchObject({
      error: { code: 'figure', refusal: { code: 'not-finite' } },
    });
  });

  it('the first to fail decides', () => {
    const weak = {
      ...big,
      id: 'weak',
      heat: { figures: { cardResistanceKPerW: { value: 30, basis: 'stated' } } },
    } as const;
    const { lane, result } = deciding(lanes(aSetup({ arrangement: 'mirrored', cards: [big, weak], plan: hot })));
    expect(lane.cards[0]?.id).toBe('weak');
    expect(hasFailed(result)).toBe(true);
  });
});
