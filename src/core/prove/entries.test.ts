import { describe, expect, it } from 'vitest';
import { aBody, aCard, aTest } from '../testing.ts';
import { due, monthsBetween, RETEST } from './age.ts';
import { logEntries, shownEntries, takeDoubts, WHOLE_LOG } from './entries.ts';

const body = aBody({ counters: [{ modeId: 'm', capacityGB: 128, minutes: 33 }] });
const card = aCard({ usableGB: 250, incidents: [{ date: '2026-03-01', kind: 'warning', text: 'slow' }] });
const kit = {
  bodies: [body],
  cards: [card],
  tests: [
    aTest({ id: 'p', seconds: 4000, date: '2026-05-01' }),
    aTest({ id: 'd', end: 'dropped', seconds: 60, date: '2026-05-03' }),
    aTest({ id: 'e', end: 'dropped', seconds: 90, date: '2026-04-01' }),
    aTest({ id: 'l', end: 'dropped', seconds: 30, date: '2026-05-04', looked: '2026-05-05' }),
  ],
  clearings: [],
  benches: [],
  reports: [],
};
const keys = (view: Partial<typeof WHOLE_LOG>, wordsOf = (entry: { key: string }) => entry.key) =>
  shownEntries(logEntries(kit), { ...WHOLE_LOG, ...view }, wordsOf).map(({ key }) => key);

describe('the log', () => {
  it('holds everything of the kit, a failed take that nobody looked at since on top', () => {
    expect(keys({})).toEqual(['d', 'l', 'p', 'e', 'incident c 0', 'counter b 0']);
    expect(keys({ order: 'oldest' })).toEqual(['d', 'counter b 0', 'incident c 0', 'e', 'p', 'l']);
    expect(keys({ order: 'longest' }).slice(0, 2)).toEqual(['d', 'p']);
  });

  it('is narrowed by kind, end, body, card and words', () => {
    expect(keys({ kind: 'incident' })).toEqual(['incident c 0']);
    expect(keys({ end: 'full' })).toEqual(['p']);
    expect(keys({ bodyId: 'b' })).not.toContain('incident c 0');
    expect(keys({ cardId: 'x' })).toEqual([]);
    expect(keys({ text: 'COUNTER  b' })).toEqual(['counter b 0']);
    expect(keys({ text: 'counter z' })).toEqual([]);
  });
});

describe('what is odd about a take', () => {
  const codes = (change: Parameters<typeof aTest>[0]) =>
    takeDoubts(aTest(change), body, card, '2026-06-01').map(({ code }) => code);

  it('is asked, not refused', () => {
    expect(codes({ seconds: 4000 })).toEqual([]);
    expect(codes({ seconds: 0 })).toEqual(['misfit']);
    expect(codes({ seconds: 60 })).toEqual(['misfit']);
    expect(codes({ seconds: 4000, date: '2026-06-02' })).toEqual(['future']);
    expect(codes({ seconds: 4000, clipGB: 125 }), 'full, with half the bytes').toEqual(['half-full']);
    expect(codes({ seconds: 2000, takes: 2, clipGB: 125 })).toEqual([]);
  });
});

describe('the age of evidence', () => {
  it.each([
    ['2026-01-31', '2026-02-28', 0],
    ['2026-01-31', '2026-03-31', 2],
    ['2025-06-15', '2026-06-14', 11],
    ['2025-06-15', '2026-06-15', 12],
    ['2026-06-15', '2026-05-01', -2],
  ])('from %s to %s are %d months', (from, to, months) => {
    expect(monthsBetween(from, to)).toBe(months);
  });

  it('says nothing of takes without a date, and is none of a broken one', () => {
    expect(due([aTest({ date: null })], { body, card }, RETEST, '2030-01-01')).toEqual([]);
    expect(monthsBetween('soon', '2026-01-01')).toBeNull();
  });

  it('one test with the new firmware is enough', () => {
    const tests = [aTest({ firmware: '1' }), aTest({ id: 'u', firmware: '2' })];
    expect(due(tests, { body: { firmware: '2' }, card: {} }, RETEST, '2026-06-01')).toEqual([]);
    expect(due(tests, { body: { firmware: '3' }, card: {} }, RETEST, '2026-06-01')).toEqual([
      { code: 'firmware', was: '1', is: '3' },
    ]);
  });
});
