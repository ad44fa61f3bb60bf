import { describe, expect, it } from 'vitest';
import { aBody, aMode, aSlot } from '../testing.ts';
import type { BytesPerSecond, Seconds } from '../units/brand.ts';
import type { Cell, SeatAnswer } from './cell.ts';
import { toRow } from './evaluate.ts';
import { overSeats } from './overSeats.ts';
import type { Seating } from './seats.ts';

const slots = ['a', 'b', 'c'].map((id) => aSlot({ id, name: `Slot ${id}` }));
const row = toRow(aBody({ slots, arrangement: 'mirrored' }), aMode());

const cell = (slotId: string, change: Partial<Cell> = {}): Cell => ({
  bodyId: 'b',
  modeId: 'm',
  cardId: 'c',
  slotId,
  verdict: 'guaranteed',
  doubted: false,
  need: 1 as BytesPerSecond,
  floor: 90 as BytesPerSecond,
  ceiling: 300 as BytesPerSecond,
  labelMinutes: 70,
  planned: 66,
  provenSeconds: null,
  heldSeconds: null,
  dropSeconds: null,
  findings: [],
  seats: null,
  ...change,
});

const over = (seating: Seating, own: readonly Cell[], partners: readonly (SeatAnswer | null)[] = []) =>
  overSeats({
    row,
    card: { id: 'c', label: 'C-01' },
    seating,
    own: (at) => own[at] as Cell,
    partner: (at) => partners[at] ?? null,
  });
const partner = (slotId: string, change: Partial<Cell> = {}): SeatAnswer => ({
  slotId,
  slotName: `Slot ${slotId}`,
  cardId: 'p',
  cardLabel: 'P-01',
  answer: cell(slotId, { cardId: 'p', ...change }),
});
const seatsOf = (one: Cell) => one.findings.find(({ rule }) => rule === 'seats');

describe('a cell from its seats', () => {
  it('the best of a single recording, as it is', () => {
    const seats = [cell('a', { verdict: 'claimed' }), cell('b', { verdict: 'tight' })];
    expect(over({ take: 'best', own: [0, 1] }, seats)).toBe(seats[1]);
    expect(over({ take: 'best', own: [0] }, seats)).toBe(seats[0]);
  });

  it('alike seats are one', () => {
    const seats = [cell('a'), cell('b')];
    expect(over({ take: 'worst', own: [0, 1], others: [] }, seats)).toBe(seats[0]);
  });

  it.each([
    ['verdict', { verdict: 'tight' }],
    ['floor', { floor: 60 as BytesPerSecond }],
    ['ceiling', { ceiling: 100 as BytesPerSecond }],
    ['how long it is proven', { provenSeconds: 60 as Seconds }],
  ] as const)('seats that differ in %s alone are told apart', (_, change) => {
    for (const order of [[0, 1, 2] as const, [1, 0, 2] as const]) {
      const seats = [cell('a', change), cell('b'), cell('c')];
      const found = over({ take: 'worst', own: order, others: [] }, seats);
      expect(found.seats?.map(({ slotId }) => slotId)).toEqual(order.map((at) => 'abc'[at]));
      expect(found.slotId).toBe(change && 'provenSeconds' in change ? found.slotId : 'a');
    }
  });

  it('the worst counts, with every seat named', () => {
    const found = over({ take: 'worst', own: [0, 1], others: [] }, [cell('a'), cell('b', { verdict: 'uncovered' })]);
    expect(found).toMatchObject({ verdict: 'uncovered', slotId: 'b' });
    expect(seatsOf(found)).toEqual({
      rule: 'seats',
      outcome: 'short',
      arrangement: 'mirrored',
      width: null,
      seats: [
        { slot: 'Slot a', takes: ['sd'], card: 'C-01', verdict: 'guaranteed', own: true },
        { slot: 'Slot b', takes: ['sd'], card: 'C-01', verdict: 'uncovered', own: true },
      ],
    });
    expect(found.seats).toMatchObject([
      { slotId: 'a', slotName: 'Slot a', cardId: 'c', cardLabel: 'C-01' },
      { slotId: 'b', answer: { verdict: 'uncovered' } },
    ]);
  });

  it('passes where every seat is covered, down to a claim', () => {
    for (const [verdict, outcome] of [
      ['claimed', 'pass'],
      ['uncovered', 'short'],
    ] as const)
      expect(
        seatsOf(over({ take: 'worst', own: [0, 1], others: [] }, [cell('a'), cell('b', { verdict })])),
      ).toMatchObject({
        outcome,
      });
  });

  it('another card fills a seat: the worse of both, the smaller minutes, the earlier end', () => {
    const seating: Seating = { take: 'worst', own: [0], others: [1] };
    const good = over(seating, [cell('a')], [null, partner('b', { verdict: 'tight', planned: 30, labelMinutes: 31 })]);
    expect(good).toMatchObject({
      verdict: 'tight',
      planned: 30,
      labelMinutes: 31,
      slotId: 'b',
      cardId: 'c',
      doubted: false,
    });
    expect(seatsOf(good)).toMatchObject({ outcome: 'pass', seats: [{ own: true }, { card: 'P-01', own: false }] });
    const better = over(seating, [cell('a', { verdict: 'claimed' })], [null, partner('b')]);
    expect(better).toMatchObject({ verdict: 'claimed', slotId: 'a' });
    const doubted = over(seating, [cell('a')], [null, partner('b', { verdict: 'claimed', doubted: true })]);
    expect(doubted).toMatchObject({ verdict: 'claimed', doubted: true });
    const none = over(seating, [cell('a')], [null, partner('b', { planned: null, labelMinutes: null })]);
    expect(none).toMatchObject({ planned: null, labelMinutes: null });
  });

  it('proven only as long as the shortest of them', () => {
    const seating: Seating = { take: 'worst', own: [0], others: [1, 2] };
    const proven = (seconds: number | null) => ({
      verdict: 'proven' as const,
      provenSeconds: seconds as Seconds | null,
    });
    const found = over(
      seating,
      [cell('a', proven(900))],
      [null, partner('b', proven(600)), partner('c', proven(null))],
    );
    expect(found.provenSeconds).toBe(600);
    expect(over(seating, [cell('a', proven(null))], [null, partner('b'), partner('c')]).provenSeconds).toBeNull();
    const mixed = over(seating, [cell('a', proven(900))], [null, partner('b', { verdict: 'claimed' }), partner('c')]);
    expect(mixed, 'a claim is no proof for a while').toMatchObject({ verdict: 'claimed', provenSeconds: null });
  });

  it('drops when the first of them drops, and only then', () => {
    const seating: Seating = { take: 'worst', own: [0], others: [1] };
    const drops = (seconds: number | null) => ({ verdict: 'drops' as const, dropSeconds: seconds as Seconds | null });
    expect(over(seating, [cell('a')], [null, partner('b', drops(40))])).toMatchObject({
      verdict: 'drops',
      dropSeconds: 40,
    });
    expect(over(seating, [cell('a', drops(50))], [null, partner('b')])).toMatchObject({
      verdict: 'drops',
      dropSeconds: 50,
    });
    const tight = over(seating, [cell('a', { verdict: 'tight', dropSeconds: 9 as Seconds })], [null, partner('b')]);
    expect(tight.dropSeconds).toBeNull();
  });

  it('a seat nobody fills covers nothing, and makes no worse what is worse already', () => {
    const seating: Seating = { take: 'worst', own: [0], others: [1] };
    const missing = over(seating, [cell('a')]);
    expect(missing).toMatchObject({ verdict: 'uncovered', planned: null, slotId: 'a' });
    expect(missing.seats?.[1]).toEqual({
      slotId: 'b',
      slotName: 'Slot b',
      cardId: null,
      cardLabel: null,
      answer: null,
    });
    expect(over(seating, [cell('a', { verdict: 'locked' })]).verdict).toBe('locked');
    expect(over(seating, [cell('a', { verdict: 'uncovered' })]).verdict).toBe('uncovered');
  });

  it('a split that runs elsewhere', () => {
    const found = over({ take: 'none', own: [1], width: 2 }, [cell('a'), cell('b')]);
    expect(found).toMatchObject({ verdict: 'unfit', slotId: 'b', planned: null, seats: null });
    expect(seatsOf(found)).toEqual({
      rule: 'seats',
      outcome: 'block',
      arrangement: 'mirrored',
      width: 2,
      seats: [{ slot: 'Slot b', takes: ['sd'], card: 'C-01', verdict: 'guaranteed', own: true }],
    });
  });
});
