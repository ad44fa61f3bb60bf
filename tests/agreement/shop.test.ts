import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { TakeKind } from '../../src/core/kit/model.ts';
import type { Offer } from '../../src/core/kit/shop.ts';
import { board } from '../../src/core/match/board.ts';
import { cellTone } from '../../src/core/match/cell.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { cardOfOffer } from '../../src/core/shop/offerCard.ts';
import { shopOptions } from '../../src/core/shop/options.ts';
import { anyKit } from '../support/anyKit.ts';
import { runs } from '../support/runs.ts';

const KITS = runs(60, 300);

it(`what an offer is to a need is what the board says of that card, put into the wallet, in ${KITS} kits`, {
  timeout: 120_000,
}, () => {
  let [asked, served] = [0, 0];
  fc.assert(
    fc.property(anyKit, fc.constantFrom<TakeKind>('once', 'repeatable'), (kit, take) => {
      const policy = { ...DEFAULT_POLICY, take };
      const offers = kit.cards.slice(0, 4).map(
        (card, at): Offer => ({
          id: `o${at}`,
          name: card.label,
          form: card.form,
          capacityGB: card.capacityGB,
          marks: card.marks,
          bus: card.bus,
          readMBps: card.readMBps,
          writeMBps: card.writeMBps,
          sustainedMBps: card.sustainedMBps,
          minimumMBps: card.minimumMBps ?? null,
          minimumSource: card.minimumSource ?? null,
          price: 10 + at,
          currency: 'EUR',
          seller: '',
          date: null,
        }),
      );
      const needs = kit.bodies.flatMap(({ id: bodyId, modes }) =>
        modes.map(({ id: modeId }) => ({
          id: `${bodyId} ${modeId}`,
          bodyId,
          modeId,
          hours: 1,
          gapFreeMinutes: null,
          sparePercent: 0,
        })),
      );
      const { serves, impossible } = shopOptions({ kit, needs, offers, useOwned: false, policy });
      const known = new Set(impossible.filter(({ why }) => why.code === 'no-rate').map(({ needId }) => needId));
      for (const [at, offer] of offers.entries()) {
        const card = cardOfOffer(offer);
        const made = board({ ...kit, cards: [...kit.cards, card] }, policy);
        const column = made.columnAt(made.cards.indexOf(card));
        for (const [row, need] of needs.entries()) {
          if (known.has(need.id)) continue;
          const cell =
            column[made.rows.findIndex(({ body, mode }) => body.id === need.bodyId && mode.id === need.modeId)];
          const answer = serves[row]?.[at];
          if (!cell || !answer) throw new Error('no answer');
          asked += 1;
          expect(answer.verdict).toBe(cell.verdict);
          if (!answer.serves) continue;
          served += 1;
          expect(answer.tone).toBe(cellTone(cell, take));
          expect(take === 'once' ? ['cool'] : ['cool', 'warm']).toContain(answer.tone);
          expect(answer.minutes).toBeLessThanOrEqual(cell.planned ?? 0);
        }
      }
    }),
    { numRuns: KITS, seed: 15 },
  );
  expect(asked).toBeGreaterThan(KITS * 6);
  expect(served).toBeGreaterThan(25);
});
