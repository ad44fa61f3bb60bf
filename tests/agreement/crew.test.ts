import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { crewPage, MOST_COLUMNS } from '../../src/app/match/crewPage.ts';
import { board } from '../../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { anyKit } from '../support/anyKit.ts';
import { largeKit } from '../support/largeKit.ts';
import { runs } from '../support/runs.ts';

describe('a crew card', () => {
  it('says of every card what the board says, and leaves none out that meets a mode', () => {
    fc.assert(
      fc.property(anyKit, (kit) => {
        const made = board(kit, DEFAULT_POLICY);
        for (const body of kit.bodies) {
          const rows = made.rows.flatMap((row, at) => (row.body.id === body.id ? [at] : []));
          const { columns, left } = crewPage(kit, body, DEFAULT_POLICY);
          const shown = new Map(columns.flatMap(({ cards, cells }) => cards.map((card) => [card.id, cells] as const)));
          let met = 0;
          for (const [at, card] of made.cards.entries()) {
            const cells = rows.map((row) => made.columnAt(at)[row]);
            if (cells.every((cell) => cell?.verdict === 'unfit')) {
              expect(shown.has(card.id)).toBe(false);
              continue;
            }
            met += 1;
            const own = shown.get(card.id)?.map((cell) => ({ ...cell, cardId: card.id }));
            if (own) expect(own).toEqual(cells);
          }
          expect(shown.size + left).toBe(met);
        }
      }),
      { numRuns: runs(150, 1500) },
    );
  });

  it('of five thousand cards is a page: cards of one print stand together, and the rest is counted', () => {
    const kit = largeKit(10, 5000);
    for (const body of kit.bodies) {
      const { columns, left } = crewPage(kit, body, DEFAULT_POLICY);
      expect(columns.length).toBeLessThanOrEqual(MOST_COLUMNS);
      const accepted = kit.cards.filter(({ form }) =>
        body.slots.some(({ accepts }) => accepts.some((one) => one.form === form)),
      );
      // A small card in an adapter fits, too.
      expect(columns.reduce((sum, { cards }) => sum + cards.length, 0) + left).toBeGreaterThanOrEqual(accepted.length);
      // Most of a wallet that was never tested is of a few prints.
      expect(Math.max(...columns.map(({ cards }) => cards.length))).toBeGreaterThan(400);
    }
  });
});
