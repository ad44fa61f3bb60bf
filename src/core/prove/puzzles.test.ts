import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Test } from '../kit/model.ts';
import { aBody, aCard, aMode, aTest } from '../testing.ts';
import { acrossCards, cardBrackets, oddTake, placed, puzzles } from './puzzles.ts';

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
