import fc from 'fast-check';
import loadHighs from 'highs';
import { expect, it } from 'vitest';
import { bestSteps } from '../../src/core/best/best.ts';
import { type BestQuestion, heatTake } from '../../src/core/best/question.ts';
import { failingShare } from '../../src/core/heat/run/failures.ts';
import { cellLanes } from '../../src/core/heat/run/lane.ts';
import { holdsByRate } from '../../src/core/heat/run/mark.ts';
import type { Body, Card, Mode, TakeKind } from '../../src/core/kit/model.ts';
import type { Plan } from '../../src/core/kit/plan.ts';
import { cellFor, seatFor } from '../../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { plannedDay } from '../../src/core/rotation/plannedDay.ts';
import { finish } from '../../src/core/steps.ts';
import { integerSolver } from '../../src/solving/integerSolver.ts';
import { anyKit } from '../support/anyKit.ts';
import { runs } from '../support/runs.ts';

const solver = integerSolver(await loadHighs());
const RUNS = 60;

const question = fc.record({
  kit: anyKit,
  take: fc.constantFrom<TakeKind>('once', 'repeatable'),
  minutes: fc.constantFrom(2, 5, 5, 20, 45, 90, 400),
  stretchMinutes: fc.constantFrom(null, null, 10, 40),
  ambientC: fc.constantFrom(5, 20, 35, 45),
  rhythm: fc.constantFrom(null, null, { takeMinutes: 10, restMinutes: 5 }),
});

/** A day of one block, with these cards and nothing else. */
function dayOf({ kit, policy, minutes, stretchMinutes }: BestQuestion, body: Body, mode: Mode, cards: readonly Card[]) {
  const plan: Plan = {
    id: 'p',
    name: 'One block',
    date: '2027-05-10',
    start: '06:00',
    blocks: [{ id: 'k', bodyId: body.id, modeId: mode.id, from: '06:00', minutes, rolling: 1, gapFree: false }],
    cardIds: cards.map(({ id }) => id),
    readers: [],
    copies: { count: 1, destinations: [], verify: false, from: 'card' },
    rules: { swapSeconds: 0, mostMinutesOnOneCard: null, changeAtPercent: 100, gapFreeMinutes: stretchMinutes },
  };
  const times = { ofBlock: () => 0, comesTwice: () => false, ofPress: () => null };
  return plannedDay({ kit, plan, policy, times, now: null });
}

/** Whether the heat run of a card, as the planned take has it, fails in no more than is accepted. */
function isCool(asked: BestQuestion, body: Body, mode: Mode, card: Card, usableGB: number | null): boolean {
  const { kit, policy, accepted, seed } = asked;
  const own = kit.tests.filter(({ cardId }) => cardId === card.id);
  const cells = [
    cellFor({ body, mode, card, ...kit, policy }),
    ...body.slots.map((_, slot) => seatFor({ body, mode, card, tests: own, policy }, slot)),
  ];
  const cell = cells.find(holdsByRate);
  if (!cell) return false;
  return cellLanes({ body, cell, card, plan: heatTake(asked), cards: kit.cards }).every(({ sim, spreads }) => {
    const path = usableGB === null ? sim : { ...sim, card: { ...sim.card, usableGB } };
    return finish(failingShare({ sim: path, spreads }, { runs: RUNS, seed })) <= accepted;
  });
}

const KITS = runs(60, 300);

it(`holds where the day and the heat run hold, and nothing better does, in ${KITS} drawn kits`, () => {
  let [held, better] = [0, 0];
  fc.assert(
    fc.property(question, ({ kit, take, rhythm, ambientC, minutes, stretchMinutes }) => {
      const asked: BestQuestion = {
        kit: { bodies: kit.bodies.slice(0, 2), cards: kit.cards, tests: kit.tests },
        offers: [],
        policy: { ...DEFAULT_POLICY, take },
        minutes,
        stretchMinutes,
        air: { ambientC, sunC: 0 },
        rhythm,
        accepted: 0.05,
        runs: RUNS,
        seed: 1,
      };
      const { bodies } = finish(bestSteps(asked, { solve: solver, seconds: 5, heat: new Map() }));
      const used = bodies.flatMap(({ cards }) => cards);
      expect(new Set(used).size, 'no card twice').toBe(used.length);
      for (const { body, best, cards, better: above } of bodies) {
        if (best) {
          held += 1;
          const day = dayOf(asked, body, best, cards);
          expect(day.totals.missingMinutes, `${body.id} ${best.id} on ${cards.map(({ id }) => id)}`).toBeCloseTo(0, 6);
          for (const card of cards)
            expect(isCool(asked, body, best, card, null), `${best.id} on ${card.id}`).toBe(true);
        }
        const others = new Set(bodies.flatMap((one) => (one.body === body ? [] : one.cards)));
        for (const { mode, why } of above) {
          better += 1;
          if (why.code === 'no-rate') continue;
          const cool = asked.kit.cards.filter(
            (card) => !others.has(card) && !card.retired && isCool(asked, body, mode, card, 1e6),
          );
          expect(
            dayOf(asked, body, mode, cool).totals.missingMinutes,
            `${body.id} ${mode.id}: ${why.code}`,
          ).toBeGreaterThan(0);
        }
      }
    }),
    { numRuns: KITS },
  );
  expect(held, 'enough that holds').toBeGreaterThan(0);
  expect(better, 'and enough above it').toBeGreaterThan(KITS / 6);
});
