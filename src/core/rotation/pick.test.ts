import { describe, expect, it } from 'vitest';
import type { Tone } from '../match/verdict.ts';
import { candidatesFor, type PickBy, seatedSet } from './pick.ts';
import type { DayBlock, DayRules, SeatFit } from './problem.ts';

const RULES: DayRules = { swap: 30, most: null, changeAt: 1 };
const fit = (seconds: number, tone: Tone = 'cool'): SeatFit => ({ seconds, tone, verdict: 'guaranteed' });

/** A block of one body in which cards take so many seconds, by card and slot; null: may not sit there. */
const block = (fits: DayBlock['fits'], more: Partial<DayBlock> = {}): DayBlock => ({
  width: 1,
  id: 'b',
  body: 0,
  from: 0,
  to: 3600,
  rolling: 1,
  gapFree: false,
  rate: 1e7,
  fits,
  ...more,
});

interface Given {
  readonly need?: number;
  readonly by?: PickBy;
  readonly free?: readonly (number | null)[];
  readonly open?: readonly boolean[];
  readonly rules?: Partial<DayRules>;
}
const found = (of: DayBlock, { need = 600, by = 'fit', free, open = [true, true], rules }: Given = {}) =>
  candidatesFor({
    ...{ block: of, need, by, open },
    freeSince: free ?? of.fits.map(() => 0),
    rules: { ...RULES, ...rules },
  });
const cards = (...given: Parameters<typeof found>): readonly number[] => found(...given).map(({ card }) => card);

describe('the free cards of a block', () => {
  it('are those that are free and may sit in an open slot', () => {
    const of = block([[fit(900)], [null, fit(900)], [fit(900)], [null, null]]);
    expect(cards(of, { free: [0, 0, null, 0] })).toEqual([0, 1]);
    expect(cards(of, { open: [false, true] })).toEqual([1]);
    expect(cards(of, { open: [false, false] })).toEqual([]);
    expect(cards(of, { open: [] }), 'a slot that is not told of is not open').toEqual([]);
    expect(found(block([]), { free: [0] }), 'a card of which nothing is known').toEqual([]);
  });

  it('sit where they hold better, and of two alike where they hold longer', () => {
    expect(found(block([[fit(900, 'warm'), fit(300)]]))[0]).toMatchObject({ slot: 1, seconds: 300 });
    expect(found(block([[fit(300), fit(900, 'warm')]]))[0]).toMatchObject({ slot: 0, seconds: 300 });
    expect(found(block([[fit(300), fit(900)]]))[0]).toMatchObject({ slot: 1, seconds: 900 });
    expect(found(block([[fit(900), fit(300)]]))[0]).toMatchObject({ slot: 0, seconds: 900 });
    expect(found(block([[fit(900), fit(900)]]))[0], 'the first of two that are the same').toMatchObject({ slot: 0 });
  });

  it.each<[Tone, Tone]>([
    ['cool', 'warm'],
    ['warm', 'hot'],
    ['hot', 'mute'],
    ['mute', 'none'],
  ])('stand in the order of how they hold before all else: %s before %s', (better, worse) => {
    const of = block([[fit(9000, worse)], [fit(10, better)]]);
    for (const by of ['fit', 'longest-free', 'largest'] as const)
      expect(cards(of, { by, free: [0, 50] })).toEqual([1, 0]);
  });

  it('by fit: the smallest that holds, then the largest of those that do not', () => {
    const of = block([[fit(500)], [fit(3000)], [fit(600)], [fit(900)], [fit(100)]]);
    expect(cards(of)).toEqual([2, 3, 1, 0, 4]);
    expect(cards(of, { need: 600.0000005 }), 'a hair under is enough').toEqual([2, 3, 1, 0, 4]);
    expect(cards(of, { need: 600.01 })).toEqual([3, 1, 2, 0, 4]);
  });

  it('by the largest, whatever is wanted', () => {
    expect(cards(block([[fit(500)], [fit(3000)], [fit(900)]]), { by: 'largest' })).toEqual([1, 2, 0]);
  });

  it('by how long they lay: but where nothing may be missing, by fit', () => {
    const lay = { by: 'longest-free', free: [300, 100, 200] } as const;
    expect(cards(block([[fit(900)], [fit(500)], [fit(3000)]]), lay)).toEqual([1, 2, 0]);
    expect(cards(block([[fit(900)], [fit(500)], [fit(3000)]], { gapFree: true }), lay)).toEqual([0, 2, 1]);
    expect(cards(block([[fit(500)], [fit(3000)]], { gapFree: true }), { by: 'largest' }), 'as wished').toEqual([1, 0]);
  });

  it('of equal ones the one that lay longest, then in the order of the list', () => {
    for (const by of ['fit', 'largest', 'longest-free'] as const)
      expect(cards(block([[fit(900)], [fit(900)], [fit(900)]]), { by, free: [200, 100, 100] })).toEqual([1, 2, 0]);
  });

  it('take what the rules of the day leave of them', () => {
    expect(found(block([[fit(1000)]]), { rules: { changeAt: 0.8 } })[0]?.seconds).toBe(800);
    expect(found(block([[fit(1000)]]), { rules: { changeAt: 0.8, most: 300 } })[0]?.seconds).toBe(300);
    expect(found(block([[fit(1000)]]), { rules: { most: 3000 } })[0]?.seconds).toBe(1000);
  });
});

describe('cards for several slots at once', () => {
  const set = (of: DayBlock, width: number, open: readonly boolean[] = [true, true]) =>
    seatedSet({ found: found(of, { open: [true, true, true] }), open, width, block: of });

  it('each have a slot of their own, the one that few enter first', () => {
    // Card 0 is the better one and enters both; card 1 the first slot alone.
    const of = block([
      [fit(600), fit(600)],
      [fit(900), null],
    ]);
    expect(set(of, 2)).toEqual([
      { card: 1, slot: 0 },
      { card: 0, slot: 1 },
    ]);
    const other = block([
      [fit(600), fit(600)],
      [null, fit(900)],
    ]);
    expect(set(other, 2)).toEqual([
      { card: 0, slot: 0 },
      { card: 1, slot: 1 },
    ]);
  });

  it('are none where not all of them can be had', () => {
    expect(set(block([[fit(600), fit(600)]]), 2)).toBeNull();
    expect(
      set(
        block([
          [fit(600), fit(600)],
          [fit(900), fit(900)],
        ]),
        2,
        [true, false],
      ),
    ).toBeNull();
    expect(
      set(
        block([
          [fit(600), null],
          [fit(900), null],
        ]),
        2,
      ),
    ).toBeNull();
  });

  it('are as many as record at once, and no more', () => {
    const of = block([
      [fit(600), fit(600)],
      [fit(900), fit(900)],
    ]);
    expect(set(of, 1)).toEqual([{ card: 0, slot: 0 }]);
    expect(set(of, 0)).toEqual([]);
  });

  it('leave a slot empty that none enters where another is enough', () => {
    const of = block([[null, fit(600)]]);
    expect(set(of, 1)).toEqual([{ card: 0, slot: 1 }]);
  });
});
