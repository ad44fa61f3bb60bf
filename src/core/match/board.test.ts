import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Card } from '../kit/model.ts';
import { MARK_KEYS } from '../standards/marks.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import { board, cellFor, createBoardKeeper } from './board.ts';
import { DEFAULT_POLICY } from './policy.ts';
import { rankOf, toneOf, VERDICTS } from './verdict.ts';

const sdCard = fc.record({
  capacityGB: fc.integer({ min: 1, max: 2000 }),
  marks: fc.subarray(['C10', 'U1', 'U3', 'V30', 'V60', 'V90', 'I', 'II']),
  sustainedMBps: fc.option(fc.integer({ min: 1, max: 500 })),
});

const rates = fc.integer({ min: 1, max: 4000 });
const only = (Mbps: number, card: Partial<Card>) => {
  const modes = [aMode({ rate: { kind: 'stated', Mbps, is: 'maximum' } })];
  return board({ bodies: [aBody({ modes })], cards: [aCard(card)], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
};

describe('the board', () => {
  it('plans fewer minutes, never more, as the rate rises', () => {
    fc.assert(
      fc.property(sdCard, rates, rates, (card, a, b) => {
        const [low, high] = a < b ? [a, b] : [b, a];
        const slow = only(low, card);
        const fast = only(high, card);
        expect((fast?.planned ?? 0) <= (slow?.planned ?? 0)).toBe(true);
        expect(rankOf(fast?.verdict ?? 'unfit')).toBeGreaterThanOrEqual(rankOf(slow?.verdict ?? 'unfit'));
      }),
      { seed: 21, numRuns: 400 },
    );
  });

  it('never improves a verdict when the floor falls', () => {
    const ladder = ['V90', 'V60', 'V30', 'U1', null] as const;
    fc.assert(
      fc.property(rates, fc.integer({ min: 0, max: 3 }), (Mbps, at) => {
        const marks = (mark: string | null | undefined) => (mark ? ['II', mark] : ['II']);
        const better = only(Mbps, { marks: marks(ladder[at]) });
        const worse = only(Mbps, { marks: marks(ladder[at + 1]) });
        expect(rankOf(worse?.verdict ?? 'unfit')).toBeGreaterThanOrEqual(rankOf(better?.verdict ?? 'unfit'));
      }),
      { seed: 22, numRuns: 400 },
    );
  });

  it('changes no other card’s cell when a card is added', () => {
    fc.assert(
      fc.property(fc.array(sdCard, { minLength: 1, maxLength: 4 }), sdCard, rates, (cards, added, Mbps) => {
        const bodies = [aBody({ modes: [aMode({ rate: { kind: 'stated', Mbps, is: 'average' } })] })];
        const all = cards.map((card, at) => aCard({ ...card, id: `c${at}` }));
        const before = board({ bodies, cards: all, tests: [] }, DEFAULT_POLICY);
        const after = board({ bodies, cards: [...all, aCard({ ...added, id: 'new' })], tests: [] }, DEFAULT_POLICY);
        expect(after.columns.slice(0, -1)).toEqual(before.columns);
      }),
      { seed: 23, numRuns: 100 },
    );
  });

  it('gives a verdict of the closed list for any marks at all', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.constantFrom<string>(...MARK_KEYS), fc.string({ maxLength: 20 }))), (marks) => {
        expect(VERDICTS).toContain(only(400, { marks })?.verdict);
      }),
      { seed: 24, numRuns: 400 },
    );
  });

  it('gives a tested card on every body what it would give asked by itself, whatever its twins were given', () => {
    // Alike and unlike slots, one and two written, each body tested now and then, by cards of few prints.
    const arrangements = ['single', 'relay', 'mirrored', 'split'] as const;
    const bodies = arrangements.flatMap((arrangement, at) =>
      (['uhs-ii', 'uhs-i'] as const).map((bus) =>
        aBody({
          id: `b${at}${bus}`,
          arrangement,
          slots: [aSlot({ id: 's1' }), aSlot({ id: 's2', accepts: [{ form: 'sd', bus }] })],
          modes: [aMode(), aMode({ id: 'fast', rate: { kind: 'stated', Mbps: 650, is: 'maximum' } })],
        }),
      ),
    );
    const test = fc.record({
      cardId: fc.constantFrom('c0', 'c1', 'c2', 'c3', 'c4', 'c5'),
      bodyId: fc.constantFrom(...bodies.map(({ id }) => id)),
      modeId: fc.constantFrom('m', 'fast'),
      end: fc.constantFrom('full' as const, 'dropped' as const),
    });
    fc.assert(
      fc.property(
        fc.array(test, { maxLength: 6 }),
        fc.array(sdCard, { minLength: 2, maxLength: 2 }),
        (made, prints) => {
          const cards = Array.from({ length: 6 }, (_, at) =>
            aCard({ ...prints[at % 2], id: `c${at}`, label: `C-${at}` }),
          );
          const tests = made.map((one, at) => aTest({ ...one, id: `t${at}` }));
          const { columns } = board({ bodies, cards, tests }, DEFAULT_POLICY);
          for (const body of bodies)
            for (const mode of body.modes)
              for (const [at, card] of cards.entries()) {
                const shown = columns[at]?.find(({ bodyId, modeId }) => bodyId === body.id && modeId === mode.id);
                if (shown?.seats !== null) continue;
                expect(shown).toEqual(cellFor({ body, mode, card, cards, tests, policy: DEFAULT_POLICY }));
              }
        },
      ),
      { seed: 25, numRuns: 60 },
    );
  });

  it('recomputes only the column whose card changed', () => {
    const keep = createBoardKeeper();
    const bodies = [aBody({ slots: [aSlot()] })];
    const cards = [aCard({ id: 'a' }), aCard({ id: 'b' })];
    const tests = [aTest({ cardId: 'zzz' })];
    const first = { columns: keep({ bodies, cards, tests }, DEFAULT_POLICY).columns };
    const changed = [cards[0] as Card, aCard({ id: 'b', marks: [] })];
    const second = keep({ bodies, cards: changed, tests }, DEFAULT_POLICY);
    expect(second.columns[0]).toBe(first.columns[0]);
    expect(second.columns[1]).not.toBe(first.columns[1]);
    expect(second.columns[1]?.[0]?.verdict).toBe('uncovered');
    const third = keep({ bodies: [...bodies], cards: changed, tests }, DEFAULT_POLICY);
    expect(third.columns[0], 'other bodies start afresh').not.toBe(first.columns[0]);
  });
});

describe('tones', () => {
  it('follow the kind of take', () => {
    expect(VERDICTS.map((verdict) => toneOf(verdict, 'once'))).toEqual([
      'cool',
      'warm',
      'warm',
      'hot',
      'hot',
      'hot',
      'hot',
      'mute',
      'none',
    ]);
    expect(VERDICTS.map((verdict) => toneOf(verdict, 'repeatable'))).toEqual([
      'cool',
      'cool',
      'cool',
      'warm',
      'warm',
      'hot',
      'hot',
      'mute',
      'none',
    ]);
  });
});
