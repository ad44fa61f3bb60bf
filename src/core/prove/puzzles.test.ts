import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Test } from '../kit/model.ts';
import { RANGES } from '../kit/ranges.ts';
import { aBody, aCard, aMode, aTest } from '../testing.ts';
import { acrossCards, cardBrackets, demandedMBps, oddTake, placed, puzzles } from './puzzles.ts';

const raw = aMode({
  id: 'raw',
  name: '8K raw',
  codec: 'raw',
  width: 7680,
  height: 4320,
  fps: 50,
  rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 },
});
const slow = aMode({ id: 'slow', rate: { kind: 'stated', Mbps: 200, is: 'constant' } });
const body = aBody({ modes: [aMode(), raw, slow] });
const card = aCard({ capacityGB: 256, usableGB: 250 });
const other = aCard({ id: 'o', label: 'C-02', capacityGB: 256, usableGB: 250 });
const kit = (...tests: readonly Test[]) => ({ bodies: [body], cards: [card, other], tests });
// 250 GB at 62.5 MB/s.
const FULL = 4000;

describe('results that look impossible', () => {
  it('are those whose numbers do not fit, with what explains them', () => {
    // 829 MB/s believed; 250 GB in 503 s is 497 MB/s, as 5:1 writes.
    const [found, ...rest] = puzzles(kit(aTest({ modeId: 'raw', seconds: 503 })));
    expect(rest).toEqual([]);
    expect(found).toMatchObject({ why: 'numbers', take: { setRatio: 3, outcome: 'filled' } });
    expect(found?.reconciled.explanations[0]).toMatchObject({ code: 'compression-ratio', to: 5 });
  });

  it('are a card that bore more than is claimed, and a drop below what it bore', () => {
    const claimed = { ...card, sustainedMBps: 50 };
    const all = { bodies: [body], cards: [claimed], tests: [aTest({ seconds: FULL })] };
    expect(puzzles(all).map(({ why }) => why)).toEqual(['beyond-claim']);
    const drop = aTest({ id: 'd', modeId: 'slow', end: 'dropped', seconds: 60, writtenMBps: 25 });
    expect(puzzles(kit(aTest({ seconds: FULL }), drop)).map(({ test, why }) => [test.id, why])).toEqual([
      ['d', 'below-a-pass'],
    ]);
  });

  it('are none where all is as believed, and none of what is gone', () => {
    expect(puzzles(kit(aTest({ seconds: FULL }), aTest({ id: 'x', cardId: 'gone', seconds: 5 })))).toEqual([]);
    expect(placed(kit(aTest({ bodyId: 'gone' }), aTest({ cardId: 'gone' })))).toEqual([]);
  });

  it.each([0, -5, Number.NaN, Number.POSITIVE_INFINITY, 1e-300])('of %d seconds is no take', (seconds) => {
    const [one] = placed(kit(aTest({ seconds })));
    expect(one && oddTake(one)).toBeNull();
    expect(puzzles(kit(aTest({ seconds })))).toEqual([]);
  });

  it('takes that filled a card together are told by all of them, a clip by its own seconds', () => {
    const [series] = placed(kit(aTest({ seconds: 1000, takes: 4 })));
    expect(series && oddTake(series)?.seconds).toBe(4000);
    const [clip] = placed(kit(aTest({ seconds: 1000, takes: 4, clipGB: 62.5 })));
    expect(clip && oddTake(clip)).toMatchObject({ seconds: 1000, fileGB: 62.5 });
  });
});

describe('between what the pace of a card lies', () => {
  const pass = aTest({ id: 'p', modeId: 'slow', seconds: 10_000, writtenMBps: 25 });
  const drop = aTest({ id: 'd', end: 'dropped', seconds: 90 });

  it('is what it was filled with and what it dropped at, each with its take', () => {
    const [one] = cardBrackets(kit(pass, drop));
    expect(one).toMatchObject({ bracket: { contradicts: false }, drops: 1 });
    expect(one?.bracket.atLeastMBps).toBeCloseTo(25, 0);
    expect(one?.bracket.belowMBps).toBeCloseTo(62.5, 0);
    expect([one?.passed?.test.id, one?.dropped?.test.id]).toEqual(['p', 'd']);
  });

  it('one mode is one rate: a pass and a drop of it contradict', () => {
    const [one] = cardBrackets(kit(aTest({ seconds: FULL * 1.02 }), drop));
    expect(one?.bracket.contradicts).toBe(true);
  });

  it('a fill of another compression counts by what it wrote; one on a card that was not empty bounds nothing', () => {
    const [real] = cardBrackets(kit(aTest({ modeId: 'raw', seconds: 503 })));
    expect(real?.bracket.atLeastMBps).toBeCloseTo(497, 0);
    const [half] = cardBrackets(kit(aTest({ seconds: FULL / 1.7 })));
    expect(half?.bracket.atLeastMBps).toBeNull();
  });

  it('does not hang on the order of entry; a pass never lowers it and a drop never raises it', () => {
    const any = fc.record({
      end: fc.constantFrom('full', 'dropped', 'stopped', 'cut-off'),
      modeId: fc.constantFrom('m', 'slow', 'raw'),
      seconds: fc.integer({ min: 1, max: 12_000 }),
    });
    const tests = fc.array(any, { maxLength: 10 }).map((all) => all.map((one, at) => aTest({ ...one, id: `t${at}` })));
    fc.assert(
      fc.property(tests, (all) => {
        const told = (log: readonly Test[]) => cardBrackets(kit(...log))[0]?.bracket ?? null;
        const now = told(all);
        expect(told([...all].reverse())).toEqual(now);
        expect(told([...all, pass])?.atLeastMBps ?? 0).toBeGreaterThanOrEqual(now?.atLeastMBps ?? 0);
        expect(told([...all, drop])?.belowMBps ?? 0).toBeLessThanOrEqual(now?.belowMBps ?? Number.POSITIVE_INFINITY);
      }),
      { seed: 21, numRuns: 300 },
    );
  });
});

describe('cache or heat', () => {
  const drop = (id: string, modeId: string, seconds: number, cardId = 'c') =>
    aTest({ id, modeId, end: 'dropped', seconds, cardId });

  it('the same bytes at two rates is a cache', () => {
    // 10 GB each: 160 s at 62.5, 400 s at 25.
    expect(cardBrackets(kit(drop('a', 'm', 160), drop('b', 'slow', 400)))[0]?.common.cause).toBe('cache');
  });

  it('the same time on several cards of one body is heat', () => {
    const [one] = acrossCards(kit(drop('a', 'm', 900), drop('b', 'slow', 905, 'o')));
    expect(one).toMatchObject({ common: { cause: 'heat' } });
    expect(one?.cards.map(({ label }) => label)).toEqual(['C-01', 'C-02']);
    expect(acrossCards(kit(drop('a', 'm', 900)))).toEqual([]);
  });
});

/** A test as a take to be looked at. */
const asTake = (change: Partial<Test>, more: Partial<ReturnType<typeof kit>> = {}) => {
  const [one] = placed({ ...kit(aTest(change)), ...more });
  return one ? oddTake(one) : null;
};

describe('a test as a take', () => {
  it('has the rate of its mode, else what was noted, else is none', () => {
    expect(asTake({ seconds: FULL })).toMatchObject({ nominalMBps: 62.5, setRatio: null, leastMBps: 62.5 });
    expect(asTake({ modeId: 'gone', writtenMBps: 25, seconds: FULL })).toMatchObject({
      nominalMBps: 25,
      setRatio: null,
    });
    expect(asTake({ modeId: 'gone', writtenMBps: null, seconds: FULL })).toBeNull();
    const [gone] = placed(kit(aTest({ modeId: 'gone', writtenMBps: null })));
    expect(gone && demandedMBps(gone)).toBeNull();
    expect(asTake({ modeId: 'raw', seconds: FULL })).toMatchObject({ setRatio: 3 });
  });

  it('has the usable share of its card, where it was entered, and never more than all', () => {
    const share = (usableGB: number | null) =>
      asTake({ seconds: FULL }, { cards: [{ ...card, usableGB }] })?.usableFraction;
    expect(share(250)).toBeCloseTo(250 / 256, 9);
    expect(share(null)).toBeNull();
    expect(share(300)).toBe(1);
  });

  it.each([
    [RANGES.takeSeconds.min, true],
    [RANGES.takeSeconds.max, true],
    [RANGES.takeSeconds.min * 0.99, false],
    [RANGES.takeSeconds.max * 1.01, false],
  ])('of %d seconds is one: %s', (seconds, is) => expect(asTake({ seconds }) !== null).toBe(is));

  it.each([
    [null, null],
    [0, null],
    [RANGES.takeAmount.min, RANGES.takeAmount.min],
    [250, 250],
  ])('whose clip has %d GB', (clipGB, fileGB) => expect(asTake({ seconds: FULL, clipGB })?.fileGB).toBe(fileGB));

  it.each([
    [null, null],
    [undefined, null],
    ['quality', true],
    ['constant', false],
  ] as const)('noted as %s: varies %s', (rateIs, varies) =>
    expect(asTake({ seconds: FULL, rateIs } as Partial<Test>)?.varies).toBe(varies),
  );
});

describe('why a result is worth a look', () => {
  const why = (sustainedMBps: number | null, ...tests: readonly Test[]) =>
    puzzles({ bodies: [body], cards: [{ ...card, sustainedMBps }], tests }).map(({ test, why }) => `${test.id} ${why}`);
  const drop = (change: Partial<Test>) => aTest({ id: 'd', end: 'dropped', seconds: 60, ...change });

  it('more than is claimed only where the card was filled, and only where it is more', () => {
    expect(why(62.4, aTest({ seconds: FULL }))).toEqual(['t beyond-claim']);
    expect(why(62.5, aTest({ seconds: FULL }))).toEqual([]);
    expect(why(90, aTest({ seconds: FULL }))).toEqual([]);
    expect(why(50, drop({}))).toEqual([]);
    expect(why(50, aTest({ end: 'stopped', seconds: 60 }))).toEqual([]);
  });

  it('a drop below a pass, or at the very rate of one', () => {
    const pass = aTest({ id: 'p', seconds: FULL });
    expect(why(null, pass, drop({}))).toEqual(['d below-a-pass']);
    expect(why(null, pass, drop({ modeId: 'raw' })), 'faster than what was passed').toEqual([]);
    expect(why(null, drop({})), 'nothing was passed').toEqual([]);
    expect(why(null, pass, aTest({ id: 's', end: 'stopped', seconds: 60 })), 'stopped by hand').toEqual([]);
  });

  it('no numbers that lie between a stated rate alone and all that may stand beside it', () => {
    // 100 Mb/s at 120p, and nobody told what that holds: 12.5 MB/s alone, 2 Mb/s and 20 kB a frame more are 15.15.
    const calm = aMode({ id: 'calm', fps: 120, overhead: null, rate: { kind: 'stated', Mbps: 100, is: 'constant' } });
    const untold = { bodies: [aBody({ modes: [calm] })], cards: [card] };
    const clip = (clipGB: number) => aTest({ modeId: 'calm', end: 'stopped', seconds: 1000, clipGB });
    expect(puzzles({ ...untold, tests: [clip(12.5)] })).toEqual([]);
    expect(puzzles({ ...untold, tests: [clip(14)] })).toEqual([]);
    expect(puzzles({ ...untold, tests: [clip(10)] }).map(({ why }) => why)).toEqual(['numbers']);
    expect(puzzles({ ...untold, tests: [clip(18)] }).map(({ why }) => why)).toEqual(['numbers']);
  });

  it('no numbers where the rate of the mode, or what was written, is not known', () => {
    const gone = { modeId: 'gone', end: 'stopped', seconds: 60, clipGB: 9 } as const;
    expect(why(null, aTest({ ...gone, writtenMBps: null }))).toEqual([]);
    expect(why(null, aTest({ ...gone, writtenMBps: 25 }))).toEqual(['t numbers']);
    expect(why(null, aTest({ end: 'stopped', seconds: 60 }))).toEqual([]);
  });
});

describe('the takes behind a bracket', () => {
  const pass = (id: string, change: Partial<Test> = {}) => aTest({ id, seconds: FULL, ...change });
  const slower = { modeId: 'slow', seconds: 10_000, writtenMBps: 25 } as const;
  const drop = (id: string, change: Partial<Test> = {}) => aTest({ id, end: 'dropped', seconds: 90, ...change });
  const named = (...tests: readonly Test[]) => {
    const [one] = cardBrackets(kit(...tests));
    return [one?.passed?.test.id ?? null, one?.dropped?.test.id ?? null];
  };

  it('are the fastest pass and the slowest drop, the first of equals, whatever their order', () => {
    const [fast, calm] = [pass('fast'), pass('calm', slower)];
    expect(named(fast, calm)).toEqual(['fast', null]);
    expect(named(calm, fast)).toEqual(['fast', null]);
    expect(named(pass('a'), pass('b'))).toEqual(['a', null]);
    const [quick, slow] = [drop('quick'), drop('slow', { modeId: 'slow' })];
    expect(named(quick, slow)).toEqual([null, 'slow']);
    expect(named(slow, quick)).toEqual([null, 'slow']);
    expect(named(drop('a'), drop('b'))).toEqual([null, 'a']);
  });

  it('are those of one body and one card', () => {
    const two = { bodies: [body, { ...body, id: 'b2', name: 'other' }], cards: [card, other] };
    const tests = [pass('a'), pass('b', { cardId: 'o' }), drop('c', { bodyId: 'b2' })];
    expect(
      cardBrackets({ ...two, tests }).map((one) => [one.body.id, one.card.id, one.passed?.test.id, one.drops]),
    ).toEqual([
      ['b', 'c', 'a', 0],
      ['b', 'o', 'b', 0],
      ['b2', 'c', undefined, 1],
    ]);
  });

  it('of a drop are what its mode asks for, whatever its clip holds', () => {
    const [one] = cardBrackets(kit(drop('d', { clipGB: 3 })));
    expect(one?.bracket.belowMBps).toBeCloseTo(62.5, 9);
  });

  it('are none without seconds or without a rate', () => {
    expect(named(drop('d', { seconds: 0 }), pass('p', { seconds: 0 }))).toEqual([null, null]);
    const [one] = cardBrackets(kit(drop('d', { modeId: 'gone', writtenMBps: null }), drop('e', { seconds: 0 })));
    expect(one).toMatchObject({ drops: 0, dropped: null });
    const [clip] = cardBrackets(kit(drop('d', { modeId: 'gone', writtenMBps: null, clipGB: 9 })));
    expect(clip).toMatchObject({ drops: 1 });
    expect(cardBrackets(kit(drop('d', { clipGB: 0 })))[0]).toMatchObject({ drops: 0 });
  });
});

describe('what drops have in common, as they were logged', () => {
  const drop = (id: string, change: Partial<Test>) => aTest({ id, end: 'dropped', ...change });
  const common = (...tests: readonly Test[]) => cardBrackets(kit(...tests))[0]?.common.cause;

  it('bytes of a clip and bytes by a rate are the same bytes', () => {
    // 10 GB by its clip; 25 MB/s for 400 s are 10 GB too.
    expect(common(drop('a', { seconds: 160, clipGB: 10 }), drop('b', { modeId: 'slow', seconds: 400 }))).toBe('cache');
    expect(common(drop('a', { seconds: 160, clipGB: 2 }), drop('b', { modeId: 'slow', seconds: 400 }))).toBeNull();
  });

  it('a rate in common is read off clips alone', () => {
    // 20 MB/s each, asked at 62.5 and at 25.
    const [a, b] = [drop('a', { seconds: 100, clipGB: 2 }), drop('b', { modeId: 'slow', seconds: 900, clipGB: 18 })];
    expect(common(a, b)).toBe('link');
    expect(common(a, { ...b, clipGB: null })).toBeNull();
  });

  it('over several cards of one body, cut-offs too; never with a card that was filled, nor over two bodies', () => {
    const cut = drop('a', { end: 'cut-off', seconds: 900 });
    const [found] = acrossCards(kit(cut, drop('b', { modeId: 'slow', seconds: 905, cardId: 'o' })));
    expect(found).toMatchObject({ common: { cause: 'heat' } });
    expect(acrossCards(kit(cut, aTest({ id: 'p', cardId: 'o', seconds: FULL })))).toEqual([]);
    expect(acrossCards(kit(cut, aTest({ id: 'p', cardId: 'o', end: 'stopped', seconds: 60 })))).toEqual([]);
    const two = { bodies: [body, { ...body, id: 'b2' }], cards: [card, other] };
    expect(acrossCards({ ...two, tests: [cut, drop('b', { bodyId: 'b2', seconds: 905, cardId: 'o' })] })).toEqual([]);
  });
});
