import { describe, expect, it } from 'vitest';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { aBody, aCard, aMode, aSlot } from '../../core/testing.ts';
import { EMPTY_KIT, type Kit } from '../../kit/kit.ts';
import { cardCount, cellPick, firstPick, pickedIn } from './heatPick.ts';

const fast = aMode({ id: 'fast', rate: { kind: 'stated', Mbps: 600, is: 'maximum' } });
const slow = aMode({ id: 'slow', rate: { kind: 'stated', Mbps: 100, is: 'maximum' } });
const kit: Kit = {
  ...EMPTY_KIT,
  bodies: [aBody({ slots: [aSlot({ id: 's1' }), aSlot({ id: 's2' })], modes: [slow, fast] })],
  cards: [aCard({ id: 'weak', marks: ['V30'] }), aCard({ id: 'strong' }), aCard({ id: 'twin' })],
};
const first = (wanted = {}, from = kit) => firstPick(from, DEFAULT_POLICY, wanted);

describe('what a heat run begins with', () => {
  it('is the fastest stream that a card holds', () => {
    expect(first()).toMatchObject({ modeId: 'fast', cardIds: ['strong'], arrangement: 'single' });
  });

  it('is what was asked for, even where it cannot hold', () => {
    expect(first({ body: 'b', mode: 'slow' })).toMatchObject({ modeId: 'slow' });
    expect(first({ body: 'b', mode: 'fast', card: 'weak' })).toMatchObject({ modeId: 'fast', cardIds: ['weak'] });
    expect(first({ body: 'gone', mode: 'gone' })).toMatchObject({ modeId: 'fast' });
  });

  it('is the planned take of the settings', () => {
    const plannedTake = { minutes: 12, takes: 2, restMinutes: 3, ambientC: 31, sunC: 4 };
    const settings = { ...kit.settings, plannedTake };
    expect(first({}, { ...kit, settings })?.plan).toEqual(plannedTake);
  });

  it('writes to both slots of a camera that does, where there are cards for them', () => {
    const mirrored = { ...kit, bodies: kit.bodies.map((body) => ({ ...body, arrangement: 'mirrored' as const })) };
    expect(first({}, mirrored)).toMatchObject({ arrangement: 'mirrored', cardIds: ['strong', 'twin'] });
    const [, alone] = mirrored.cards;
    expect(
      first({}, { ...mirrored, cards: mirrored.cards.slice(1, 2) }),
      'another card like it stands in the second slot, as on the board',
    ).toMatchObject({ arrangement: 'mirrored', cardIds: [alone?.id, alone?.id] });
  });

  it('is a cell of the board with its plan', () => {
    const plan = { minutes: 12, takes: 2, restMinutes: 3, ambientC: 31, sunC: 4 };
    const cell = { bodyId: 'b', modeId: 'slow', cardId: 'weak', seats: null };
    expect(cellPick(kit, cell, plan)).toMatchObject({ arrangement: 'single', cardIds: ['weak'], plan });
    const split = { ...kit, bodies: kit.bodies.map((body) => ({ ...body, arrangement: 'split' as const })) };
    expect(cellPick(split, { ...cell, cardId: 'strong' }, plan)).toMatchObject({
      arrangement: 'split',
      cardIds: ['strong', 'twin'],
    });
  });

  it('of a large fleet looks at the first cameras alone, and at those that take the card that is asked for', () => {
    const bodies = Array.from({ length: 60 }, (_, at) =>
      aBody({
        id: `b${at}`,
        slots: [at === 50 ? aSlot({ accepts: [{ form: 'cfast', bus: null }], family: null }) : aSlot()],
        modes: [aMode({ rate: { kind: 'stated', Mbps: 100 + at, is: 'maximum' } })],
      }),
    );
    const cards = [
      ...kit.cards,
      aCard({ id: 'last', form: 'cfast', marks: [], minimumMBps: 200, minimumSource: 'maker' }),
    ];
    const fleet = { ...kit, bodies, cards };
    expect(first({}, fleet)).toMatchObject({ bodyId: 'b11' });
    expect(first({ card: 'last' }, fleet)).toMatchObject({ bodyId: 'b50', cardIds: ['last'] });
    expect(first({ body: 'b57' }, fleet)).toMatchObject({ bodyId: 'b57' });
  });

  it('is nothing without a camera or a mode', () => {
    expect(first({}, EMPTY_KIT)).toBeNull();
    expect(first({}, { ...kit, bodies: [aBody({ modes: [] })] })).toBeNull();
    expect(first({}, { ...kit, cards: [] })).toMatchObject({ modeId: 'slow', cardIds: [] });
  });
});

describe('a pick in a kit', () => {
  const pick = first();
  if (!pick) throw new Error('no pick');

  it('is found with the ratio tried on its mode', () => {
    const raw = aMode({ id: 'fast', rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 } });
    const withRaw = { ...kit, bodies: [aBody({ modes: [raw] })] };
    expect(pickedIn(withRaw, { ...pick, ratio: 8 })?.mode.rate).toMatchObject({ ratio: 8 });
    expect(pickedIn(withRaw, pick)?.mode).toBe(raw);
  });

  it('is nothing once its camera is gone, and loses cards that are', () => {
    expect(pickedIn(EMPTY_KIT, pick)).toBeNull();
    expect(pickedIn({ ...kit, cards: [] }, pick)?.cards).toEqual([]);
  });

  it('asks for a card a slot where several record', () => {
    const body = kit.bodies[0];
    if (!body) throw new Error('no camera');
    expect(cardCount('single', body)).toBe(1);
    expect(cardCount('mirrored', body)).toBe(2);
  });
});
