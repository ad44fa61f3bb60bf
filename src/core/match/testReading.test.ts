import { describe, expect, it } from 'vitest';
import type { Mode, Test } from '../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import { board, cellFor } from './board.ts';
import { knownMinutes } from './knownMinutes.ts';
import { DEFAULT_POLICY } from './policy.ts';
import { readTest } from './testReading.ts';

const stated = (id: string, Mbps: number, more: Partial<Mode> = {}) =>
  aMode({ id, rate: { kind: 'stated', Mbps, is: 'maximum' }, ...more });
const slow = stated('slow', 200);
const mid = stated('m', 400);
const fast = stated('fast', 600);
const body = aBody({ modes: [slow, mid, fast], slots: [aSlot(), aSlot({ id: 's2' })] });
/** Nothing printed: only tests can say anything. 252.7 GB usable. */
const card = aCard({ marks: ['II'] });
/** Seconds in which 50 MB/s fill it. */
const FULL = 5053;

const aFill = (change: Partial<Test> = {}): Test => aTest({ seconds: FULL, writtenMBps: 50, ...change });

const cellOf = (modeId: string, tests: readonly Test[]) => {
  const made = board({ bodies: [body], cards: [card], tests }, DEFAULT_POLICY);
  const at = made.rows.findIndex(({ mode }) => mode.id === modeId);
  const cell = made.columns[0]?.[at];
  if (!cell) throw new Error('no cell');
  return cell;
};

describe('what the numbers of a test prove', () => {
  it('a full take proves the rate it implies and 3 % more, at most the mode’s own', () => {
    expect(readTest(aFill(), body, card)).toMatchObject({ proves: 50_000_000, provesMode: true, misfit: null });
    expect(readTest(aFill({ seconds: 4700 }), body, card).proves, 'the mode writes no more').toBe(50_000_000);
    // 252.672 GB ÷ 5200 s = 48.59 MB/s; 3 % more is enough.
    expect(readTest(aFill({ seconds: 5200 }), body, card).provesMode).toBe(true);
    // 47.6 MB/s and 3 %: 49.0.
    const less = readTest(aFill({ seconds: 5310 }), body, card);
    expect(less.provesMode).toBe(false);
    expect((less.proves ?? 0) / 1e6).toBeCloseTo((252.672e3 / 5310) * 1.03, 3);
  });

  it('a clip’s own bytes come before the room of the card', () => {
    const reading = readTest(aFill({ clipGB: 200, seconds: 4000 }), body, card);
    expect(reading).toMatchObject({ implied: 50_000_000, proves: 50_000_000 });
    expect(readTest(aFill({ end: 'dropped', clipGB: 2, seconds: 40 }), body, card)).toMatchObject({
      implied: 50_000_000,
      proves: null,
    });
  });

  it('takes in a row fill it together', () => {
    expect(readTest(aFill({ seconds: FULL / 4, takes: 4 }), body, card).provesMode).toBe(true);
  });

  it('an average rate is proven as it varies: its average is what fills the card', () => {
    const varying = { ...body, modes: [stated('m', 400, { rate: { kind: 'stated', Mbps: 400, is: 'average' } })] };
    const reading = readTest(aFill(), varying, card);
    // Of another mode no more than the least that a varying rate goes above its average: 50.004 × 1.03 × 1.2.
    expect(reading.provesMode).toBe(true);
    expect((reading.proves ?? 0) / 1e6).toBeCloseTo(61.805, 2);
  });

  it('a calm fill of a mode with a maximum in writing proves the mode, and no other that writes up to that maximum', () => {
    // 50 MB/s measured on average, 1000 Mb/s stated at the most: another mode of 800 Mb/s is not proven by it.
    const calm = stated('m', 400, {
      rate: { kind: 'stated', Mbps: 400, is: 'average', source: 'measured', at: 'captured' },
      otherRates: [{ kind: 'stated', Mbps: 1000, is: 'maximum', source: 'maker' }],
    });
    const varying = { ...body, modes: [calm, stated('busy', 800)] };
    const reading = readTest(aFill(), varying, card);
    expect(reading.provesMode).toBe(true);
    expect(reading.proves).toBeLessThan(63_000_000);
    const asked = { body: varying, card, cards: [card], tests: [aFill()], policy: DEFAULT_POLICY };
    const verdictOf = (id: string) => {
      const mode = varying.modes.find((one) => one.id === id);
      return mode && cellFor({ ...asked, mode }).verdict;
    };
    expect([verdictOf('m'), verdictOf('busy')]).toEqual(['proven', 'uncovered']);
  });

  it('a split card is written its share', () => {
    const split = { ...body, arrangement: 'split' as const };
    expect(readTest(aFill({ seconds: FULL * 2 }), split, card)).toMatchObject({ proves: 25_000_000, misfit: null });
  });

  it('by the rate noted with it where its mode is gone; by its own numbers where nothing is noted', () => {
    const gone = aFill({ modeId: 'gone', writtenMBps: 50 });
    expect(readTest(gone, body, card).proves).toBe(50_000_000);
    const bare = readTest({ ...gone, writtenMBps: null, modeId: null }, body, card);
    expect(bare.proves).toBe(Math.floor(252_672_000_000 / FULL));
  });

  it.each([
    ['a fill of 256 GB in 10 s', { seconds: 10 }, 'not-empty'],
    ['a fill at a third of the rate', { seconds: FULL * 3 }, 'other-rate'],
    ['hours for minutes', { seconds: FULL * 60 }, 'clock'],
    ['minutes for hours', { seconds: FULL / 60 }, 'clock'],
    ['eight times off', { seconds: FULL * 8 }, 'bits-or-bytes'],
    ['half the rate, two slots', { seconds: FULL * 2 }, 'split'],
    ['no time at all', { seconds: 0 }, 'no-time'],
    ['a clip far too large', { clipGB: 200, seconds: 900 }, 'not-empty'],
  ] as const)('%s cannot be true and proves nothing', (_, change, code) => {
    const reading = readTest(aFill(change), body, card);
    expect(reading).toMatchObject({ misfit: { code }, proves: null, provesMode: false });
    const cell = cellOf('m', [aFill(change)]);
    expect(cell.verdict).toBe('uncovered');
    expect(cell.findings.find(({ rule }) => rule === 'own-tests')).toMatchObject({ setAside: 1, passes: 0 });
  });

  it('a take stopped by hand after the card would have been full is asked about, and holds nothing', () => {
    const stopped = (seconds: number) => aFill({ end: 'stopped', seconds });
    expect(readTest(stopped(FULL * 1.6), body, card)).toMatchObject({ misfit: { code: 'outlasts' } });
    expect(cellOf('m', [stopped(FULL * 1.6)]).verdict).toBe('uncovered');
    // A rate that stands in writing may be a half more than was written.
    expect(readTest(stopped(FULL * 1.4), body, card).misfit).toBeNull();
    expect(cellOf('m', [stopped(FULL * 0.5)]).verdict).toBe('held');
  });

  it('tells its reasons apart', () => {
    const code = (change: Partial<Test>) => readTest(aFill(change), body, card).misfit;
    expect(code({ seconds: FULL / 60 })).toEqual({ code: 'clock', too: 'short' });
    expect(code({ seconds: FULL * 60 })).toEqual({ code: 'clock', too: 'long' });
    expect(code({ seconds: FULL / 3600 })).toEqual({ code: 'clock', too: 'short' });
    expect(code({ seconds: FULL * 3600 })).toEqual({ code: 'clock', too: 'long' });
    expect(code({ seconds: FULL / 8 })).toEqual({ code: 'bits-or-bytes' });
    expect(code({ seconds: FULL * 2 })).toEqual({ code: 'split', cards: 2 });
    expect(code({ seconds: FULL * 3 }), 'this body has two slots').toEqual({ code: 'other-rate' });
    expect(code({ seconds: FULL / 2 })).toEqual({ code: 'not-empty' });
    expect(code({ end: 'dropped', clipGB: 100, seconds: 60 }), 'a clip of any end is weighed').toEqual({
      code: 'not-empty',
    });
  });

  it('says nothing where nothing is told: no clip and no full card, or no rate at all', () => {
    const told = { misfit: null, proves: null, provesMode: false };
    expect(readTest(aFill({ end: 'dropped' }), body, card)).toEqual({
      implied: null,
      average: 50_000_000,
      least: 50_000_000,
      ratio: null,
      ...told,
    });
    expect(readTest(aFill({ end: 'stopped', seconds: 10 }), body, card).misfit, 'no bytes, no doubt').toBeNull();
    const bare = aFill({ modeId: null, writtenMBps: null, seconds: 10 });
    expect(readTest(bare, body, card), 'no rate to weigh it by').toMatchObject({
      average: null,
      ratio: null,
      misfit: null,
    });
    expect(readTest(aFill({ seconds: -1 }), body, card)).toMatchObject({ implied: null, misfit: { code: 'no-time' } });
  });

  it('names another ratio of a raw mode, and slow motion read at the wrong speed', () => {
    const raw = aMode({
      id: 'm',
      width: 4096,
      height: 2160,
      fps: 25,
      rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 },
    });
    const written = (4096 * 2160 * 12 * 25) / 8 / 5;
    const at5 = aFill({ seconds: 252_672_000_000 / written, writtenMBps: null });
    expect(readTest(at5, { ...body, modes: [raw] }, card).misfit).toEqual({ code: 'ratio', ratio: 5 });
    const slowed = stated('m', 400, { fps: 25, captureFps: 100 });
    expect(readTest(aFill({ seconds: FULL }), { ...body, modes: [slowed], slots: [aSlot()] }, card).misfit).toEqual({
      code: 'capture-speed',
    });
  });

  it('between the extremes it stands for what it wrote', () => {
    const least = readTest(aFill({ seconds: FULL * 1.49 }), body, card);
    expect(least.misfit).toBeNull();
    expect(readTest(aFill({ seconds: FULL * 1.52 }), body, card).misfit).not.toBeNull();
    expect(readTest(aFill({ seconds: FULL / 1.24 }), body, card).misfit).toBeNull();
    expect(readTest(aFill({ seconds: FULL / 1.26 }), body, card).misfit).not.toBeNull();
  });
});

describe('what tests say of a mode', () => {
  it('a full take of its own proves the whole card', () => {
    expect(cellOf('m', [aFill()])).toMatchObject({ verdict: 'proven', provenSeconds: null });
  });

  it('one of a faster mode proves it for as long as it lasted', () => {
    const quick = aFill({ modeId: 'fast', seconds: 3370, writtenMBps: 75 });
    expect(cellOf('m', [quick])).toMatchObject({ verdict: 'proven', provenSeconds: 3370, planned: 84 });
    expect(cellOf('fast', [quick])).toMatchObject({ verdict: 'proven', provenSeconds: null });
    const longer = { ...quick, id: 't2', seconds: 3450 };
    expect(cellOf('m', [quick, longer]).provenSeconds, 'the longest of them').toBe(3450);
    expect(cellOf('m', [quick, aFill({ id: 't3' })]).provenSeconds, 'its own take says all').toBeNull();
  });

  it('one of a slower mode proves nothing of it', () => {
    expect(cellOf('fast', [aFill()]).verdict).toBe('uncovered');
    expect(cellOf('fast', [aFill()]).findings.find(({ rule }) => rule === 'own-tests')).toMatchObject({
      provenUpTo: 50_000_000,
    });
  });

  it('a take that wrote less than its mode proves only what it wrote', () => {
    const idle = aFill({ seconds: 6500 });
    expect(cellOf('m', [idle])).toMatchObject({ verdict: 'held', heldSeconds: 6500, provenSeconds: null });
    expect(cellOf('slow', [idle])).toMatchObject({ verdict: 'proven', provenSeconds: 6500 });
  });

  const dropped = (change: Partial<Test> = {}) =>
    aFill({ id: 'd', end: 'dropped', seconds: 600, date: '2026-05-02', ...change });

  it('a drop stands until a later full take of this very mode', () => {
    const earlier = aFill({ date: '2026-05-01' });
    expect(cellOf('m', [earlier, dropped()])).toMatchObject({ verdict: 'drops', dropSeconds: 600 });
    const faster = aFill({ id: 'f', modeId: 'fast', seconds: 3370, writtenMBps: 75, date: '2026-05-03' });
    expect(cellOf('m', [dropped(), faster]).verdict, 'a faster mode does not clear it').toBe('drops');
    const idle = aFill({ id: 'i', seconds: 6500, date: '2026-05-03' });
    expect(cellOf('m', [dropped(), idle]).verdict, 'nor one that wrote less').toBe('drops');
    expect(cellOf('m', [dropped(), aFill({ date: '2026-05-03' })])).toMatchObject({ verdict: 'proven' });
  });

  it('passes count since the last drop', () => {
    const tests = [aFill({ date: '2026-05-01' }), dropped(), aFill({ id: 'b', date: '2026-05-03' })];
    expect(cellOf('m', tests).findings.find(({ rule }) => rule === 'own-tests')).toMatchObject({
      passes: 1,
      contradicts: true,
    });
  });

  it('a drop speaks against faster modes too, not against slower ones', () => {
    expect(cellOf('fast', [dropped()]).verdict).toBe('drops');
    expect(cellOf('slow', [dropped()]).verdict).toBe('uncovered');
    const cleared = [dropped(), aFill({ id: 'c', date: '2026-05-04' })];
    expect(cellOf('fast', cleared).verdict, 'cleared in its own mode, nothing is left of it').toBe('uncovered');
  });

  it('the newest standing drop is the one that is told', () => {
    const tests = [
      dropped(),
      dropped({ id: 'e', seconds: 300, date: '2026-05-09' }),
      dropped({ id: 'f', seconds: 900 }),
    ];
    expect(cellOf('m', tests).dropSeconds).toBe(300);
  });

  it('without dates the order of the log decides; where only one has a date nobody knows, and a drop stands', () => {
    const undated = dropped({ date: null });
    expect(cellOf('m', [undated, aFill({ date: null })]).verdict).toBe('proven');
    expect(cellOf('m', [aFill({ date: null }), undated]).verdict).toBe('drops');
    expect(cellOf('m', [aFill({ date: '2026-05-09' }), undated]).verdict).toBe('drops');
    expect(cellOf('m', [undated, aFill({ date: '2026-05-09' })]).verdict).toBe('drops');
    expect(cellOf('m', [dropped(), aFill({ date: null })]).verdict).toBe('drops');
    expect(cellOf('m', [dropped(), aFill({ date: '2026-05-02' })]).verdict, 'equal dates keep their order').toBe(
      'proven',
    );
    expect(cellOf('m', [aFill({ date: '2026-05-02' }), dropped()]).verdict).toBe('drops');
  });

  it('a take that was stopped by hand is known for as long as it lasted', () => {
    expect(cellOf('m', [aFill({ end: 'stopped', seconds: 600 })])).toMatchObject({
      verdict: 'held',
      heldSeconds: 600,
      provenSeconds: null,
    });
  });

  it('cut-off takes, and those of others, say nothing', () => {
    for (const change of [{ end: 'cut-off' }, { bodyId: 'other' }, { cardId: 'other' }] as const)
      expect(cellOf('m', [aFill(change)]).verdict, JSON.stringify(change)).toBe('uncovered');
  });

  it('the real fill is the newest whose numbers can be true', () => {
    const tests = [aFill({ date: '2026-05-01' }), aFill({ id: 'x', seconds: 10, date: '2026-05-09' })];
    const kit = { bodies: [body], cards: [card], tests };
    expect(knownMinutes(cellOf('m', tests), kit).measured).toBeCloseTo(FULL / 60, 9);
    expect(knownMinutes(cellOf('m', []), { ...kit, tests: [] }).measured).toBeNull();
  });
});
