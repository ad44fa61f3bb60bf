// The best mode of twelve bodies of twenty modes on sixty cards, beside the whole board of the same kit.

import loadHighs from 'highs';
import { bestSteps } from '../src/core/best/best.ts';
import { entryAt } from '../src/core/entryAt.ts';
import type { Body, Card } from '../src/core/kit/model.ts';
import { board } from '../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { finish } from '../src/core/steps.ts';
import demo from '../src/kit/demo.coolreel.json' with { type: 'json' };
import { integerSolver } from '../src/solving/integerSolver.ts';
import { few } from './few.mjs';

const [BODIES, MODES, CARDS] = [few(12, 2), few(20, 4), few(60, 6)];
const bodiesOf = demo.bodies as unknown as readonly Body[];
const cardsOf = demo.cards as unknown as readonly Card[];
const bodies = Array.from({ length: BODIES }, (_, at): Body => {
  const body = entryAt(bodiesOf, at % bodiesOf.length);
  return {
    ...body,
    id: `b${at}`,
    modes: Array.from({ length: MODES }, (_, rung) => {
      const mode = entryAt(body.modes, rung % body.modes.length);
      const { rate } = mode;
      return {
        ...mode,
        id: `m${rung}`,
        rate: rate.kind === 'stated' ? { ...rate, Mbps: rate.Mbps * (1 + rung / 40) } : rate,
      };
    }),
  };
});
const cards = Array.from(
  { length: CARDS },
  (_, at): Card => ({
    ...entryAt(cardsOf, at % cardsOf.length),
    id: `c${at}`,
    label: `C-${at}`,
  }),
);
const kit = { bodies, cards, tests: [] };
const solve = integerSolver(await loadHighs());
const asked = {
  kit,
  offers: [],
  policy: DEFAULT_POLICY,
  minutes: 60,
  stretchMinutes: null,
  air: { ambientC: 20, sunC: 0 },
  rhythm: null,
  accepted: 0.05,
  runs: 2000,
  seed: 1,
} as const;

const timed = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};
const all = [0, 1, 2].map(() => {
  const whole = timed(() => board(kit, DEFAULT_POLICY).columns);
  const best = timed(() => finish(bestSteps(asked, { solve, seconds: 1, heat: new Map() })));
  return { whole, best };
});
const [median] = [...all].sort((a, b) => a.best - b.best).slice(1, 2);
if (median)
  console.log(
    `${BODIES} bodies × ${MODES} modes × ${CARDS} cards: ${Math.round(median.best)} ms, ${(median.best / median.whole).toFixed(1)} × the whole board`,
  );
