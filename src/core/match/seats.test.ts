import { describe, expect, it } from 'vitest';
import type { Body, Slot } from '../kit/model.ts';
import { aSlot } from '../testing.ts';
import type { Cell } from './cell.ts';
import { isBetter } from './isBetter.ts';
import { cardsAtOnce, recordsAtOnce, seatCards, seatingOf, sharesOf, splitWidth } from './seats.ts';
import type { Verdict } from './verdict.ts';

const sd = (id: string, bus: 'uhs-i' | 'uhs-ii' = 'uhs-ii'): Slot => aSlot({ id, accepts: [{ form: 'sd', bus }] });
const cfx = (id: string): Slot => aSlot({ id, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }] });
const xqd = (id: string): Slot => aSlot({ id, accepts: [{ form: 'xqd', bus: 'xqd-2' }] });
const dual = (id: string): Slot =>
  aSlot({
    id,
    accepts: [
      { form: 'cfexpress-a', bus: 'cfexpress-2' },
      { form: 'sd', bus: 'uhs-ii' },
    ],
  });

type Housing = Pick<Body, 'arrangement' | 'slots' | 'splitOver'>;
const body = (arrangement: Body['arrangement'], slots: readonly Slot[], splitOver?: number | null): Housing => ({
  arrangement,
  slots,
  ...(splitOver === undefined ? {} : { splitOver }),
});

describe('over how many slots a split runs', () => {
  it.each([
    ['two alike', [sd('a'), sd('b')], 2],
    ['UHS-II + UHS-I: one form', [sd('a'), sd('b', 'uhs-i')], 2],
    ['CFexpress B + SD: each alone', [cfx('a'), sd('b')], 1],
    ['XQD + SD', [xqd('a'), sd('b')], 1],
    ['2 + 2', [cfx('a'), cfx('b'), sd('c'), sd('d')], 2],
    ['dual-form + SD', [dual('a'), sd('b')], 2],
    ['two dual-form', [dual('a'), dual('b')], 2],
    ['three slots, two of a form', [cfx('a'), cfx('b'), sd('c')], 2],
    ['one slot', [sd('a')], 1],
    ['none', [], 1],
  ] as const)('%s', (_, slots, width) => {
    expect(splitWidth({ slots })).toBe(width);
    expect(sharesOf(body('split', slots))).toBe(width);
    expect(sharesOf(body('mirrored', slots)), 'only a split shares the stream').toBe(1);
  });

  it('is what the maker says, and never more than there are slots', () => {
    expect(splitWidth({ slots: [cfx('a'), sd('b')], splitOver: 2 })).toBe(2);
    expect(splitWidth({ slots: [sd('a'), sd('b'), sd('c')], splitOver: 2 })).toBe(2);
    expect(splitWidth({ slots: [sd('a'), sd('b')], splitOver: 9 })).toBe(2);
    expect(splitWidth({ slots: [sd('a'), sd('b')], splitOver: null })).toBe(2);
  });

  it('tells how many cards one filling takes', () => {
    const four = [cfx('a'), cfx('b'), sd('c'), sd('d')];
    expect(cardsAtOnce(body('single', four))).toBe(1);
    expect(cardsAtOnce(body('relay', four))).toBe(4);
    expect(cardsAtOnce(body('mirrored', four))).toBe(4);
    expect(cardsAtOnce(body('split', four))).toBe(2);
    expect(cardsAtOnce(body('mirrored', [sd('a')]))).toBe(1);
    expect((['single', 'relay', 'mirrored', 'split'] as const).map(recordsAtOnce)).toEqual([false, false, true, true]);
  });
});

describe('the seats of a card', () => {
  const two = [cfx('a'), sd('b')];

  it('single: the best of those it enters', () => {
    expect(seatingOf(body('single', two), [true, false])).toEqual({ take: 'best', own: [0] });
    expect(seatingOf(body('single', two), [true, true])).toEqual({ take: 'best', own: [0, 1] });
  });

  it('a card that enters none, or a body with one slot, is answered for what is there', () => {
    expect(seatingOf(body('mirrored', two), [false, false])).toEqual({ take: 'best', own: [0, 1] });
    expect(seatingOf(body('split', [sd('a')]), [true])).toEqual({ take: 'best', own: [0] });
  });

  it('relay: each of those it enters, the worst counts', () => {
    expect(seatingOf(body('relay', two), [true, false])).toEqual({ take: 'worst', own: [0], others: [] });
    expect(seatingOf(body('relay', two), [true, true])).toEqual({ take: 'worst', own: [0, 1], others: [] });
  });

  it('mirrored: all of them, those it does not enter filled by others', () => {
    expect(seatingOf(body('mirrored', two), [true, false])).toEqual({ take: 'worst', own: [0], others: [1] });
    expect(seatingOf(body('mirrored', two), [true, true])).toEqual({ take: 'worst', own: [0, 1], others: [] });
  });

  it('a split needs no more other cards than it runs over, and one slot is no arrangement', () => {
    const apart = [cfx('a'), sd('b'), xqd('c')];
    expect(seatingOf(body('split', apart, 2), [true, false, false])).toEqual({ take: 'worst', own: [0], others: [1] });
    expect(seatingOf(body('mirrored', [sd('a')]), [true])).toEqual({ take: 'best', own: [0] });
    expect(seatingOf(body('relay', [cfx('a'), sd('b')]), [true, false]), 'a relay asks for no other card').toEqual({
      take: 'worst',
      own: [0],
      others: [],
    });
  });

  it('a relay is no split: a slot of another form is one of its parts', () => {
    const three = [cfx('a'), cfx('b'), sd('c')];
    expect(seatingOf(body('relay', three), [false, false, true])).toEqual({ take: 'worst', own: [2], others: [] });
  });

  it('split: over as many as it runs over', () => {
    const four = [cfx('a'), cfx('b'), sd('c'), sd('d')];
    expect(seatingOf(body('split', four), [true, true, false, false])).toEqual({
      take: 'worst',
      own: [0, 1],
      others: [],
    });
    expect(seatingOf(body('split', four), [false, false, true, true])).toMatchObject({ own: [2, 3] });
    const three = [cfx('a'), cfx('b'), sd('c')];
    expect(seatingOf(body('split', three), [false, false, true]), 'the split runs elsewhere').toEqual({
      take: 'none',
      own: [2],
      width: 2,
    });
    expect(seatingOf(body('split', two, 2), [true, false]), 'as the maker says').toEqual({
      take: 'worst',
      own: [0],
      others: [1],
    });
    expect(seatingOf(body('split', two), [true, false]), 'over one slot of each form: all of it on one card').toEqual({
      take: 'worst',
      own: [0],
      others: [],
    });
  });
});

const cell = (verdict: Verdict, floor: number | null = null, ceiling: number | null = null): Cell =>
  ({ verdict, floor, ceiling }) as Cell;

describe('which of two seats is better', () => {
  it('by verdict, then floor, then bus', () => {
    expect(isBetter(cell('tight'), cell('proven'))).toBe(true);
    expect(isBetter(cell('uncovered'), cell('claimed'))).toBe(false);
    expect(isBetter(cell('tight', 60), cell('tight', 30))).toBe(true);
    expect(isBetter(cell('tight', 30), cell('tight', 60))).toBe(false);
    expect(isBetter(cell('tight', 30, 300), cell('tight', 30, 100))).toBe(true);
    expect(isBetter(cell('tight', 30, 100), cell('tight', 30, 100)), 'equal is not better').toBe(false);
    expect(isBetter(cell('uncovered', null), cell('uncovered', 30))).toBe(false);
    expect(isBetter(cell('uncovered', 10), cell('uncovered', null))).toBe(true);
  });
});

describe('named cards in their seats', () => {
  const answers =
    (table: readonly (readonly Verdict[])[]) =>
    (card: number, slot: number): Cell =>
      cell(table[card]?.[slot] ?? 'unfit');
  const slots = [sd('a'), sd('b'), sd('c')];

  it('keep their order where every order is as good', () => {
    const same = answers([
      ['tight', 'tight', 'tight'],
      ['tight', 'tight', 'tight'],
    ]);
    expect(seatCards(body('mirrored', slots), 2, same)).toEqual([
      { card: 0, slot: 0 },
      { card: 1, slot: 1 },
    ]);
  });

  it('change places where the worst of them then does better', () => {
    const crossed = answers([
      ['uncovered', 'guaranteed'],
      ['guaranteed', 'uncovered'],
    ]);
    expect(seatCards(body('mirrored', slots.slice(0, 2)), 2, crossed)).toEqual([
      { card: 0, slot: 1 },
      { card: 1, slot: 0 },
    ]);
  });

  it('give way in a chain', () => {
    const chain = answers([
      ['guaranteed', 'guaranteed', 'unfit'],
      ['guaranteed', 'unfit', 'guaranteed'],
      ['guaranteed', 'unfit', 'unfit'],
    ]);
    expect(seatCards(body('relay', slots), 3, chain)).toEqual([
      { card: 0, slot: 1 },
      { card: 1, slot: 2 },
      { card: 2, slot: 0 },
    ]);
  });

  it('are seated even where nothing holds, so that it can be said', () => {
    const none = answers([
      ['unfit', 'unfit'],
      ['unfit', 'unfit'],
    ]);
    expect(seatCards(body('mirrored', slots.slice(0, 2)), 2, none)).toHaveLength(2);
  });

  it('single: the first card in its best slot', () => {
    const one = answers([['uncovered', 'tight', 'guaranteed']]);
    expect(seatCards(body('single', slots), 1, one)).toEqual([{ card: 0, slot: 2 }]);
    expect(seatCards(body('single', slots), 3, one), 'however many are named').toEqual([{ card: 0, slot: 2 }]);
  });

  it('more cards than slots only in a relay, which begins again', () => {
    const all = answers([['tight'], ['tight'], ['tight']]);
    expect(seatCards(body('mirrored', slots.slice(0, 1)), 2, all)).toBeNull();
    expect(seatCards(body('split', slots.slice(0, 2)), 3, all)).toBeNull();
    expect(seatCards(body('relay', slots.slice(0, 2)), 3, all)).toEqual([
      { card: 0, slot: 0 },
      { card: 1, slot: 1 },
      { card: 2, slot: 0 },
    ]);
    expect(seatCards(body('relay', []), 1, all)).toBeNull();
    expect(seatCards(body('relay', slots), 0, all)).toBeNull();
  });
});
