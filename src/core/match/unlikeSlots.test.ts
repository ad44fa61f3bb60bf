import { describe, expect, it } from 'vitest';
import type { Body, Card, Slot, Test } from '../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import { arrange } from './arrange.ts';
import { board, createBoardKeeper } from './board.ts';
import type { Cell } from './cell.ts';
import { DEFAULT_POLICY } from './policy.ts';

const stated = (Mbps: number) => aMode({ rate: { kind: 'stated', Mbps, is: 'maximum' } });
const sd = (id: string, bus: 'uhs-i' | 'uhs-ii'): Slot =>
  aSlot({ id, name: `${bus} ${id}`, accepts: [{ form: 'sd', bus }] });
const cfx = (id: string): Slot =>
  aSlot({ id, name: `B ${id}`, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null });
const xqd = (id: string): Slot =>
  aSlot({ id, name: `X ${id}`, accepts: [{ form: 'xqd', bus: 'xqd-2' }], family: null });

const v90 = aCard({ id: 'v90', label: 'C-01', marks: ['II', 'U3', 'V90'] });
const v30 = aCard({ id: 'v30', label: 'C-05', marks: ['I', 'U3', 'V30'], capacityGB: 128 });
const vpg = aCard({ id: 'vpg', label: 'A-01', form: 'cfexpress-b', capacityGB: 512, marks: ['VPG400'] });
const blank = aCard({ id: 'blank', label: 'X-01', form: 'xqd', capacityGB: 120, marks: ['2.0'] });

interface Asked {
  readonly slots: readonly Slot[];
  readonly arrangement: Body['arrangement'];
  readonly Mbps: number;
  readonly cards: readonly Card[];
  readonly splitOver?: number;
  readonly tests?: readonly Test[];
}

/** The cell of the first card, with the others in the wallet. */
function cellOf({ slots, arrangement, Mbps, cards, splitOver, tests = [] }: Asked): Cell {
  const body = aBody({ slots, arrangement, modes: [stated(Mbps)], ...(splitOver ? { splitOver } : {}) });
  const cell = board({ bodies: [body], cards, tests }, DEFAULT_POLICY).columns[0]?.[0];
  if (!cell) throw new Error('no cell');
  return cell;
}

const seatsOf = ({ findings }: Cell) => findings.find((one) => one.rule === 'seats');

describe('a mode that goes to one slot alone', () => {
  const slots = [cfx('1'), sd('2', 'uhs-ii')];
  const raw = aMode({ id: 'raw', name: 'raw', slotIds: ['1'], rate: { kind: 'stated', Mbps: 400, is: 'maximum' } });
  const any = aMode({ id: 'any', name: 'any', rate: { kind: 'stated', Mbps: 400, is: 'maximum' } });
  const verdicts = (arrangement: Body['arrangement'], cards: readonly Card[]) =>
    board({ bodies: [aBody({ slots, arrangement, modes: [raw, any] })], cards, tests: [] }, DEFAULT_POLICY).columns.map(
      (column) => column.map(({ verdict }) => verdict),
    );

  it('is no mode of a card that enters the others, and says so', () => {
    expect(verdicts('single', [v90, vpg])).toEqual([
      ['unfit', 'guaranteed'],
      ['guaranteed', 'guaranteed'],
    ]);
    const body = aBody({ slots, modes: [raw] });
    const [[cell] = []] = board({ bodies: [body], cards: [v90], tests: [] }, DEFAULT_POLICY).columns;
    expect(cell?.findings.find(({ rule }) => rule === 'goes-to')).toEqual({
      rule: 'goes-to',
      outcome: 'note',
      slots: ['B 1'],
    });
  });

  it('is mirrored no more: the other slot needs no card of its own, and the card’s share is the whole', () => {
    expect(verdicts('mirrored', [vpg])).toEqual([['guaranteed', 'uncovered']]);
    const split = aBody({ slots: [cfx('1'), cfx('2')], arrangement: 'split', modes: [raw, any] });
    const needs = board({ bodies: [split], cards: [vpg], tests: [] }, DEFAULT_POLICY).columns[0]?.map(
      ({ need }) => need,
    );
    expect(needs).toEqual([50_000_000, 25_000_000]);
    const arranged = arrange({
      ...{ body: split, mode: raw, arrangement: 'split', cards: [vpg], tests: [], policy: DEFAULT_POLICY },
    });
    expect(arranged).toMatchObject({ arrangement: 'single', cardsPerFill: 1, seats: [{ card: 0, slot: 0 }] });
  });

  it('whose slots are gone goes nowhere', () => {
    const lost = { ...raw, slotIds: ['9'] };
    const [[cell] = []] = board(
      { bodies: [aBody({ slots, modes: [lost] })], cards: [vpg], tests: [] },
      DEFAULT_POLICY,
    ).columns;
    expect(cell?.verdict).toBe('unfit');
    expect(cell?.findings.find(({ rule }) => rule === 'goes-to')).toMatchObject({ slots: [] });
  });
});

describe('UHS-II + UHS-I', () => {
  const slots = [sd('1', 'uhs-ii'), sd('2', 'uhs-i')];

  it.each([
    ['single', 'guaranteed', '1'],
    ['relay', 'uncovered', '2'],
    ['mirrored', 'uncovered', '2'],
  ] as const)('%s: a V90 card at 400 Mb/s is %s, decided in slot %s', (arrangement, verdict, slotId) => {
    expect(cellOf({ slots, arrangement, Mbps: 400, cards: [v90] })).toMatchObject({ verdict, slotId });
  });

  it('split halves the stream: 400 Mb/s is 25 MB/s to each, and each seat for itself', () => {
    const cell = cellOf({ slots, arrangement: 'split', Mbps: 400, cards: [v90] });
    expect(cell).toMatchObject({ verdict: 'guaranteed', need: 25_000_000, slotId: '2', floor: 30_000_000 });
    expect(cellOf({ slots, arrangement: 'split', Mbps: 600, cards: [v90] })).toMatchObject({ verdict: 'uncovered' });
  });

  it('names each seat with its word', () => {
    const cell = cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [v90] });
    expect(seatsOf(cell)).toMatchObject({
      outcome: 'short',
      seats: [
        { slot: 'uhs-ii 1', card: 'C-01', verdict: 'guaranteed' },
        { slot: 'uhs-i 2', card: 'C-01', verdict: 'uncovered' },
      ],
    });
    expect(cell.seats?.map(({ slotId }) => slotId)).toEqual(['1', '2']);
  });

  it('does not depend on the order of the slots', () => {
    const turned = [...slots].reverse();
    for (const arrangement of ['single', 'relay', 'mirrored', 'split'] as const)
      expect(cellOf({ slots: turned, arrangement, Mbps: 400, cards: [v90] }).verdict, arrangement).toBe(
        cellOf({ slots, arrangement, Mbps: 400, cards: [v90] }).verdict,
      );
  });

  it('says nothing of seats where both hold alike', () => {
    const cell = cellOf({
      slots: [sd('1', 'uhs-ii'), sd('2', 'uhs-ii')],
      arrangement: 'mirrored',
      Mbps: 400,
      cards: [v90],
    });
    expect(cell).toMatchObject({ verdict: 'guaranteed', seats: null });
    expect(seatsOf(cell)).toBeUndefined();
  });

  it('a test proves the seat it was made in, and no other', () => {
    const bare = aCard({ id: 'bare', label: 'C-09', marks: ['II'] });
    // 252.7 GB in 5054 s: 50 MB/s, what the mode writes.
    const passed = aTest({ cardId: 'bare', slotId: '1', seconds: 5054, writtenMBps: 50 });
    const asked = { slots, Mbps: 400, cards: [bare], tests: [passed] };
    expect(cellOf({ ...asked, arrangement: 'single' })).toMatchObject({ verdict: 'proven', slotId: '1' });
    expect(cellOf({ ...asked, arrangement: 'mirrored' })).toMatchObject({ verdict: 'uncovered', slotId: '2' });
    const unnamed = { ...passed, slotId: null };
    expect(cellOf({ ...asked, tests: [unnamed], arrangement: 'single' }).verdict, 'at least the fastest').toBe(
      'proven',
    );
    expect(cellOf({ ...asked, tests: [unnamed], arrangement: 'mirrored' }).verdict).toBe('uncovered');
    const gone = { ...passed, slotId: 'gone' };
    expect(cellOf({ ...asked, tests: [gone], arrangement: 'single' }).verdict).toBe('uncovered');
  });

  it('a drop without a slot speaks against both', () => {
    const dropped = aTest({ cardId: 'v90', slotId: null, end: 'dropped', seconds: 40, writtenMBps: 50 });
    const asked = { slots, Mbps: 400, cards: [v90] };
    expect(cellOf({ ...asked, arrangement: 'single', tests: [dropped] }).verdict).toBe('drops');
    const inSlow = { ...dropped, slotId: '2' };
    expect(cellOf({ ...asked, arrangement: 'single', tests: [inSlow] }), 'the other slot stands').toMatchObject({
      verdict: 'guaranteed',
      slotId: '1',
    });
  });
});

describe('CFexpress B + SD', () => {
  const slots = [cfx('1'), sd('2', 'uhs-ii')];

  it('mirrored: the seat a card does not enter is another card’s, and is named', () => {
    const cell = cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [vpg, v30, v90] });
    expect(cell).toMatchObject({ verdict: 'guaranteed' });
    expect(cell.seats).toMatchObject([
      { slotId: '1', cardId: 'vpg' },
      { slotId: '2', cardId: 'v90', cardLabel: 'C-01' },
    ]);
    // The smaller of 512 GB and 256 GB at 50 MB/s.
    expect(cell.planned).toBe(84);
  });

  it('mirrored: where nothing there holds this, the cell does not either', () => {
    const weak = cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [vpg, v30] });
    expect(weak).toMatchObject({ verdict: 'uncovered' });
    expect(seatsOf(weak)).toMatchObject({ seats: [{ verdict: 'guaranteed' }, { card: 'C-05', verdict: 'uncovered' }] });
    const alone = cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [vpg] });
    expect(alone).toMatchObject({ verdict: 'uncovered', planned: null });
    expect(seatsOf(alone)).toMatchObject({
      outcome: 'short',
      seats: [{ card: 'A-01' }, { card: null, takes: ['sd'] }],
    });
  });

  it('relay: a card that enters one of them is answered for that one', () => {
    expect(cellOf({ slots, arrangement: 'relay', Mbps: 400, cards: [vpg] })).toMatchObject({
      verdict: 'guaranteed',
      slotId: '1',
      seats: null,
    });
  });

  it('split: over one seat of each form the card takes all of it; over two as the maker says', () => {
    expect(cellOf({ slots, arrangement: 'split', Mbps: 800, cards: [v90, vpg] })).toMatchObject({ need: 100_000_000 });
    const both = cellOf({ slots, arrangement: 'split', Mbps: 800, cards: [v90, vpg], splitOver: 2 });
    expect(both).toMatchObject({ need: 50_000_000, verdict: 'guaranteed' });
    expect(both.seats?.map(({ cardId }) => cardId)).toEqual(['v90', 'vpg']);
    expect(cellOf({ slots, arrangement: 'split', Mbps: 800, cards: [v90], splitOver: 2 }).verdict).toBe('uncovered');
  });

  it('a partner that drops drops the whole', () => {
    const tests = [aTest({ cardId: 'v90', slotId: '2', end: 'dropped', seconds: 71, writtenMBps: 50 })];
    expect(cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [vpg, v90], tests })).toMatchObject({
      verdict: 'drops',
      dropSeconds: 71,
      slotId: '2',
    });
  });
});

describe('XQD + SD, 2 + 2, a dual-form slot, three slots', () => {
  it('XQD + SD: an XQD card promises nothing, whatever sits beside it', () => {
    const slots = [xqd('1'), sd('2', 'uhs-ii')];
    for (const arrangement of ['single', 'relay', 'mirrored', 'split'] as const)
      expect(cellOf({ slots, arrangement, Mbps: 100, cards: [blank, v90] }).verdict, arrangement).toBe('uncovered');
    expect(cellOf({ slots, arrangement: 'mirrored', Mbps: 100, cards: [v90, blank] }).verdict).toBe('uncovered');
    const written = { ...blank, minimumMBps: 200, minimumSource: 'spec page' };
    expect(cellOf({ slots, arrangement: 'mirrored', Mbps: 100, cards: [v90, written] }).verdict).toBe('guaranteed');
  });

  it('2 + 2: a split divides by the two seats of its form, not by all four', () => {
    const slots = [cfx('1'), cfx('2'), sd('3', 'uhs-ii'), sd('4', 'uhs-ii')];
    expect(cellOf({ slots, arrangement: 'split', Mbps: 1600, cards: [vpg] })).toMatchObject({ need: 100_000_000 });
    expect(cellOf({ slots, arrangement: 'split', Mbps: 800, cards: [v90] })).toMatchObject({ need: 50_000_000 });
  });

  it('three slots: a card outside the split does not fit it, and is told why', () => {
    const slots = [cfx('1'), cfx('2'), sd('3', 'uhs-ii')];
    const cell = cellOf({ slots, arrangement: 'split', Mbps: 200, cards: [v90] });
    expect(cell).toMatchObject({ verdict: 'unfit', planned: null });
    expect(seatsOf(cell)).toMatchObject({ outcome: 'block', width: 2 });
    expect(cellOf({ slots, arrangement: 'mirrored', Mbps: 200, cards: [vpg, v90] })).toMatchObject({
      verdict: 'guaranteed',
    });
  });

  it('a dual-form slot: each card meets it by its own form', () => {
    const dual = aSlot({
      id: '1',
      accepts: [
        { form: 'sd', bus: 'uhs-i' },
        { form: 'cfexpress-a', bus: 'cfexpress-2' },
      ],
    });
    const a = aCard({ id: 'a', form: 'cfexpress-a', marks: ['VPG200'] });
    const slots = [dual, sd('2', 'uhs-ii')];
    expect(cellOf({ slots, arrangement: 'single', Mbps: 400, cards: [v90] })).toMatchObject({ slotId: '2' });
    expect(cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [v90, a] })).toMatchObject({
      verdict: 'uncovered',
      slotId: '1',
    });
    expect(cellOf({ slots, arrangement: 'mirrored', Mbps: 400, cards: [a, v90] }).verdict).toBe('guaranteed');
  });

  it('of a slot that names two forms a card enters, the faster bus counts, in any order', () => {
    const accepts = [
      { form: 'microsd', bus: 'uhs-i' },
      { form: 'microsd', bus: 'uhs-ii' },
    ] as const;
    const micro = aCard({ form: 'microsd', marks: ['II', 'V60'] });
    for (const order of [accepts, [...accepts].reverse()])
      expect(
        cellOf({ slots: [aSlot({ accepts: order })], arrangement: 'single', Mbps: 400, cards: [micro] }).floor,
      ).toBe(60_000_000);
  });
});

describe('named cards in unlike slots', () => {
  const slots = [sd('1', 'uhs-i'), sd('2', 'uhs-ii')];
  const asked = { body: aBody({ slots }), mode: stated(200), tests: [], policy: DEFAULT_POLICY };

  it('the faster card goes into the faster slot, and it is said where', () => {
    const arranged = arrange({ ...asked, mode: stated(220), arrangement: 'mirrored', cards: [v90, v30] });
    expect(arranged).toMatchObject({ verdict: 'tight', seats: [{ slot: 0 }, { slot: 1 }] });
    const fast = arrange({ ...asked, mode: stated(400), arrangement: 'relay', cards: [v90, v30] });
    expect(fast).toMatchObject({ verdict: 'uncovered' });
  });

  it('relay adds the minutes of its cards; mirrored runs until the smaller is full', () => {
    const relay = arrange({ ...asked, arrangement: 'relay', cards: [v90, v30] });
    const mirrored = arrange({ ...asked, arrangement: 'mirrored', cards: [v90, v30] });
    expect(relay?.minutes).toBe(168 + 84);
    expect(mirrored).toMatchObject({ minutes: 84, unusedMinutes: 84 });
  });

  it('has no answer for more cards than there are slots at once', () => {
    expect(arrange({ ...asked, arrangement: 'mirrored', cards: [v90, v90, v90] })).toBeNull();
    expect(arrange({ ...asked, arrangement: 'mirrored', cards: [] })).toBeNull();
  });
});

describe('a board that is kept', () => {
  const slots = [cfx('1'), sd('2', 'uhs-ii')];
  const bodies = [aBody({ slots, arrangement: 'mirrored', modes: [stated(400)] })];

  it('asks again where a card that another’s seats hung on has changed', () => {
    const keeper = createBoardKeeper();
    const first = keeper({ bodies, cards: [vpg, v90], tests: [] }, DEFAULT_POLICY);
    expect(first.columns[0]?.[0]?.verdict).toBe('guaranteed');
    const worse = { ...v90, marks: ['I', 'U1'] };
    expect(keeper({ bodies, cards: [vpg, worse], tests: [] }, DEFAULT_POLICY).columns[0]?.[0]?.verdict).toBe(
      'uncovered',
    );
    const gone = keeper({ bodies, cards: [vpg], tests: [] }, DEFAULT_POLICY);
    expect(gone.columns[0]?.[0]?.seats?.[1]?.cardId).toBeNull();
    const back = keeper({ bodies, cards: [vpg, v90], tests: [] }, DEFAULT_POLICY);
    expect(back.columns[0]?.[0]?.verdict).toBe('guaranteed');
  });

  it('keeps the columns that nothing has touched', () => {
    const keeper = createBoardKeeper();
    const tests: readonly Test[] = [];
    const first = { columns: keeper({ bodies, cards: [vpg, v90, v30], tests }, DEFAULT_POLICY).columns };
    const next = keeper({ bodies, cards: [vpg, v90, { ...v30, note: 'scratched' }], tests }, DEFAULT_POLICY);
    expect(next.columns[0]).toBe(first.columns[0]);
    expect(next.columns[2]).not.toBe(first.columns[2]);
    const renamed = keeper({ bodies, cards: [vpg, { ...v90, label: 'C-77' }, v30], tests }, DEFAULT_POLICY);
    expect(renamed.columns[0]?.[0]?.seats?.[1]?.cardLabel, 'the name beside it follows').toBe('C-77');
  });
});
