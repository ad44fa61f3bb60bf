import { describe, expect, it } from 'vitest';
import { CARD_STATES, type CardState } from '../kit/model.ts';
import type { PlanPress } from '../kit/plan.ts';
import { aCard } from '../testing.ts';
import { mergedLog, type ToldPress } from './merge.ts';
import { holds, lastPresses, lessSafe, nextState, pressDoubt, stateOf } from './states.ts';

const press = (at: number, cardId: string, to: CardState, who = ''): PlanPress => ({ at: String(at), cardId, to, who });

describe('a press', () => {
  it('never wipes what is not verified: from anything but verified or free it is asked about', () => {
    const plain = CARD_STATES.filter((state) => pressDoubt(state, 'free', { count: 2 }) === null);
    expect(plain).toEqual(['free', 'verified']);
    const into = CARD_STATES.filter((state) => pressDoubt(state, 'in-body', { count: 2 }) === null);
    expect(into).toEqual(['free', 'in-body', 'verified']);
    expect(pressDoubt('copied-once', 'free', { count: 2 })).toEqual({
      code: 'not-safe',
      state: 'copied-once',
      have: 1,
      need: 2,
    });
    expect(pressDoubt('full', 'free', { count: 3 })).toMatchObject({ have: 0, need: 3 });
  });

  it('may leave a step out, and is asked about where it goes back or copies what was never recorded', () => {
    expect(pressDoubt('full', 'copied-once', { count: 2 })).toBeNull();
    expect(pressDoubt('copied-once', 'full', { count: 2 })).toEqual({ code: 'out-of-order', state: 'copied-once' });
    expect(pressDoubt('free', 'copying', { count: 2 })).toEqual({ code: 'out-of-order', state: 'free' });
  });

  /** By the state it comes after: · plain, ? another order, 0 no copy noted, ! it would wipe what is not safe. */
  it.each<[CardState, string]>([
    ['free', '··????'],
    ['in-body', '!····0'],
    ['full', '!!···0'],
    ['copying', '!!?···'],
    ['copied-once', '!!??··'],
    ['verified', '··???·'],
  ])('after %s is plain, or asked about for what it is', (from, asked) => {
    const CODES = { 'out-of-order': '?', 'no-copy': '0', 'not-safe': '!' } as const;
    const order = ['free', 'in-body', 'full', 'copying', 'copied-once', 'verified'] as const;
    const doubts = order.map((to) => pressDoubt(from, to, { count: 2 }));
    expect(doubts.map((doubt) => (doubt ? CODES[doubt.code] : '·')).join('')).toBe(asked);
    for (const doubt of doubts) expect(doubt?.state ?? from).toBe(from);
  });

  it('goes from a single copy to verified, and else its way', () => {
    const next = (count: 1 | 2) => CARD_STATES.map((state) => [state, nextState(state, { count })] as const);
    const differ = next(1).filter(([state, to]) => to !== nextState(state, { count: 2 }));
    expect(differ).toEqual([['copying', 'verified']]);
  });

  it('comes in the order of the day', () => {
    const walked: CardState[] = ['free'];
    for (let n = 0; n < 6; n += 1) walked.push(nextState(walked.at(-1) as CardState, { count: 2 }));
    expect(walked).toEqual(['free', 'in-body', 'full', 'copying', 'copied-once', 'verified', 'free']);
    expect(nextState('copying', { count: 1 })).toBe('verified');
  });
});

describe('the log', () => {
  it('is read by place: a press made here after others is later than they are, whatever the clocks say', () => {
    const log = [press(30, 'a', 'verified'), press(10, 'a', 'full'), press(20, 'b', 'full')];
    const last = lastPresses(log);
    expect(stateOf(aCard({ id: 'a' }), last), 'a clock that ran ahead').toBe('full');
    expect(stateOf(aCard({ id: 'c', state: 'copying' }), last)).toBe('copying');
    expect(stateOf(aCard({ id: 'd' }), last)).toBe('free');
  });

  it('shows the less safe state where the wallet says another', () => {
    const last = lastPresses([press(1, 'a', 'verified'), press(2, 'b', 'full')]);
    expect(stateOf(aCard({ id: 'a', state: 'full' }), last)).toBe('full');
    expect(stateOf(aCard({ id: 'b', state: 'free' }), last)).toBe('full');
    expect(stateOf(aCard({ id: 'b', state: 'full' }), last)).toBe('full');
    for (const a of CARD_STATES)
      for (const b of CARD_STATES) expect(holds(lessSafe(a, b)), `${a}, ${b}`).toBe(holds(a) || holds(b));
  });

  it('asks where a card is said to be verified and no copy was noted', () => {
    expect(pressDoubt('full', 'verified', { count: 2 })).toEqual({ code: 'no-copy', state: 'full', need: 2 });
    expect(pressDoubt('in-body', 'verified', { count: 1 })).toMatchObject({ code: 'no-copy' });
    expect(pressDoubt('copying', 'verified', { count: 2 })).toBeNull();
    expect(pressDoubt('copied-once', 'verified', { count: 2 })).toBeNull();
  });
});

describe('presses of another device', () => {
  const keyOf = ({ at, to }: PlanPress): string => `${at} ${to}`;
  const told = (one: PlanPress, ...after: readonly PlanPress[]): ToldPress => ({ press: one, after: after.map(keyOf) });
  const merge = (own: readonly PlanPress[], theirs: readonly ToldPress[], vouched = false) => {
    const { log, taken } = mergedLog(own, theirs, { keyOf, vouched });
    return { states: taken.map(({ order, from, to }) => [order, from, to]), last: lastPresses(log), log };
  };
  const full = press(10, 'a', 'full');
  const verified = press(5, 'a', 'verified');

  it('come after those here that it knew, though its clock was behind', () => {
    const { states, last } = merge([full], [told(verified, full)]);
    expect(states).toEqual([['later', 'full', 'verified']]);
    expect(last.get('a')).toBe(verified);
  });

  it('leave the less safe state where neither knew of the other, and both in the log', () => {
    const { states, last, log } = merge([full], [told(press(99, 'a', 'verified'))]);
    expect(states).toEqual([['unknown', 'full', 'full']]);
    expect(last.get('a')).toBe(full);
    expect(log).toHaveLength(2);
    expect(merge([press(99, 'a', 'verified')], [told(full)]).states).toEqual([['unknown', 'verified', 'full']]);
  });

  it('must have known all that was pressed here, not the last of it alone', () => {
    const copying = press(3, 'a', 'copying');
    expect(merge([copying, full], [told(verified, full)]).states).toEqual([['unknown', 'full', 'full']]);
    expect(merge([copying, full], [told(verified, copying, full)]).states).toEqual([['later', 'full', 'verified']]);
  });

  it('come after them where a person says so', () => {
    expect(merge([full], [told(verified)], true).states).toEqual([['unknown', 'full', 'verified']]);
  });

  it('are taken once, and the first of a card as they are', () => {
    expect(merge([full, verified], [told(full)]).states).toEqual([['known', 'verified', 'verified']]);
    expect(merge([], [told(verified)]).states).toEqual([['first', null, 'verified']]);
  });
});
