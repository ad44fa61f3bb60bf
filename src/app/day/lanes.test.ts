import { describe, expect, it } from 'vitest';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { plannedDay } from '../../core/rotation/plannedDay.ts';
import demo from '../../kit/demo.coolreel.json' with { type: 'json' };
import { parseKit } from '../../kit/importKit.ts';
import { clockFor } from './dayClock.ts';
import { hourMarks, lanesOf } from './lanes.ts';
import { doubtOf, liveCards, nextChange, nextSeat } from './live.ts';

describe('the lanes of the demo day', async () => {
  const read = await parseKit(JSON.stringify(demo));
  if (!read.ok) throw new Error('demo');
  const { kit } = read.value;
  const [plan] = kit.plans;
  const clock = plan && clockFor(plan);
  if (!plan || !clock) throw new Error('plan');
  const day = plannedDay({ kit, plan, policy: DEFAULT_POLICY, times: clock, now: null });
  const lanes = lanesOf(plan, day);

  it('tell of every card what it does at every moment, and one thing at a time', () => {
    expect(lanes.cards).toHaveLength(10);
    for (const { spans } of lanes.cards) {
      expect(spans[0]?.from).toBeLessThanOrEqual(lanes.axis.from);
      expect(spans.at(-1)?.to).toBeGreaterThanOrEqual(lanes.axis.to);
      for (const [at, span] of spans.entries())
        if (at > 0) expect(Math.abs(span.from - (spans[at - 1]?.to ?? 0))).toBeLessThanOrEqual(1);
    }
  });

  it('call a card free only where its copies are made', () => {
    for (const { cardId, spans } of lanes.cards) {
      const used = spans.findIndex(({ doing }) => doing === 'in');
      for (const [at, { doing, from }] of spans.entries())
        if (doing === 'free' && used >= 0 && at > used)
          expect(day.frees.some((one) => one.cardId === cardId && Math.abs(one.atSeconds - from) < 1)).toBe(true);
    }
  });

  it('run over whole hours, marked ever further apart, with the air where it was entered', () => {
    expect(lanes.axis).toEqual({ from: 0, to: 9 * 3600 });
    expect(hourMarks(lanes.axis)).toHaveLength(10);
    expect(hourMarks({ from: 0, to: 40 * 3600 })).toHaveLength(7);
    expect(lanes.air.map(({ at, airC }) => [at / 3600, airC])).toEqual([
      [0, 18],
      [3, 25],
      [7, 31],
    ]);
  });

  it('leave a hole under a block where no card is', () => {
    const holes = lanes.bodies.flatMap(({ rolls }) => rolls.filter(({ cardId }) => cardId === null));
    expect(holes).toHaveLength(1);
    expect(clock.onWall(holes[0]?.from ?? 0).time).toBe('14:38');
  });

  it('and the live day reads the same plan: the next card by time, and what stands against a press', () => {
    const first = nextChange(day, 0);
    expect(first?.atSeconds).toBe(3600 - 30);
    expect(nextChange(day, first ? first.atSeconds + 2 : 0)?.atSeconds).toBeGreaterThan(3570);
    expect(nextSeat(day, 'a-01')).toMatchObject({ bodyId: 'wherry' });
    expect(nextSeat(day, 'c-06')).toBeNull();
    const full = liveCards(plan, kit.cards).find(({ card }) => card.id === 'a-03');
    expect(full).toMatchObject({ state: 'full', next: 'copying' });
    expect(doubtOf('full', 'in-body', plan)).toMatchObject({ code: 'not-safe', need: 2 });
  });
});
