import { describe, expect, it } from 'vitest';
import type { Test } from '../../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../../testing.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { ownTestsRule } from './ownTests.ts';

/** 252.672 GB at 50 MB/s. */
const FULL = 5053;
const fast = aSlot({ id: 'fast', accepts: [{ form: 'sd', bus: 'uhs-ii' }] });
const twin = aSlot({ id: 'twin', accepts: [{ form: 'sd', bus: 'uhs-ii' }] });
const slow = aSlot({ id: 'slow', accepts: [{ form: 'sd', bus: 'uhs-i' }] });
const other = aSlot({ id: 'other', accepts: [{ form: 'xqd', bus: 'xqd-2' }], family: null });
const stated = (id: string, Mbps: number) => aMode({ id, rate: { kind: 'stated', Mbps, is: 'maximum' } });
const body = aBody({
  slots: [fast, twin, slow, other],
  modes: [stated('m', 400), stated('fast', 600), stated('same', 400)],
});
const card = aCard({ marks: ['II'] });
const fill = (change: Partial<Test> = {}): Test => aTest({ slotId: 'fast', seconds: FULL, writtenMBps: 50, ...change });
const ask = (tests: readonly Test[], slot = fast, modeId = 'm') =>
  ownTestsRule(tests, { body, mode: { id: modeId }, card, slot, need: 50_000_000 as BytesPerSecond });

const NOTHING = {
  rule: 'own-tests',
  outcome: 'unknown',
  passes: 0,
  untilSeconds: null,
  dropSeconds: null,
  contradicts: false,
  setAside: 0,
  provenUpTo: null,
  testIds: [],
  held: null,
  filled: null,
};

describe('what own tests say, to the letter', () => {
  it('nothing without a telling test', () => {
    expect(ask([])).toEqual(NOTHING);
    expect(ask([fill({ bodyId: 'x' }), fill({ cardId: 'x' })])).toEqual(NOTHING);
    expect(ask([fill({ end: 'cut-off' })])).toEqual(NOTHING);
  });

  it('a pass, and the rate it proves', () => {
    expect(ask([fill()])).toEqual({ ...NOTHING, outcome: 'pass', passes: 1, provenUpTo: 50_000_000, testIds: ['t'] });
    expect(ask([fill(), fill({ id: 'b' })]).passes).toBe(2);
  });

  it('what falls short, and what is set aside', () => {
    expect(ask([fill({ seconds: 6000 })])).toMatchObject({ outcome: 'note', setAside: 0, held: { seconds: 6000 } });
    expect(ask([fill({ seconds: 6000 })]).provenUpTo).toBeGreaterThan(43_000_000);
    expect(ask([fill({ seconds: FULL / 60 })])).toEqual({ ...NOTHING, setAside: 1 });
    expect(ask([fill({ seconds: 10 }), fill({ id: 'b' })])).toMatchObject({ outcome: 'pass', passes: 1, setAside: 1 });
  });

  it('a drop, its seconds, and what speaks against it', () => {
    const drop = fill({ end: 'dropped', seconds: 30 });
    expect(ask([drop])).toEqual({ ...NOTHING, outcome: 'short', dropSeconds: 30, testIds: ['t'] });
    expect(ask([fill(), drop])).toEqual({
      ...NOTHING,
      outcome: 'short',
      dropSeconds: 30,
      contradicts: true,
      provenUpTo: 50_000_000,
      testIds: ['t'],
    });
    expect(ask([drop, fill({ id: 'b' })])).toEqual({
      ...NOTHING,
      outcome: 'pass',
      passes: 1,
      contradicts: true,
      provenUpTo: 50_000_000,
      testIds: ['b'],
    });
    expect(ask([fill({ end: 'cut-off' }), fill({ id: 'b' })]).contradicts, 'a cut-off is no drop').toBe(false);
  });

  it('for as long as a faster mode, or another as fast, lasted', () => {
    const quick = fill({ modeId: 'fast', seconds: 3369 });
    expect(ask([quick])).toMatchObject({ outcome: 'pass', passes: 1, untilSeconds: 3369, provenUpTo: 75_000_000 });
    expect(ask([fill({ modeId: 'same' })])).toMatchObject({ outcome: 'pass', untilSeconds: FULL });
    expect(ask([quick, fill({ id: 'b' })]), 'its own takes alone are counted').toMatchObject({
      passes: 1,
      untilSeconds: null,
    });
  });

  it('a drop of a mode that writes as much counts; of one that writes more it does not', () => {
    expect(ask([fill({ modeId: 'same', end: 'dropped', seconds: 30 })]).outcome).toBe('short');
    expect(ask([fill({ modeId: 'fast', end: 'dropped', seconds: 30 })]).outcome).toBe('unknown');
    expect(ask([fill({ modeId: null, writtenMBps: 40, end: 'dropped', seconds: 30 })]).outcome).toBe('short');
    expect(ask([fill({ modeId: null, writtenMBps: null, end: 'dropped', seconds: 30 })]).outcome).toBe('unknown');
    expect(ask([fill({ modeId: 'm', writtenMBps: 999, end: 'dropped', seconds: 30 })]).outcome).toBe('short');
  });

  it('a drop is over only by a pass that is known to be later: by their days, within one day or without any by their places in the log', () => {
    const drop = (date: string | null) => fill({ id: 'd', end: 'dropped', seconds: 30, date });
    const pass = (date: string | null) => fill({ id: 'p', date });
    expect(ask([pass('2026-05-02'), drop('2026-05-01')]).outcome).toBe('pass');
    expect(ask([drop('2026-05-02'), pass('2026-05-01')]).outcome).toBe('short');
    expect(ask([drop('2026-05-02'), pass('2026-05-02')]).outcome).toBe('pass');
    expect(ask([pass('2026-05-02'), drop('2026-05-02')]).outcome).toBe('short');
    expect(ask([pass('2026-05-02T14:00'), drop('2026-05-02T09:30')]).outcome).toBe('pass');
    expect(ask([drop('2026-05-02'), pass(null)]).outcome).toBe('short');
    expect(ask([pass(null), drop('2026-05-02')]).outcome).toBe('short');
    expect(ask([drop(null), pass('2026-05-01')]).outcome).toBe('short');
    expect(ask([drop(null), pass(null)]).outcome).toBe('pass');
    expect(ask([pass(null), drop(null)]).outcome).toBe('short');
    // Written as a kit of version 8 cannot have them: no order is made of it.
    expect(ask([drop('10.05.2027'), pass('24.06.2026')]).outcome).toBe('short');
  });

  it('of drops whose order nobody knows, the one that came sooner is told', () => {
    const drop = (seconds: number, date: string | null) => fill({ id: String(seconds), end: 'dropped', seconds, date });
    expect(ask([drop(300, null), drop(40, '2026-05-02'), drop(90, null)]).dropSeconds).toBe(40);
    expect(ask([drop(40, '2026-05-02'), drop(300, '2026-05-03')]).dropSeconds).toBe(300);
  });
});

describe('what takes held that fill no card', () => {
  const stop = (seconds: number, change: Partial<Test> = {}) => fill({ end: 'stopped', seconds, ...change });

  it('is known for as long as the longest lasted, with their days', () => {
    const tests = [stop(600), stop(480, { id: 'b', date: '2026-05-30T10:00' }), stop(600, { id: 'c', date: null })];
    expect(ask(tests)).toEqual({
      ...NOTHING,
      outcome: 'note',
      testIds: ['t', 'b', 'c'],
      held: {
        seconds: 600,
        least: 480,
        takes: 3,
        from: '2026-05-01',
        to: '2026-05-30T10:00',
      },
    });
    expect(ask([stop(600, { date: null })]).held).toMatchObject({ from: null, to: null, takes: 1 });
  });

  it('never outweighs a full take, a drop of this mode, nor one of a slower mode', () => {
    expect(ask([stop(600), fill({ id: 'f' })])).toMatchObject({ outcome: 'pass', held: null });
    const drop = fill({ id: 'd', end: 'dropped', seconds: 300, date: '2026-05-01' });
    expect(ask([drop, stop(600, { date: '2026-05-02' })])).toMatchObject({ outcome: 'short', held: null });
    const slower = { ...drop, modeId: null, writtenMBps: 40 };
    expect(ask([slower, stop(600, { date: '2026-05-02' })])).toMatchObject({ outcome: 'short', held: null });
  });

  it('counts in another mode only where its own bytes say that it wrote as much', () => {
    expect(ask([stop(600, { modeId: 'fast' })])).toEqual(NOTHING);
    expect(ask([stop(600, { modeId: 'fast', clipGB: 45 })])).toMatchObject({ outcome: 'note', held: { seconds: 600 } });
    // 20 GB in ten minutes are 33 MB/s: no take of that mode.
    expect(ask([stop(600, { modeId: 'fast', clipGB: 20 })])).toEqual({ ...NOTHING, setAside: 1 });
    expect(ask([stop(600, { modeId: 'same', clipGB: 29 })]), 'less than is needed').toEqual(NOTHING);
  });

  it('in another mode is less than is known where no bytes tell, and tells to the very rate', () => {
    // 30 GB in 600 s are 50 MB/s, what is asked about; the mode itself is said to write no more.
    expect(ask([stop(600, { modeId: 'same', clipGB: 30 })])).toMatchObject({ held: { seconds: 600 } });
    expect(ask([stop(600, { modeId: 'same', clipGB: 29.9 })]).held).toBeNull();
    expect(ask([stop(600, { modeId: 'same', clipGB: 300 })]), 'ten times as much is a slip').toMatchObject({
      held: null,
      setAside: 1,
    });
  });

  it('has the newest of three days as its last, and the longer of two fills', () => {
    const days = ['2026-05-02', '2026-05-01', '2026-05-09'].map((date, at) => stop(600, { id: `${at}`, date }));
    expect(ask(days).held).toMatchObject({ from: '2026-05-01', to: '2026-05-09', takes: 3 });
    const fills = [FULL * 1.4, FULL * 1.6, FULL * 1.5].map((seconds, at) => fill({ id: `${at}`, seconds }));
    expect(ask(fills).filled).toMatchObject({ testId: '1', seconds: FULL * 1.6 });
    expect(ask(fills.toReversed()).filled).toMatchObject({ testId: '1' });
  });

  it('speaks for its own seat and those of the same bus', () => {
    expect(ask([stop(600)], twin).outcome).toBe('note');
    expect(ask([stop(600)], slow).outcome).toBe('unknown');
    expect(ask([stop(600, { slotId: null })], slow).outcome).toBe('unknown');
  });

  it('of a card filled in this very mode is no drop because another mode dropped', () => {
    // Said to write less, it dropped; this one filled the card: the rates are what is wrong.
    const other = fill({ id: 'd', modeId: null, writtenMBps: 45, end: 'dropped', seconds: 90, date: '2026-05-02' });
    const filled = fill({ date: '2026-05-01' });
    expect(ask([filled, other])).toMatchObject({
      outcome: 'note',
      contradicts: true,
      dropSeconds: null,
      held: { seconds: FULL, takes: 1 },
      filled: { seconds: FULL, misfit: null },
    });
    // A drop of the mode itself stands, whatever filled it before.
    const own = fill({ id: 'o', end: 'dropped', seconds: 44, date: '2026-05-03' });
    expect(ask([filled, other, own])).toMatchObject({ outcome: 'short', dropSeconds: 44, held: null });
    // And a take that was stopped is no filled card.
    expect(ask([stop(600, { date: '2026-05-03' }), other]).outcome).toBe('short');
  });

  it('of a fill whose numbers are none of this rate is told, and held where they are those of another compression', () => {
    const raw = aMode({
      id: 'raw',
      width: 8192,
      height: 4320,
      fps: 25,
      rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 },
    });
    const inRaw = (tests: readonly Test[]) =>
      ownTestsRule(tests, {
        body: aBody({ ...body, modes: [...body.modes, raw] }),
        mode: { id: 'raw' },
        card,
        slot: fast,
        need: 450_000_000 as BytesPerSecond,
      });
    // 252.7 GB at 8192 × 4320 × 12 bit ÷ 5 × 25 = 265 MB/s and what stands beside it.
    const seconds = Math.round(252_672_000_000 / 266_000_000);
    const other = fill({ id: 'd', modeId: 'fast', end: 'dropped', seconds: 90, date: '2026-05-02' });
    for (const tests of [[fill({ modeId: 'raw', seconds })], [fill({ modeId: 'raw', seconds }), other]])
      expect(inRaw(tests)).toMatchObject({
        outcome: 'note',
        contradicts: tests.length > 1,
        setAside: 1,
        held: { seconds },
        filled: { seconds, misfit: { code: 'ratio', ratio: 5 } },
      });
    // What is no compression may be a slip in the time: nothing is held, and nothing drops because of another mode.
    for (const change of [{ seconds: FULL * 8 }, { seconds: FULL * 2.5 }, { seconds: 600 }])
      expect(ask([fill(change), { ...other, writtenMBps: 45, modeId: null }])).toMatchObject({
        outcome: 'unknown',
        held: null,
        filled: { seconds: change.seconds },
      });
    for (const seconds of [FULL * 60, FULL * 2])
      expect(ask([fill({ seconds })]), 'another take, or nobody knows how long').toMatchObject({
        filled: null,
        held: null,
      });
  });
});

describe('for which seat a test speaks', () => {
  it('its own, and those of the same bus', () => {
    expect(ask([fill()], twin).outcome).toBe('pass');
    expect(ask([fill()], slow).outcome).toBe('unknown');
    expect(ask([fill({ slotId: 'slow' })], slow).outcome).toBe('pass');
    expect(ask([fill({ slotId: 'slow' })], fast).outcome).toBe('unknown');
    const drop = { end: 'dropped', seconds: 30 } as const;
    expect(ask([fill({ slotId: 'slow', ...drop })], fast).outcome).toBe('unknown');
    expect(ask([fill({ slotId: 'twin', ...drop })], fast).outcome).toBe('short');
    expect(ask([fill({ slotId: 'other', ...drop })], fast).outcome, 'a slot this card cannot have been in').toBe(
      'unknown',
    );
  });

  it('without a slot: a pass for the fastest it enters, a drop for all; a slot that is gone proves nothing', () => {
    const drop = { end: 'dropped', seconds: 30 } as const;
    expect(ask([fill({ slotId: null })], fast).outcome).toBe('pass');
    expect(ask([fill({ slotId: null })], slow).outcome).toBe('unknown');
    expect(ask([fill({ slotId: null, ...drop })], slow).outcome).toBe('short');
    expect(ask([fill({ slotId: 'gone' })], fast).outcome).toBe('unknown');
    expect(ask([fill({ slotId: 'gone', ...drop })], slow).outcome).toBe('short');
    expect(ask([fill({ slotId: null, ...drop })], other), 'a seat the card does not enter').toEqual(NOTHING);
  });

  it('a drop of this mode speaks against it, however fast it was noted to write', () => {
    expect(ask([fill({ end: 'dropped', seconds: 44, writtenMBps: 130 })])).toMatchObject({
      outcome: 'short',
      dropSeconds: 44,
    });
  });

  it('a drop of a mode that is gone speaks by what was noted to be written, and is silent where nothing was', () => {
    const gone = fill({ modeId: 'gone', end: 'dropped', seconds: 44 });
    expect(ask([{ ...gone, writtenMBps: 50 }])).toMatchObject({ outcome: 'short', dropSeconds: 44 });
    expect(ask([{ ...gone, writtenMBps: 51 }]).outcome).toBe('unknown');
    expect(ask([{ ...gone, writtenMBps: null }])).toEqual(NOTHING);
  });

  it('of two drops whose order nobody knows the one that ended sooner gives the seconds', () => {
    const drop = (seconds: number, date: string | null) => fill({ id: `${seconds}`, end: 'dropped', seconds, date });
    for (const [first, second] of [
      [drop(31, '2026-05-01'), drop(77, null)],
      [drop(31, null), drop(77, '2026-05-01')],
    ] as const) {
      expect(ask([first, second]).dropSeconds).toBe(31);
      expect(ask([second, first]).dropSeconds).toBe(31);
    }
    // Neither has a day: the log is in order.
    expect(ask([drop(31, null), drop(77, null)]).dropSeconds).toBe(77);
  });

  it('a drop is over by a later fill of its mode or of this one alone, and by one whose numbers are true', () => {
    const slower = aBody({ ...body, modes: [...body.modes, stated('slower', 300)] });
    const drop = fill({ id: 'd', end: 'dropped', seconds: 30, date: '2026-05-01' });
    const later = (change: Partial<Test>) =>
      ownTestsRule([drop, fill({ id: 'p', date: '2026-05-02', ...change })], {
        ...{ body: slower, mode: { id: 'm' }, card, slot: fast },
        need: 50_000_000 as BytesPerSecond,
      }).outcome;
    expect(later({})).toBe('pass');
    expect(later({ modeId: 'slower', seconds: 6738 }), 'a slower mode').toBe('short');
    expect(later({ modeId: 'same' }), 'another as fast').toBe('short');
    expect(later({ seconds: FULL * 2.5 }), 'no take of that rate').toBe('short');
  });

  it('a fill of the very mode passes though more is asked at its peak, and others by the longest of them', () => {
    const asked = { body, mode: { id: 'm' }, card, slot: fast, need: 55_000_000 as BytesPerSecond };
    expect(ownTestsRule([fill()], asked)).toMatchObject({ outcome: 'pass', untilSeconds: null });
    expect(ownTestsRule([fill({ modeId: 'same' })], asked).outcome).toBe('unknown');
    const others = [FULL, FULL * 0.99].map((seconds, at) => fill({ id: `${at}`, modeId: 'same', seconds }));
    expect(ask(others)).toMatchObject({ outcome: 'pass', passes: 2, untilSeconds: FULL });
    expect(ask(others.toReversed())).toMatchObject({ untilSeconds: FULL });
  });

  it('a drop of this mode stands beside one of another, whatever filled the card with other numbers since', () => {
    const own = fill({ id: 'd', end: 'dropped', seconds: 44, date: '2026-05-01' });
    const odd = fill({ id: 'f', seconds: FULL * 2.5, date: '2026-05-02' });
    const ofOther = fill({ id: 'o', modeId: null, writtenMBps: 45, end: 'dropped', seconds: 20, date: '2026-05-03' });
    expect(ask([own, odd, ofOther])).toMatchObject({ outcome: 'short', testIds: ['d', 'o'] });
    expect(ask([odd, ofOther]).outcome).toBe('unknown');
  });

  it('one drop of this mode among those of others is enough that it drops, though the card was filled since', () => {
    const ofOther = fill({ id: 'o', modeId: null, writtenMBps: 45, end: 'dropped', seconds: 20, date: '2026-05-04' });
    const own = fill({ id: 'd', end: 'dropped', seconds: 44, date: '2026-05-03' });
    expect(ask([fill({ date: '2026-05-01' }), own, ofOther])).toMatchObject({ outcome: 'short', testIds: ['d', 'o'] });
  });

  it('a drop of a slower mode ends with a later pass of that mode or of this one', () => {
    const drop = fill({ id: 'd', modeId: 'same', end: 'dropped', seconds: 30, date: '2026-05-02' });
    expect(ask([drop, fill({ date: '2026-05-03' })])).toMatchObject({ outcome: 'pass', passes: 1, contradicts: true });
    const ofThat = fill({ id: 'p', modeId: 'same', date: '2026-05-03' });
    expect(ask([drop, ofThat])).toMatchObject({ outcome: 'pass', untilSeconds: FULL });
  });

  it('what was passed before the newest drop counts no longer, even where that drop ended', () => {
    const slower = aBody({ ...body, modes: [...body.modes, stated('slower', 300)] });
    const question = { body: slower, mode: { id: 'm' }, card, slot: fast, need: 50_000_000 as BytesPerSecond };
    const early = fill({ date: '2026-05-01' });
    const dropped = fill({
      id: 'd',
      modeId: 'slower',
      end: 'dropped',
      seconds: 30,
      writtenMBps: 37.5,
      date: '2026-05-02',
    });
    const again = fill({ id: 'p', modeId: 'slower', seconds: 6738, writtenMBps: 37.5, date: '2026-05-03' });
    expect(ownTestsRule([early, dropped, again], question)).toEqual({ ...NOTHING, provenUpTo: 37_500_000 });
    const since = fill({ id: 'q', date: '2026-05-04' });
    expect(ownTestsRule([early, dropped, again, since], question)).toMatchObject({ outcome: 'pass', passes: 1 });
  });

  it('of several drops the newest gives the seconds and parts what counts, whatever their place in the log', () => {
    const late = fill({ id: 'd1', end: 'dropped', seconds: 31, date: '2026-05-03' });
    const early = fill({ id: 'd2', end: 'dropped', seconds: 77, date: '2026-05-01' });
    expect(ask([late, early]).dropSeconds).toBe(31);
    const between = fill({ id: 'p1', date: '2026-05-02' });
    const after = fill({ id: 'p2', date: '2026-05-04' });
    expect(ask([late, early, between, after])).toMatchObject({ outcome: 'pass', passes: 1, contradicts: true });
  });
});
