import { describe, expect, it } from 'vitest';
import { CARD_STATES, type CardState } from '../kit/model.ts';
import type { PlanPress } from '../kit/plan.ts';
import { aCard } from '../testing.ts';
import { lastPresses, mergedLog, nextState, pressDoubt, stateOf } from './states.ts';

const time = ({ at }: PlanPress): number => Number(at);
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

  it('comes in the order of the day', () => {
    const walked: CardState[] = ['free'];
    for (let n = 0; n < 6; n += 1) walked.push(nextState(walked.at(-1) as CardState, { count: 2 }));
    expect(walked).toEqual(['free', 'in-body', 'full', 'copying', 'copied-once', 'verified', 'free']);
    expect(nextState('copying', { count: 1 })).toBe('verified');
  });
});

describe('the log', () => {
  it('is read by time, whatever the order it was written in', () => {
    const log = [press(30, 'a', 'full'), press(10, 'a', 'in-body'), press(20, 'b', 'full')];
    const last = lastPresses(log, time);
    expect(stateOf(aCard({ id: 'a' }), last)).toBe('full');
    expect(stateOf(aCard({ id: 'c', state: 'copying' }), last)).toBe('copying');
    expect(stateOf(aCard({ id: 'd' }), last)).toBe('free');
  });

  it('of two devices comes together: every press once, the newest counts, whichever side it is on', () => {
    const own = [press(10, 'a', 'in-body'), press(50, 'b', 'full')];
    const theirs = [press(10, 'a', 'in-body'), press(40, 'b', 'in-body'), press(60, 'a', 'full')];
    const both = mergedLog(own, theirs, time);
    expect(both.map(time)).toEqual([10, 40, 50, 60]);
    const last = lastPresses(both, time);
    expect([last.get('a')?.to, last.get('b')?.to]).toEqual(['full', 'full']);
    expect(mergedLog(theirs, own, time)).toEqual(both);
  });
});
