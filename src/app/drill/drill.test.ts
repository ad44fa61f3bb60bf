import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { TOPICS, type Topic, topicAt } from '../../core/drill/topics.ts';
import type { DrillProgress } from '../../core/kit/drill.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { aBody, aCard } from '../../core/testing.ts';
import { readKit } from '../../kit/importKit.ts';
import { EMPTY_KIT, VERSION } from '../../kit/kit.ts';
import { startWith } from '../../store/apply.ts';
import { readStoredKit } from '../../store/read.ts';
import { againText, standingText } from '../../text/drill/round.ts';
import { drillCsv } from '../kit/csv.ts';
import { database } from '../kit/database.ts';
import { undoChange } from '../kit/history.ts';
import { forgetDrills, keepAnswer, setDrillTimer } from './drillActions.ts';
import { planRound, standingOf, wantedDifficulty } from './planRound.ts';
import { isKind, renewed, startRound } from './rounds.ts';
import { afterAnswer, dueDay, isDue, levelOf } from './schedule.ts';

const NOW = new Date('2026-05-01T10:00:00Z');
const DAY = '2026-05-01';
const RIGHT = { isRight: true, slip: null, isUnknown: false, seconds: null } as const;
const WRONG = { isRight: false, slip: 'peak', isUnknown: false, seconds: null } as const;
const UNKNOWN = { isRight: false, slip: null, isUnknown: true, seconds: null } as const;

const topic = (id: string): Topic => {
  const found = topicAt(id);
  if (!found) throw new Error(id);
  return found;
};
const met = (id: string, change: Partial<DrillProgress> = {}): DrillProgress => ({
  ...afterAnswer(id, null, RIGHT, NOW),
  ...change,
});

describe('what is kept of an answer', () => {
  it('counts rights, slips by name, and what was said not to be known', () => {
    let kept = afterAnswer('label/peak', null, WRONG, NOW);
    kept = afterAnswer('label/peak', kept, WRONG, new Date('2026-05-02T10:00:00Z'));
    kept = afterAnswer('label/peak', kept, UNKNOWN, new Date('2026-05-03T10:00:00Z'));
    kept = afterAnswer('label/peak', kept, RIGHT, new Date('2026-05-04T10:00:00Z'));
    expect(kept).toMatchObject({ right: 1, wrong: 2, unknown: 1, slips: { peak: 2 }, reps: 4 });
    expect(isDue(kept, '2026-05-04')).toBe(false);
  });

  it('keeps what another version has put beside it', () => {
    const before = { ...met('label/peak'), ofTomorrow: 7, slips: { unheard: 3 } } as DrillProgress;
    expect(afterAnswer('label/peak', before, WRONG, NOW)).toMatchObject({
      ofTomorrow: 7,
      slips: { unheard: 3, peak: 1 },
    });
  });

  it('does not unlearn where the clock was set back', () => {
    const before = met('label/peak');
    const after = afterAnswer('label/peak', before, RIGHT, new Date('2020-01-01T00:00:00Z'));
    expect(Date.parse(after.lastReview)).toBe(NOW.getTime());
    expect(Date.parse(after.due)).toBeGreaterThanOrEqual(NOW.getTime());
    expect(Number.isFinite(after.stability)).toBe(true);
  });

  it('is due by the day, and asked harder as it becomes steady', () => {
    expect(isDue(met('x', { due: `${DAY}T23:30:00` }), DAY)).toBe(true);
    expect(isDue(met('x', { due: '2026-05-02T00:30:00' }), DAY)).toBe(false);
    expect(dueDay({ due: '2026-05-02T00:30:00' })).toBe('2026-05-02');
    expect(
      [null, met('x', { stability: 2.9 }), met('x', { stability: 3 }), met('x', { stability: 14 })].map(levelOf),
    ).toEqual([1, 1, 2, 3]);
  });
});

describe('what a round asks', () => {
  const ids = (drills: readonly DrillProgress[], kinds = ['bits', 'label'] as const): readonly string[] =>
    planRound(drills, kinds, DAY).map((one) => one.topic.id);

  it('is what is due first, the longest due before, then what was never met, then what comes next', () => {
    const drills = [
      met('label/peak', { due: '2026-04-30T10:00:00Z' }),
      met('label/bus', { due: '2026-04-20T10:00:00Z' }),
      met('bits/minute', { due: '2026-06-01T10:00:00Z' }),
    ];
    const asked = ids(drills);
    expect(asked.slice(0, 2)).toEqual(['label/bus', 'label/peak']);
    expect(asked).toHaveLength(8);
    // Four that are new, and then the one that comes next.
    expect(asked.indexOf('bits/minute')).toBe(6);
  });

  it('is the first of every kind where nothing was met', () => {
    const asked = planRound(
      [],
      ['bits', 'label', 'contradict', 'cheapest', 'minutes', 'slow-motion', 'counter', 'stopped'],
      DAY,
    );
    expect(new Set(asked.map((one) => one.topic.kind)).size).toBe(8);
    expect(asked.every(({ level }) => level === 1)).toBe(true);
  });

  it('leaves topics alone that this version does not know', () => {
    const foreign = met('juggling/three-balls', { due: '2020-01-01T00:00:00Z' });
    expect(ids([foreign])).not.toContain('juggling/three-balls');
    expect(standingOf([foreign], DAY)).toMatchObject({ due: 0, answered: 0, unmet: TOPICS.length, nextDay: null });
  });

  it('grows harder with the share of right answers', () => {
    const good = wantedDifficulty([met('label/peak', { right: 100 })]);
    const poor = wantedDifficulty([met('label/peak', { right: 2, wrong: 98 })]);
    expect(good).toBeGreaterThan(0.75);
    expect(poor).toBeLessThan(0.45);
    expect(wantedDifficulty([])).toBe(0.4);
  });

  it('stands by kind, with the commonest slips first', () => {
    const drills = [
      met('label/peak', { slips: { peak: 2, 'not-a-slip': 9 }, wrong: 2 }),
      met('label/bus', { slips: { bus: 3 }, wrong: 3, due: '2026-04-30T10:00:00Z', stability: 20 }),
    ];
    const standing = standingOf(drills, DAY);
    expect(standing.slips).toEqual([
      { slip: 'bus', times: 3 },
      { slip: 'peak', times: 2 },
    ]);
    expect(standing).toMatchObject({ due: 1, answered: 7, right: 2 });
    const label = standing.kinds.find(({ kind }) => kind === 'label');
    expect(label).toEqual({ kind: 'label', topics: 6, met: 2, due: 1, steady: 1 });
    expect(label && standingText(label)).toBe('1 due · 2 of 6 met · 1 steady');
  });

  it('is told by its day', () => {
    expect(againText('2026-05-01', DAY)).toBe('today');
    expect(againText('2026-05-02', DAY)).toBe('tomorrow');
    expect(againText('2026-05-05', DAY)).toBe('in 4 days, on 5 May');
    expect(againText('2026-12-31', DAY)).toBe('on 31 Dec');
    expect(againText('2028-01-31', DAY)).toBe('on 31 Jan 2028');
  });
});

describe('in the kit', () => {
  const stored = async (): Promise<readonly DrillProgress[]> => (await readStoredKit(database)).drills;

  it('answers of two tabs both count, and a change is taken back as any other', async () => {
    await startWith(database, EMPTY_KIT);
    const peak = topic('label/peak');
    // The second tab has not heard of the first answer yet.
    const first = await keepAnswer(peak, WRONG, [], NOW);
    const second = await keepAnswer(peak, RIGHT, [], NOW);
    expect(first.ok && second.ok).toBe(true);
    expect(await stored()).toMatchObject([{ id: 'label/peak', wrong: 1, right: 1, reps: 2 }]);
    // And one whose topic was forgotten in another tab meanwhile.
    const stale = await stored();
    const gone = await forgetDrills(stale);
    expect(await stored()).toEqual([]);
    const third = await keepAnswer(peak, RIGHT, stale, NOW);
    expect(third.ok).toBe(true);
    expect(await stored()).toMatchObject([{ right: 1, wrong: 0 }]);
    if (!third.ok || third.value.id === null || !gone.ok || gone.value.id === null) throw new Error('nothing to undo');
    await undoChange(third.value.id);
    await undoChange(gone.value.id);
    expect(await stored()).toMatchObject([{ right: 1, wrong: 1 }]);
    await setDrillTimer(false);
    expect((await readStoredKit(database)).settings.drillTimer).toBe(false);
  });

  it('is exported as a table and read again from a file; an older kit has none, and broken progress is refused by its place', async () => {
    const drill = met('label/peak', { slips: { peak: 2 } });
    expect(drillCsv([drill])).toContain(`label/peak,${drill.due}`);
    expect(drillCsv([drill])).toContain('peak 2');
    const file = (drills: unknown, version = VERSION) => readKit({ ...EMPTY_KIT, version, drills });
    expect(await file([drill])).toMatchObject({ ok: true, value: { kit: { drills: [drill] } } });
    expect(await file('not a list', 6)).toMatchObject({
      ok: true,
      value: { kit: { drills: [], drillsBeforeVersion7: 'not a list' } },
    });
    for (const [change, field] of [
      [{ due: 'soon' }, 'due'],
      [{ due: '2026-13-45' }, 'due'],
      [{ stability: -1 }, 'stability'],
      [{ stability: Number.POSITIVE_INFINITY }, 'stability'],
      [{ difficulty: 11 }, 'difficulty'],
      [{ reps: 1.5 }, 'reps'],
      [{ state: 'mastered' }, 'state'],
      [{ slips: { peak: -1 } }, 'slips.peak'],
    ] as const)
      expect(await file([{ ...drill, ...change }]), JSON.stringify(change)).toMatchObject({
        ok: false,
        error: { problems: [{ path: `drills[0].${field}` }] },
      });
  });
});

describe('a round', () => {
  const modes = aBody().modes;
  const body = aBody({ id: 'b', name: 'Dory', modes });
  const cards = [
    aCard({ id: 'a', label: 'A-01' }),
    aCard({ id: 'b', label: 'B-01', marks: ['I', 'U1'] }),
    aCard({ id: 'c', label: 'C-01', marks: ['I', 'U3'] }),
    aCard({ id: 'd', label: 'D-01', form: 'cf', marks: [] }),
  ];
  const kit = { bodies: [body], cards, tests: [], reports: [], policy: DEFAULT_POLICY };
  const own = startRound({ drills: [], kit, kind: 'own', day: DAY, seed: 3 });

  it('of one kind has only that; by its seed it is the same again', () => {
    const round = (seed: number) => startRound({ drills: [], kit, kind: 'label', day: DAY, seed });
    expect(round(9).every(({ question }) => question.topic.kind === 'label')).toBe(true);
    expect(round(9)).toEqual(round(9));
    expect(round(9)).not.toEqual(round(10));
    expect(isKind('label')).toBe(true);
    expect(isKind('toString')).toBe(false);
    expect(isKind(null)).toBe(false);
  });

  it('asks of one’s own cards, and anew where one of them was deleted in between', () => {
    expect(own.length).toBeGreaterThan(0);
    const [first] = own;
    if (!first) throw new Error('nothing asked');
    expect(renewed(first, kit)).toBe(first);
    const without = { ...kit, cards: cards.filter(({ id }) => id !== 'a') };
    // Nothing that is left holds the mode: there is no such question any more.
    expect(renewed(first, without)).toBeNull();
    const more = { ...without, cards: [...without.cards, aCard({ id: 'e', label: 'E-01' })] };
    const other = renewed(first, more);
    expect(other).not.toBe(first);
    expect(other?.question.choices.some(({ value }) => value.kind === 'card' && value.card.id === 'e')).toBe(true);
    // What is not about the kit does not hang on it.
    const [label] = startRound({ drills: [], kit, kind: 'label', day: DAY, seed: 3 });
    expect(label && renewed(label, without)).toBe(label);
  });
});
