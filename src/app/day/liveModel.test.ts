import { describe, expect, it } from 'vitest';
import type { Plan, PlanPress } from '../../core/kit/plan.ts';
import type { PlannedDay, PlannedSwap } from '../../core/rotation/plannedDay.ts';
import { aCard } from '../../core/testing.ts';
import { freeText } from '../../text/day/live.ts';
import { atStake, liveModel, pressStep, swapStep } from './liveModel.ts';
import { newPlan } from './newPlan.ts';

const cards = ['a', 'b'].map((id) => aCard({ id, label: id.toUpperCase() }));
const press = (cardId: string, to: PlanPress['to']): PlanPress => ({
  at: '2027-06-12T09:00:00+02:00',
  cardId,
  to,
  who: 'Mo',
});
const planOf = (log: readonly PlanPress[]): Plan => ({ ...newPlan([]), cardIds: ['a', 'b'], log });
const change = (inCardId: string, atSeconds: number): PlannedSwap =>
  ({ atSeconds, bodyId: 'body', slotId: 'slot', outCardId: null, inCardId }) as PlannedSwap;
const dayOf = (more: object): PlannedDay =>
  ({
    changes: [],
    blocks: [{ fromSeconds: 3600, toSeconds: 7200 }],
    shortages: [],
    sittings: [],
    offloads: [],
    loadedAsPlanned: [],
    ...more,
  }) as never;
const at = (log: readonly PlanPress[], day: PlannedDay | null, seconds = 3600) => ({
  plan: planOf(log),
  cards,
  day,
  seconds,
});

describe('the live day at a moment', () => {
  it('counts down to the next card that goes in, and to nothing before there is a plan', () => {
    const day = dayOf({ changes: [change('a', 1000), change('b', 5000)] });
    expect(liveModel(at([], day))).toMatchObject({
      left: 1400,
      swap: { inCardId: 'b' },
      isOther: false,
      rehearsal: 3540,
    });
    expect(liveModel(at([], null))).toMatchObject({ left: null, swap: null, short: null });
  });

  it.each([
    [-6 * 3600 - 1, true],
    [-6 * 3600, false],
    [7200 + 18 * 3600, false],
    [7200 + 18 * 3600 + 1, true],
  ])('%i seconds into it: another day %s', (seconds, isOther) => {
    expect(liveModel(at([], dayOf({}), seconds)).isOther).toBe(isOther);
  });

  it('tells what is short from now on, and never what is only a copy that is late', () => {
    const short = (toSeconds: number, missingMinutes: number) => ({ atSeconds: 0, toSeconds, missingMinutes });
    const day = dayOf({ shortages: [short(3000, 5), short(9000, 0), short(9100, 7)] });
    expect(liveModel(at([], day)).short).toMatchObject({ missingMinutes: 7 });
  });
});

describe('what the plan has in the cameras now', () => {
  const loadedAsPlanned = ['a', 'b'].map((cardId) => ({ cardId, bodyId: 'body', slotId: 'slot', fromSeconds: 3000 }));
  const loaded = (log: readonly PlanPress[]) =>
    liveModel(at(log, dayOf({ loadedAsPlanned }))).loaded.map(({ cardId }) => cardId);

  it('is offered, but for cards of which somebody noted something: those are asked about by themselves', () => {
    expect(loaded([])).toEqual(['a', 'b']);
    expect(loaded([press('a', 'full')])).toEqual(['b']);
    expect(loaded([press('a', 'free'), press('b', 'verified')])).toEqual([]);
  });
});

describe('what may go in', () => {
  const free = (log: readonly PlanPress[], more: object) =>
    liveModel(at(log, dayOf({ recordedAsPlanned: [], frees: [], ...more }))).free;

  it('is free by what was noted: not where the plan recorded on it, nor where it is in by the plan', () => {
    expect(free([], {}).now).toEqual(['a', 'b']);
    expect(free([press('a', 'full')], {}).now).toEqual(['b']);
    expect(free([press('a', 'verified')], {}).now).toEqual(['b']);
    expect(free([], { recordedAsPlanned: ['a'] }).now).toEqual(['b']);
    expect(
      free([], { loadedAsPlanned: [{ cardId: 'b', bodyId: 'body', slotId: 'slot', fromSeconds: 0 }] }).now,
    ).toEqual(['a']);
    expect(liveModel(at([], null)).free).toEqual({ now: [], next: null });
    const faulty = aCard({ id: 'a', incidents: [{ date: '2027-06-12', text: 'torn', kind: 'damage' }] });
    const isOut = { ...at([], dayOf({ recordedAsPlanned: [], frees: [] })), cards: [faulty, ...cards.slice(1)] };
    expect(liveModel(isOut).free.now).toEqual(['b']);
  });

  it.each([
    [[], null, 2, true, 'No card is marked free now.'],
    [['A', 'B'], null, 2, true, 'Free now: A, B.'],
    [['A'], 'C', 2, true, 'Free now: A. Next, once copied twice and verified: C, about 11:40.'],
    [[], 'C', 1, false, 'No card is marked free now. Next, once copied: C, about 11:40.'],
    [
      ['A', 'B', 'C', 'D', 'E', 'F', 'G'],
      'H',
      3,
      true,
      'Free now: A, B, C, D, E and 2 more. Next, once copied 3 times and verified: H, about 11:40.',
    ],
  ])('reads as what it is: %j, then %s', (now, card, count, verify, text) => {
    expect(freeText(now, card === null ? null : { card, clock: '11:40' }, { count, verify })).toBe(text);
  });

  it('is next what the plan of the copies frees first of those that hold something', () => {
    const frees = [
      { cardId: 'b', atSeconds: 9000 },
      { cardId: 'a', atSeconds: 8000 },
      { cardId: 'a', atSeconds: 3000 },
    ];
    expect(free([press('a', 'full'), press('b', 'copying')], { frees }).next).toEqual({ cardId: 'a', atSeconds: 8000 });
    expect(free([press('b', 'copying')], { frees }).next, 'what is free need not be freed').toEqual({
      cardId: 'b',
      atSeconds: 9000,
    });
    expect(free([], { frees }).next).toBeNull();
  });
});

describe('a press', () => {
  const live = (input: ReturnType<typeof at>, id: string) => {
    const found = liveModel(input).cards.find(({ card }) => card.id === id);
    if (!found) throw new Error(id);
    return found;
  };

  it('into a camera goes where the plan has the card about now; further ahead, or nowhere, it is asked', () => {
    const soon = at([], dayOf({ changes: [change('a', 3600 + 1800)] }));
    expect(pressStep(soon, live(soon, 'a'), 'in-body')).toEqual({
      kind: 'note',
      press: { cardId: 'a', to: 'in-body', bodyId: 'body', slotId: 'slot' },
    });
    const late = at([], dayOf({ changes: [change('a', 3600 + 1801)] }));
    expect(pressStep(late, live(late, 'a'), 'in-body').kind).toBe('ask');
    const nowhere = at([], dayOf({}));
    expect(pressStep(nowhere, live(nowhere, 'b'), 'in-body').kind).toBe('ask');
  });

  it('that would free a card without its copies is asked, whatever the plan says', () => {
    const input = at([press('a', 'full')], dayOf({ changes: [change('a', 3600)] }));
    expect(pressStep(input, live(input, 'a'), 'free').kind).toBe('ask');
    expect(pressStep(input, live(input, 'a'), 'in-body').kind).toBe('ask');
  });

  it('verified by hand is by word', () => {
    const input = at([press('a', 'copied-once')], dayOf({}));
    expect(pressStep(input, live(input, 'a'), 'verified')).toMatchObject({ kind: 'note', press: { proof: 'word' } });
  });

  it('on a planned swap puts the card in; one that is not safe is asked, one that is gone does nothing', () => {
    const safe = at([], dayOf({}));
    expect(swapStep(safe, change('a', 3600))).toMatchObject({ kind: 'swap', swap: { in: 'a', out: null } });
    const full = at([press('a', 'full')], dayOf({}));
    expect(swapStep(full, change('a', 3600))).toMatchObject({ kind: 'ask', asked: { to: 'in-body' } });
    expect(swapStep(safe, change('gone', 3600))).toBeNull();
  });

  it('says what is at stake: what is to be copied before the card goes in again, else everything', () => {
    const copy = { cardId: 'a', stage: 'copy', fromSeconds: 4000, GB: 118 };
    expect(atStake(dayOf({ offloads: [copy] }), 'a', 3600)).toMatch(/^up to 118.GB, from the states noted here$/);
    const again = { cardId: 'a', fromSeconds: 3900 };
    expect(atStake(dayOf({ offloads: [copy], sittings: [again] }), 'a', 3600)).toBe('everything on it');
    expect(atStake(null, 'a', 3600)).toBe('everything on it');
  });
});
