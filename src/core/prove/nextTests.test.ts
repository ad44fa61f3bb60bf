import { describe, expect, it } from 'vitest';
import type { Clearing, Test } from '../kit/model.ts';
import { DEFAULT_POLICY } from '../match/policy.ts';
import { finish } from '../steps.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import { RETEST } from './age.ts';
import { type NextInput, type NextTest, nextTestSteps } from './nextTests.ts';

const modes = [
  aMode({ id: 'low', rate: { kind: 'stated', Mbps: 200, is: 'constant' } }),
  aMode({ id: 'mid', rate: { kind: 'stated', Mbps: 400, is: 'constant' } }),
  aMode({ id: 'top', rate: { kind: 'stated', Mbps: 600, is: 'constant' } }),
  aMode({ id: 'beyond', rate: { kind: 'stated', Mbps: 4000, is: 'constant' } }),
];
const body = aBody({ modes, slots: [aSlot()] });
const plain = aCard({ marks: ['II'], capacityGB: 256, usableGB: 250 });
const input = (tests: readonly Test[], change: Partial<NextInput> = {}): NextInput => ({
  bodies: [body],
  cards: [plain],
  tests,
  clearings: [],
  policy: DEFAULT_POLICY,
  retest: RETEST,
  today: '2026-06-01',
  ...change,
});
const next = (tests: readonly Test[], change: Partial<NextInput> = {}): readonly NextTest[] =>
  finish(nextTestSteps(input(tests, change)));
const codes = (all: readonly NextTest[]) => all.map(({ reason, modeId }) => `${reason.code} ${modeId}`);
/** 250 GB at the rate of a mode. */
const full = (modeId: string, Mbps: number, more: Partial<Test> = {}): Test =>
  aTest({ modeId, seconds: (250_000 * 8) / Mbps, writtenMBps: Mbps / 8, ...more });

describe('the tests worth making next', () => {
  it('begin with the worst mode that the bus can carry: it answers the slower ones too', () => {
    const [first, ...rest] = next([]);
    expect(first).toMatchObject({ reason: { code: 'worst-mode' }, modeId: 'top', cardId: 'c', takes: 3, decides: 3 });
    expect(first?.minutes).toBe(55);
    expect(rest).toEqual([]);
  });

  it('leave out what is guaranteed, cannot meet or is retired, and ask one card of each print', () => {
    expect(next([], { cards: [{ ...plain, marks: ['II', 'V90'] }] })).toEqual([]);
    expect(next([], { cards: [aCard({ form: 'cfexpress-b' })] })).toEqual([]);
    expect(next([], { cards: [{ ...plain, retired: true }] })).toEqual([]);
    expect(next([], { cards: [plain, { ...plain, id: 'd', label: 'C-02' }] })).toHaveLength(1);
    expect(next([], { bodies: [], cards: [] })).toEqual([]);
    const doubted = { ...plain, marks: ['SDHC', 'II', 'V90'] };
    expect(next([], { cards: [doubted] }), 'verify it first').toEqual([]);
  });

  it('repeat what passed once, and go past what is proven for too short', () => {
    const found = next([full('top', 600)]);
    expect(codes(found)).toEqual(['past mid', 'repeat top']);
    expect(found[0]).toMatchObject({ takes: 1, minutes: 83, reason: { provenSeconds: 250_000 / 75 } });
    expect(found[1]).toMatchObject({ takes: 2, reason: { passes: 1, wanted: 3 } });
    const three = ['a', 'b', 'c'].map((id) => full('top', 600, { id }));
    expect(codes(next(three))).toEqual(['past mid']);
  });

  it('make old tests anew: by age, after other firmware, after an incident', () => {
    const three = ['a', 'b', 'c'].map((id) => full('top', 600, { id, firmware: '1.0' }));
    const due = (change: Partial<NextInput>) =>
      next(three, change).flatMap(({ reason }) => (reason.code === 'due' ? [reason.due.code] : []));
    expect(due({})).toEqual([]);
    expect(due({ today: '2027-05-01' })).toEqual(['old']);
    expect(due({ today: '2027-05-01', retest: { ...RETEST, months: 0 } })).toEqual([]);
    expect(due({ bodies: [{ ...body, firmware: '1.1' }] })).toEqual(['firmware']);
    const incidents = [{ date: '2026-05-20', kind: 'warning' as const, text: '' }];
    expect(due({ cards: [{ ...plain, incidents }] })).toEqual(['incident']);
    expect(due({ cards: [{ ...plain, incidents }], retest: { ...RETEST, afterIncident: false } })).toEqual([]);
  });

  it('put open questions first: a contradiction, a cause, a result that looks impossible, a void burst', () => {
    const drop = aTest({ id: 'd', modeId: 'top', end: 'dropped', seconds: 600, writtenMBps: 75, date: '2026-05-02' });
    const [contradiction] = next([full('top', 600), drop]);
    expect(contradiction).toMatchObject({ reason: { code: 'contradiction' }, modeId: 'top', minutes: 15, takes: 3 });
    expect(next([drop])[0]).toMatchObject({ reason: { code: 'cause' }, takes: 1 });
    const odd = full('low', 200, { seconds: 4000 });
    expect(next([odd])[0]).toMatchObject({ reason: { code: 'puzzle', testId: 't' }, modeId: 'low', minutes: 67 });
    const burst: Clearing = {
      id: 'r',
      bodyId: 'b',
      cardId: 'c',
      slotId: null,
      date: null,
      fileMB: 50,
      framesUntilSlow: null,
      frames: 60,
      burstFps: 10,
      shutterSeconds: 0.5,
      clearSeconds: 4,
    };
    expect(next([], { clearings: [burst] })[0]?.reason).toEqual({ code: 'void-burst', clearingId: 'r' });
    const good = { ...burst, id: 'g', shutterSeconds: 0.001, framesUntilSlow: 30 };
    expect(codes(next([], { clearings: [burst, good] }))).toEqual(['worst-mode top']);
  });

  it('once two rates dropped at the same bytes, the cause is told and asked no more', () => {
    const at = (id: string, modeId: string, MBps: number) =>
      aTest({ id, modeId, end: 'dropped', seconds: 20_000 / MBps, writtenMBps: MBps });
    expect(codes(next([at('a', 'top', 75), at('b', 'mid', 50)]))).not.toContain('cause top');
  });
});
