import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Card, Report, Test } from '../../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../../testing.ts';
import { type BoardKit, board, cellFor, createBoardKeeper } from '../board.ts';
import { cellTone } from '../cell.ts';
import { DEFAULT_POLICY } from '../policy.ts';
import { rankOf } from '../verdict.ts';
import { printed } from './twinTests.ts';

const mode = aMode({ rate: { kind: 'stated', Mbps: 500, is: 'constant' } });
const body = aBody({ modes: [mode] });
const plain = aCard({ marks: ['II'], readMBps: 270, writeMBps: 150, usableGB: 250 });
const twin = { ...plain, id: 'd', label: 'C-02', usableGB: null };
const pass = (change: Partial<Test> = {}) => aTest({ cardId: 'd', seconds: 4050, ...change });
const drop = (change: Partial<Test> = {}) => aTest({ id: 'x', cardId: 'd', end: 'dropped', seconds: 30, ...change });
const kit = (tests: readonly Test[], change: Partial<BoardKit> = {}): BoardKit => ({
  bodies: [body],
  cards: [plain, twin],
  tests,
  ...change,
});
const told = (all: BoardKit, rule: 'twin-tests' | 'reported', at = 0) =>
  board(all, DEFAULT_POLICY)
    .columnAt(at)[0]
    ?.findings.find((one) => one.rule === rule);
const cell = (all: BoardKit, at = 0) => board(all, DEFAULT_POLICY).columnAt(at)[0];

describe('tests of cards of the same print', () => {
  it('are likely for one another, and prove nothing', () => {
    expect(told(kit([pass()]), 'twin-tests')).toEqual({
      rule: 'twin-tests',
      outcome: 'note',
      passes: 1,
      cards: ['C-02'],
      dropSeconds: null,
      testIds: ['t'],
    });
    expect(cell(kit([pass()]))?.verdict).toBe('uncovered');
    expect(cell(kit([pass()]), 1)?.verdict).toBe('proven');
    expect(told(kit([pass()]), 'twin-tests', 1), 'a card is not its own twin').toBeUndefined();
  });

  it('a drop among them speaks louder, and makes no verdict worse', () => {
    const third = { ...plain, id: 'e', label: 'C-03' };
    const all = kit([pass(), drop({ cardId: 'e' })], { cards: [plain, twin, third] });
    expect(told(all, 'twin-tests')).toMatchObject({ outcome: 'short', cards: ['C-03'], dropSeconds: 30 });
    expect(cell(all)?.verdict).toBe('uncovered');
  });

  it('need a print: cards with nothing on them but a size have nothing in common', () => {
    expect(printed({ ...plain, readMBps: null, writeMBps: null })).toBeNull();
    expect(printed({ ...plain, marks: ['II', 'V60'], readMBps: null, writeMBps: null })).not.toBeNull();
    const bare = [plain, twin].map((card) => ({ ...card, readMBps: null, writeMBps: null }));
    expect(told(kit([pass()], { cards: bare }), 'twin-tests')).toBeUndefined();
    expect(told(kit([pass()], { cards: [plain, { ...twin, writeMBps: 160 }] }), 'twin-tests')).toBeUndefined();
    expect(told(kit([pass()], { cards: [plain, { ...twin, retired: true }] }), 'twin-tests')).toBeUndefined();
  });

  it('are told apart by print, even where two prints fit a slot alike', () => {
    const faster = { ...plain, id: 'e', label: 'C-03', writeMBps: 200 };
    const like = { ...faster, id: 'f', label: 'C-04' };
    const cards = [plain, twin, faster, like];
    const all = kit([pass(), drop({ cardId: 'f' })], { cards });
    // All columns of one board: what is remembered for one print must not be told to the other.
    const [first, , third] = board(all, DEFAULT_POLICY).columns.map(([one]) =>
      one?.findings.find(({ rule }) => rule === 'twin-tests'),
    );
    expect(first).toMatchObject({ outcome: 'note', cards: ['C-02'] });
    expect(third).toMatchObject({ outcome: 'short', cards: ['C-04'] });
  });

  it('one cell asked for by itself says what the board says', () => {
    const all = kit([pass()]);
    const { bodies: _, ...rest } = all;
    expect(cellFor({ body, mode, card: plain, ...rest, policy: DEFAULT_POLICY })).toEqual(cell(all));
  });

  it('a board that is kept follows a change of the tested card', () => {
    const keep = createBoardKeeper();
    const before = kit([pass()]);
    keep(before, DEFAULT_POLICY).columnAt(0);
    const after = { ...before, cards: [plain, { ...twin, label: 'Renamed' }] };
    const kept = keep(after, DEFAULT_POLICY).columnAt(0)[0];
    expect(kept).toEqual(cell(after));
    expect(JSON.stringify(kept)).toContain('Renamed');
  });
});

describe('what colleagues report', () => {
  const report = (change: Partial<Report> = {}): Report => ({
    id: 'o',
    from: 'Crew of the Osprey',
    received: '2026-05-01',
    date: null,
    bodyId: 'b',
    modeId: 'm',
    print: { form: 'sd', capacityGB: 256, marks: ['II'], bus: null, readMBps: 270, writeMBps: 150 },
    end: 'full',
    seconds: 4000,
    writtenMBps: 62.5,
    ...change,
  });
  const tones = (all: BoardKit) => {
    const found = cell(all);
    return found && [found.verdict, cellTone(found, 'once'), cellTone(found, 'repeatable')];
  };

  it('is told with who, and moves neither verdict nor colour', () => {
    const all = kit([], { reports: [report(), report({ id: 'p', from: null })] });
    expect(told(all, 'reported')).toMatchObject({
      passes: 2,
      drops: 0,
      from: ['Crew of the Osprey'],
      contradicts: false,
    });
    expect(tones(all)).toEqual(tones(kit([])));
  });

  it('of another print or body, or of a slower take, says nothing here', () => {
    const other = { ...report().print, capacityGB: 512 };
    for (const change of [{ print: other }, { bodyId: 'x' }, { writtenMBps: 50 }, { end: 'stopped' as const }])
      expect(told(kit([], { reports: [report(change)] }), 'reported'), JSON.stringify(change)).toBeUndefined();
  });

  it('shows where it contradicts own tests, which stand', () => {
    const own = pass({ cardId: 'c' });
    const all = kit([own], { reports: [report({ end: 'dropped', seconds: 60 })] });
    expect(told(all, 'reported')).toMatchObject({ outcome: 'unknown', drops: 1, contradicts: true });
    expect(cell(all)?.verdict).toBe('proven');
    const failed = kit([drop({ cardId: 'c' })], { reports: [report()] });
    expect(told(failed, 'reported')).toMatchObject({ contradicts: true });
    expect(cell(failed)?.verdict).toBe('drops');
  });
});

describe('evidence, whatever was logged', () => {
  const cards: readonly Card[] = [plain, twin];
  const any = fc.record({
    cardId: fc.constantFrom('c', 'd'),
    end: fc.constantFrom('full', 'dropped', 'stopped', 'cut-off'),
    seconds: fc.constantFrom(30, 2000, 4000, 4050, 240_000),
    day: fc.integer({ min: 10, max: 27 }),
  });
  const log = fc
    .uniqueArray(any, { maxLength: 8, selector: ({ day }) => day })
    .map((all) => all.map(({ day, ...one }, at) => aTest({ ...one, id: `t${at}`, date: `2026-05-${day}` })));
  const rank = (tests: readonly Test[]) => rankOf(cell(kit(tests, { cards }))?.verdict ?? 'unfit');

  it('a pass never worsens and a drop never improves a verdict, and the order of entry does not matter', () => {
    fc.assert(
      fc.property(log, (tests) => {
        const now = rank(tests);
        expect(rank([...tests, pass({ id: 'p', cardId: 'c', date: '2026-05-28' })])).toBeLessThanOrEqual(now);
        expect(rank([...tests, drop({ cardId: 'c', date: '2026-05-28' })])).toBeGreaterThanOrEqual(now);
        expect(cell(kit([...tests].reverse()))?.verdict).toBe(cell(kit(tests))?.verdict);
      }),
      { seed: 8, numRuns: 400 },
    );
  });

  it('a board remembers nothing that one cell asked for by itself would not say', () => {
    const prints = fc.record({
      writeMBps: fc.constantFrom(null, 150, 200),
      readMBps: fc.constantFrom(null, 270),
      usableGB: fc.constantFrom(null, 250),
      marks: fc.constantFrom<string[]>(['II'], ['II', 'V30'], []),
    });
    const slots = [aSlot(), aSlot({ id: 'same' }), aSlot({ id: 'slow', accepts: [{ form: 'sd', bus: 'uhs-i' }] })];
    const low = aMode({ id: 'low', rate: { kind: 'stated', Mbps: 200, is: 'constant' } });
    const bodies = ['b', 'x'].map((id) => aBody({ id, slots, modes: [mode, low] }));
    const take = fc.record({
      bodyId: fc.constantFrom('b', 'x'),
      cardId: fc.constantFrom('c0', 'c1', 'c2', 'c3'),
      modeId: fc.constantFrom('m', 'low'),
      slotId: fc.constantFrom(null, 's', 'same', 'slow', 'gone'),
      end: fc.constantFrom('full', 'dropped', 'stopped', 'cut-off'),
      seconds: fc.constantFrom(30, 4050, 10_000),
    });
    const kits = fc.tuple(
      fc.array(prints, { minLength: 4, maxLength: 4 }),
      fc.array(take, { maxLength: 8 }),
      fc.array(prints, { maxLength: 2 }),
    );
    fc.assert(
      fc.property(kits, ([cardsOf, takes, given]) => {
        const wallet = cardsOf.map((one, at) => aCard({ ...one, id: `c${at}`, label: `C-${at}` }));
        const tests = takes.map((one, at) => aTest({ ...one, id: `t${at}`, date: `2026-05-${10 + at}` }));
        const reports = given.map(
          ({ usableGB: _, ...print }, at): Report => ({
            id: `r${at}`,
            from: null,
            received: '2026-05-01',
            date: null,
            bodyId: 'b',
            modeId: 'm',
            print: { form: 'sd', capacityGB: 256, bus: null, ...print },
            end: 'full',
            seconds: 4000,
            writtenMBps: 70,
          }),
        );
        const all = { bodies, cards: wallet, tests, reports };
        const { columns, rows } = board(all, DEFAULT_POLICY);
        for (const [at, card] of wallet.entries())
          for (const [row, one] of rows.entries())
            expect(columns[at]?.[row]).toEqual(
              cellFor({ ...one, card, cards: wallet, tests, reports, policy: DEFAULT_POLICY }),
            );
      }),
      { seed: 17, numRuns: 150 },
    );
  });

  it('tests and reports of others move no verdict at all', () => {
    fc.assert(
      fc.property(log, (tests) => {
        const ofOthers = tests.map((test) => ({ ...test, cardId: 'd' }));
        expect(rank(ofOthers)).toBe(rank([]));
      }),
      { seed: 9, numRuns: 200 },
    );
  });
});
