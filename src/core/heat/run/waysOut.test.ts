import { describe, expect, it } from 'vitest';
import demo from '../../../kit/demo.coolreel.json' with { type: 'json' };
import type { Body, Card, Mode, PlannedTake } from '../../kit/model.ts';
import { type BoardKit, board } from '../../match/board.ts';
import { cellTone } from '../../match/cell.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import { tryMove } from '../../match/trial.ts';
import { heatMark } from './mark.ts';
import { DEFAULT_PLAN } from './plan.ts';
import { MOST_WAYS, type WaysOutInput, waysOut } from './waysOut.ts';

const kit = demo as unknown as BoardKit;
const policy = DEFAULT_POLICY;
const made = board(kit, policy);

/** Every cell of the demo that does not hold and whose card enters, as a question for its way out. */
const asked = (plan: PlannedTake): readonly WaysOutInput[] =>
  made.cards.flatMap((card: Card, column) =>
    made.rows.flatMap(({ body, mode }: { body: Body; mode: Mode }, row) => {
      const cell = made.columnAt(column)[row];
      if (!cell || cell.verdict === 'unfit' || cellTone(cell, policy.take) === 'cool') return [];
      return [{ kit, body, mode, card, cell, policy, plan }];
    }),
  );

const hotDay: PlannedTake = { ...DEFAULT_PLAN, minutes: 45, ambientC: 34, sunC: 8 };

describe('the way out of a cell that does not hold', () => {
  it.each([
    ['mild', DEFAULT_PLAN],
    ['a hot day', hotDay],
  ])('keeps its word on %s: holds by rate, not ended by heat, at most three and a test, no kind twice', (_, plan) => {
    let told = 0;
    for (const input of asked(plan)) {
      const ways = waysOut(input);
      const where = `${input.body.name} ${input.mode.name} ${input.card.label}`;
      expect(ways.length, where).toBeLessThanOrEqual(MOST_WAYS + 1);
      const codes = ways.map(({ move }) => move.code);
      const isLikely = input.cell.verdict === 'claimed' || input.cell.verdict === 'held';
      expect(codes.includes('test-it'), where).toBe(isLikely);
      if (isLikely && codes.includes('buy')) expect(codes.indexOf('test-it')).toBeLessThan(codes.indexOf('buy'));
      expect(new Set(ways.map(({ move }) => move.code)).size, where).toBe(ways.length);
      for (const { move, heat } of ways) {
        told += 1;
        expect(heat, `${where} ${move.code}`).not.toBe('hot');
        const trial = tryMove(move, input, () => ({ id: 'to buy', label: 'to buy' }));
        if (!trial) continue;
        const tried = board(trial.kit, policy);
        const at = tried.cards.findIndex(({ id }) => id === trial.cardId);
        const row = tried.rows.findIndex(({ body, mode }) => body.id === trial.bodyId && mode.id === trial.modeId);
        const cell = tried.columnAt(at)[row];
        const [body, card] = [tried.rows[row]?.body, tried.cards[at]];
        if (!cell || !body || !card) throw new Error(`${where}: nowhere`);
        expect(cellTone(cell, policy.take), `${where} ${move.code}`).toBe('cool');
        const mark = heatMark({ body, cell, card, tests: kit.tests, plan, cards: trial.kit.cards });
        expect(mark?.level ?? null, `${where} ${move.code}`).toBe(heat);
      }
    }
    expect(told).toBeGreaterThan(40);
  });

  it('names what to buy, over every form the body takes, and never a split that nobody said it can', () => {
    const all = asked(DEFAULT_PLAN).map((input) => ({ input, ways: waysOut(input) }));
    const bought = all.flatMap(({ input, ways }) =>
      ways.flatMap(({ move }) => (move.code === 'buy' ? [{ input, move }] : [])),
    );
    expect(bought.length).toBeGreaterThan(5);
    for (const { input, move } of bought)
      expect(input.body.slots.some(({ accepts }) => accepts.some(({ form }) => form === move.form))).toBe(true);
    expect(new Set(bought.map(({ input, move }) => move.form === input.card.form)).size, 'another form too').toBe(2);
    expect(all.flatMap(({ ways }) => ways).filter(({ move }) => move.code === 'split')).toEqual([]);
  });

  it('puts a card that is full behind one at hand', () => {
    for (const input of asked(DEFAULT_PLAN)) {
      const [first] = waysOut(input);
      if (first?.move.code !== 'owned-card' || !first.move.state) continue;
      const free = waysOut(input).filter(({ move }) => move.code !== 'owned-card' && move.tone === 'cool');
      expect(free, 'nothing else would hold').toEqual([]);
    }
  });
});
