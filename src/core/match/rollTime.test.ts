import { describe, expect, it } from 'vitest';
import { aBody, aCard, aTest } from '../testing.ts';
import { board } from './board.ts';
import { DEFAULT_POLICY } from './policy.ts';
import { knownFor, rollTime, toneWithin } from './rollTime.ts';

const cellOf = (...tests: Parameters<typeof aTest>[0][]) => {
  const kit = { bodies: [aBody()], cards: [aCard({ marks: ['II'] })], tests: tests.map((one) => aTest(one)) };
  const cell = board(kit, DEFAULT_POLICY).columnAt(0)[0];
  if (!cell) throw new Error('no cell');
  return cell;
};

describe('how long an answer is known for', () => {
  it('is as long as a stopped take lasted, and no longer than the card', () => {
    const held = cellOf({ end: 'stopped', seconds: 600 });
    expect([held.verdict, knownFor(held), rollTime(held)]).toEqual(['held', 600, 600]);
    expect(rollTime({ ...held, planned: 5 })).toBe(300);
    const whole = cellOf({ seconds: 4042 });
    expect([whole.verdict, knownFor(whole), rollTime(whole)]).toEqual(['proven', null, (whole.planned ?? 0) * 60]);
  });

  it('reads warm up to there on a repeatable take, and beyond it as what nobody knows', () => {
    const held = cellOf({ end: 'stopped', seconds: 600 });
    expect(toneWithin(held, 'repeatable', null)).toBe('warm');
    expect(toneWithin(held, 'repeatable', 600)).toBe('warm');
    expect(toneWithin(held, 'repeatable', 601)).toBe('hot');
    for (const seconds of [null, 60, 6000]) expect(toneWithin(held, 'once', seconds)).toBe('hot');
    const whole = cellOf({ seconds: 4042 });
    expect(toneWithin(whole, 'repeatable', 99_999)).toBe('cool');
  });
});
