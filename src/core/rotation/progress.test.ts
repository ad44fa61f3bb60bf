import { describe, expect, it } from 'vitest';
import type { CardState } from '../kit/model.ts';
import { usable } from '../match/minutes/minutes.ts';
import { aCard } from '../testing.ts';
import type { DayBlock, DayProblem } from './problem.ts';
import { type Press, pushedOut, recordedUnnamed, standingBefore, standingOf } from './progress.ts';

const press = (at: number, to: CardState, more: Partial<Press> = {}): Press => ({
  ...{ at, card: 0, to, body: null, slot: null },
  ...more,
});
const block = (more: Partial<DayBlock> = {}): DayBlock => ({
  ...{ width: 1, id: 'b', body: 0, from: 0, to: 3600, rolling: 0.5, gapFree: false, rate: 1e7 },
  fits: [[{ seconds: 4000, verdict: 'guaranteed', tone: 'cool' }]],
  ...more,
});
const PROBLEM: Pick<DayProblem, 'blocks' | 'readers' | 'destinations' | 'copies' | 'cards'> = {
  blocks: [block()],
  readers: [
    { id: 'r0', pace: 1e8, slots: 1 },
    { id: 'r1', pace: 3e8, slots: 1 },
  ],
  destinations: [
    { name: 'd0', write: 4e8, read: 4e8, free: 1e13 },
    { name: 'd1', write: 5e7, read: 4e8, free: 1e13 },
  ],
  copies: { count: 2, verify: true, from: 'card' },
  cards: [{ id: 'a', read: 2e8, readers: [0, 1], kind: 'k', start: { kind: 'free', at: 0 } }],
};
const card = aCard({ capacityGB: 256 });
const WHOLE = usable(card).bytes;
const standing = (
  presses: readonly Press[],
  { now = 1800, problem = {}, of = card }: { now?: number; problem?: Partial<typeof PROBLEM>; of?: typeof card } = {},
) => standingOf({ at: 0, card: of, presses, now, problem: { ...PROBLEM, ...problem } });
/** What the card waits with. */
const waiting = (at: number, bytes: number, copies = 0, left: number | null = null) => ({
  ...{ kind: 'waiting', at, bytes, copies, left },
});

describe('before the day a card', () => {
  it.each<[CardState, string]>([
    ['in-body', 'free'],
    ['full', 'free'],
    ['free', 'free'],
    ['copying', 'waiting'],
    ['copied-once', 'waiting'],
    ['verified', 'waiting'],
  ])('whose first press is %s had been %s', (to, kind) => {
    const before = standingBefore({ card, presses: [press(10, to), press(20, 'free')] });
    expect(before).toEqual(kind === 'free' ? { kind: 'free', at: 0 } : waiting(0, WHOLE));
  });

  it('without a press is as the kit says', () => {
    const before = (state: CardState | undefined) => standingBefore({ card: { ...card, state }, presses: [] });
    for (const state of [undefined, 'free', 'in-body', 'verified'] as const)
      expect(before(state)).toEqual({ kind: 'free', at: 0 });
    expect(before('full')).toEqual(waiting(0, WHOLE));
    expect(before('copying')).toEqual(waiting(0, WHOLE));
    expect(before('copied-once')).toEqual(waiting(0, WHOLE, 1));
    // What was copied by then is no word of what it was before the first press.
    expect(standingBefore({ card: { ...card, state: 'copied-once' }, presses: [press(1, 'verified')] })).toEqual(
      waiting(0, WHOLE, 0),
    );
    expect(standing([], { of: { ...card, state: 'full' } })).toEqual(waiting(0, WHOLE));
  });
});

describe('at a moment a card', () => {
  it('is free where it was freed or verified, and waits where the wallet says that it holds something', () => {
    for (const to of ['free', 'verified'] as const) {
      expect(standing([press(100, to)])).toEqual({ kind: 'free', at: 0 });
      expect(standing([press(100, to)], { of: { ...card, state: 'free' } })).toEqual({ kind: 'free', at: 0 });
      expect(standing([press(100, to)], { of: { ...card, state: 'full' } })).toEqual(waiting(100, WHOLE));
      expect(standing([press(100, to)], { of: { ...card, state: 'copied-once' } })).toEqual(waiting(100, WHOLE, 1));
    }
    // What it holds by its last press is what that says.
    expect(standing([press(100, 'copied-once')], { of: { ...card, state: 'full' } })).toEqual(waiting(100, WHOLE, 1));
  });

  it('in a camera holds what that recorded since it went in', () => {
    const inBody = press(600, 'in-body', { body: 0, slot: 1 });
    // 1,200 s of a block that rolls half of its time: 600 s, 6 GB, 15 % of the 4,000 s it takes.
    expect(standing([inBody])).toEqual({
      kind: 'in',
      body: 0,
      slot: 1,
      at: 600,
      seconds: 600,
      bytes: 6e9,
      share: 0.15,
    });
    expect(standing([press(600, 'in-body', { body: 0 })])).toMatchObject({ slot: 0 });
    expect(standing([inBody], { now: 600 })).toMatchObject({ seconds: 0, bytes: 0, share: 0 });
    expect(standing([inBody], { now: 9000 }), 'the block is over').toMatchObject({ seconds: 1500 });
    expect(standing([inBody], { problem: { blocks: [block({ body: 1 })] } })).toMatchObject({ seconds: 0, share: 0 });
    expect(
      standing([inBody], { problem: { blocks: [block({ fits: [] })] } }),
      'one that may not sit there',
    ).toMatchObject({
      seconds: 600,
      share: 1,
    });
    expect(standing([inBody], { problem: { blocks: [block({ fits: [[null, { ...fitOf(1000) }]] })] } })).toMatchObject({
      share: 0.6,
    });
    const two = [block({ to: 1000 }), block({ from: 1200, rolling: 1, rate: 2e7 })];
    expect(standing([inBody], { problem: { blocks: two } })).toMatchObject({ seconds: 200 + 600, bytes: 2e9 + 12e9 });
    expect(standing([press(600, 'in-body')]), 'nobody said in which').toEqual(waiting(1800, WHOLE));
  });

  it('that came out holds what was recorded between, and is taken as full where nothing tells', () => {
    const inBody = press(600, 'in-body', { body: 0 });
    expect(standing([inBody, press(1000, 'full')])).toEqual(waiting(1000, 2e9));
    expect(standing([inBody, press(1000, 'full'), press(1400, 'copied-once')])).toEqual(waiting(1400, 2e9, 1));
    expect(standing([press(1000, 'full')])).toEqual(waiting(1000, WHOLE));
    expect(standing([press(600, 'in-body'), press(1000, 'full')])).toEqual(waiting(1000, WHOLE));
    expect(standing([inBody, press(600, 'full')]), 'nothing recorded: taken as full').toEqual(waiting(600, WHOLE));
    // Without a word of when it came out, it recorded until the next press.
    expect(standing([inBody, press(1400, 'copied-once')])).toEqual(waiting(1400, 4e9, 1));
    const fast = [block({ rate: 1e12 })];
    expect(standing([inBody, press(1000, 'full')], { problem: { blocks: fast } }), 'never more than it holds').toEqual(
      waiting(1000, WHOLE),
    );
    // What was filled before it went in again says nothing of what it holds now.
    const again = [press(100, 'in-body', { body: 0 }), press(300, 'full'), press(500, 'verified')];
    expect(standing([...again, inBody, press(1400, 'copied-once')])).toEqual(waiting(1400, 4e9, 1));
    expect(standing([...again, inBody, press(800, 'full'), press(900, 'copied-once')])).toEqual(waiting(900, 1e9, 1));
  });

  it('that is being copied has what its slowest part leaves', () => {
    const presses = [press(600, 'in-body', { body: 0 }), press(1000, 'full'), press(1700, 'copying')];
    const left = (problem: Partial<typeof PROBLEM> = {}, now = 1710) => standing(presses, { problem, now });
    // 2 GB at the 50 MB/s of the slower of two disks, ten seconds of it done.
    expect(left()).toEqual(waiting(1700, 2e9, 0, 30));
    expect(left({ copies: { count: 1, verify: true, from: 'card' } }), 'one disk: the card’s 200 MB/s').toEqual(
      waiting(1700, 2e9, 0, 0),
    );
    expect(left({ copies: { count: 2, verify: true, from: 'first-copy' } }, 1704)).toEqual(waiting(1700, 2e9, 0, 6));
    const slow = [{ ...(PROBLEM.cards[0] as DayProblem['cards'][number]), read: 1e7 }];
    expect(left({ cards: slow })).toEqual(waiting(1700, 2e9, 0, 190));
    const oneReader = [{ ...(PROBLEM.cards[0] as DayProblem['cards'][number]), read: null, readers: [0] }];
    expect(left({ cards: oneReader, copies: { count: 1, verify: true, from: 'card' } }, 1705), 'its reader').toEqual(
      waiting(1700, 2e9, 0, 15),
    );
    const none = [{ ...(PROBLEM.cards[0] as DayProblem['cards'][number]), readers: [] }];
    expect(left({ cards: none }), 'no reader: nothing is reckoned').toEqual(waiting(1700, 2e9, 0, 0));
    expect(left({ cards: [] })).toEqual(waiting(1700, 2e9, 0, 0));
    expect(left({}, 1000), 'never more than a whole copy and what lies before it').toEqual(waiting(1700, 2e9, 0, 740));
    expect(left({}, 9999)).toEqual(waiting(1700, 2e9, 0, 0));
  });
});

const fitOf = (seconds: number) => ({ seconds, verdict: 'guaranteed', tone: 'cool' }) as const;

describe('a card that another pushes out', () => {
  const into = (at: number, one: number, body: number, slot: number | null) =>
    press(at, 'in-body', { card: one, body, slot });

  it('came out then, full', () => {
    expect(pushedOut([into(1, 0, 0, 0), into(5, 1, 0, 0)])).toEqual([press(5, 'full', { card: 0 })]);
    expect(pushedOut([into(1, 0, 0, null), into(5, 1, 0, 0)]), 'no slot told is the first').toHaveLength(1);
  });

  it('is none where the slot or camera is another, or it had come out or moved', () => {
    expect(pushedOut([into(1, 0, 0, 0), into(5, 1, 0, 1)])).toEqual([]);
    expect(pushedOut([into(1, 0, 0, 0), into(5, 1, 1, 0)])).toEqual([]);
    expect(pushedOut([into(1, 0, 0, 0), press(3, 'full', { card: 0 }), into(5, 1, 0, 0)])).toEqual([]);
    expect(pushedOut([into(1, 0, 0, 0), into(3, 0, 0, 1), into(5, 1, 0, 0)])).toEqual([]);
    expect(pushedOut([into(1, 0, 0, 0), into(3, 0, 0, 0)]), 'the same card pressed twice').toEqual([]);
    expect(pushedOut([press(1, 'in-body', { card: 0 }), into(5, 1, 0, 0)]), 'in a camera nobody named').toEqual([]);
    expect(pushedOut([into(1, 0, 0, 0), into(5, 1, 0, 0), into(9, 2, 0, 0)])).toEqual([
      press(5, 'full', { card: 0 }),
      press(9, 'full', { card: 1 }),
    ]);
    // Pushed out, and pressed full afterwards: no longer anywhere.
    expect(
      pushedOut([into(1, 0, 0, 0), into(5, 1, 0, 0), press(6, 'full', { card: 0 }), into(9, 0, 1, 0)]),
    ).toHaveLength(1);
  });
});

describe('what a camera recorded on a card nobody named', () => {
  const BLOCK = { body: 0, from: 100, to: 1000, rolling: 0.5 };
  const unnamed = (
    presses: readonly Press[],
    {
      now = 400,
      plannedIn = () => null,
    }: { now?: number; plannedIn?: (card: number, at: number) => number | null } = {},
  ) => recordedUnnamed(0, { blocks: [{ ...BLOCK, body: 1 }, BLOCK], presses, now, swap: 30, plannedIn });

  it('is all since the block began, with the change that a plan makes now', () => {
    expect(unnamed([])).toBe((300 + 30) * 0.5);
  });

  it('is nothing outside of a block', () => {
    expect(unnamed([], { now: 100 })).toBe(0);
    expect(unnamed([], { now: 1000 })).toBe(0);
    expect(unnamed([], { now: 101 })).toBe(31 * 0.5);
    expect(unnamed([], { now: 999 })).toBe(929 * 0.5);
  });

  it('is what came after the last card that came out of it', () => {
    const into = (at: number, one: number, body: number) => press(at, 'in-body', { card: one, body, slot: 0 });
    expect(unnamed([into(150, 0, 0), press(300, 'full')])).toBe(130 * 0.5);
    expect(unnamed([into(50, 0, 0), press(80, 'full')]), 'before the block').toBe(330 * 0.5);
    expect(unnamed([into(150, 0, 1), press(300, 'full')]), 'out of another').toBe(330 * 0.5);
    expect(unnamed([into(150, 0, 0), into(300, 0, 1)]), 'into another').toBe(130 * 0.5);
    expect(unnamed([into(150, 0, 0), into(300, 0, 0)]), 'still in').toBe(330 * 0.5);
    expect(unnamed([into(150, 0, 0), press(300, 'full'), into(320, 1, 0), press(350, 'full', { card: 1 })])).toBe(
      80 * 0.5,
    );
    expect(unnamed([press(300, 'full')], { plannedIn: (_card, at) => (at === 300 ? 0 : 1) }), 'as planned').toBe(
      130 * 0.5,
    );
    expect(unnamed([press(200, 'full'), press(300, 'copying')], { plannedIn: () => 0 }), 'it came out once').toBe(
      230 * 0.5,
    );
  });
});
