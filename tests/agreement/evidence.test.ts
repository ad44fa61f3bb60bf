import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Test, TestEnd } from '../../src/core/kit/model.ts';
import { cellFor } from '../../src/core/match/board.ts';
import { cellTone } from '../../src/core/match/cell.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { readTest } from '../../src/core/match/testReading.ts';
import { rankOf } from '../../src/core/match/verdict.ts';
import { anyKit } from '../support/anyKit.ts';
import { runs } from '../support/runs.ts';

const KITS = runs(600, 4000);

/** A take whose numbers are true of its mode, or that has none; drawn over lengths, places and days. */
const added = fc.record({
  body: fc.nat(20),
  mode: fc.nat(20),
  card: fc.nat(20),
  slot: fc.option(fc.nat(4)),
  seconds: fc.integer({ min: 5, max: 20_000 }),
  date: fc.constantFrom(null, '2026-01-01', '2026-05-05', '2027-01-01'),
});

describe('evidence only says what it says', () => {
  const each = (
    end: TestEnd,
    check: (before: ReturnType<typeof cellFor>, after: ReturnType<typeof cellFor>, isOwn: boolean) => void,
  ): number => {
    let asked = 0;
    fc.assert(
      fc.property(anyKit, added, (kit, { body: bodyAt, mode: modeAt, card: cardAt, slot, seconds, date }) => {
        const body = kit.bodies[bodyAt % Math.max(1, kit.bodies.length)];
        const mode = body?.modes[modeAt % Math.max(1, body.modes.length)];
        const card = kit.cards[cardAt % Math.max(1, kit.cards.length)];
        if (!body || !mode || !card) return;
        const take: Test = {
          id: 'added',
          bodyId: body.id,
          modeId: mode.id,
          cardId: card.id,
          slotId: slot === null ? null : (body.slots[slot % Math.max(1, body.slots.length)]?.id ?? null),
          end,
          seconds,
          writtenMBps: null,
          date,
        };
        // A full take is made as long as its card lasts in its mode, so that its numbers are true.
        const { average } = readTest({ ...take, end: 'stopped' }, body, card);
        if (end === 'full' && average === null) return;
        const whole = average === null ? seconds : ((card.usableGB ?? card.capacityGB * 0.987) * 1e9) / average;
        const made = end === 'full' ? { ...take, seconds: whole } : take;
        for (const other of body.modes) {
          const question = { body, mode: other, card, cards: kit.cards, policy: DEFAULT_POLICY };
          const before = cellFor({ ...question, tests: kit.tests });
          const after = cellFor({ ...question, tests: [...kit.tests, made] });
          asked += 1;
          check(before, after, other.id === mode.id);
        }
      }),
      { seed: 417, numRuns: KITS },
    );
    return asked;
  };

  it('a full take that is true makes no cell worse', { timeout: 120_000 }, () => {
    const asked = each('full', (before, after) => {
      expect(rankOf(after.verdict)).toBeLessThanOrEqual(rankOf(before.verdict));
    });
    expect(asked).toBeGreaterThan(KITS);
  });

  it('a drop makes no cell better', { timeout: 120_000 }, () => {
    each('dropped', (before, after) => {
      expect(rankOf(after.verdict)).toBeGreaterThanOrEqual(rankOf(before.verdict));
    });
  });

  it('a take that was stopped makes none worse, none cool, and none a test that passed', { timeout: 120_000 }, () => {
    let held = 0;
    each('stopped', (before, after, isOwn) => {
      expect(rankOf(after.verdict)).toBeLessThanOrEqual(rankOf(before.verdict));
      if (after.verdict === before.verdict) return;
      held += 1;
      expect(after.verdict).toBe('held');
      expect(isOwn).toBe(true);
      for (const take of ['once', 'repeatable'] as const) expect(cellTone(after, take)).not.toBe('cool');
    });
    expect(held).toBeGreaterThan(KITS / 60);
  });

  it('a camera that shut itself down says nothing of the rate', { timeout: 120_000 }, () => {
    each('cut-off', (before, after) => expect(after.verdict).toBe(before.verdict));
  });
});
