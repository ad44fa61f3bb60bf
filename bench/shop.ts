// Sets of cards: how the question grows, beside trying every choice, and what is proven in the time that is given.

import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { gzipSync } from 'node:zlib';
import type { Body, Card } from '../src/core/kit/model.ts';
import type { Need, Offer } from '../src/core/kit/shop.ts';
import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { chooseSteps } from '../src/core/shop/choose.ts';
import { curveSteps } from '../src/core/shop/curve.ts';
import { type ShopInput, shopOptions } from '../src/core/shop/options.ts';
import { choiceOf, type ShopProblem } from '../src/core/shop/problem.ts';
import { finish } from '../src/core/steps.ts';
import { aBody, aCard, aMode, aNeed, anOffer } from '../src/core/testing.ts';
import { solveWhole } from '../tests/support/highs.ts';
import { drawnShop, everyChoice } from '../tests/support/shopDraws.ts';
import { few } from './few.mjs';

const timed = <T>(task: () => T): readonly [number, T] => {
  const start = performance.now();
  const answer = task();
  return [performance.now() - start, answer];
};

const SIZES = [32, 64, 128, 160, 256, 320, 512, 640, 1000, 2000];

/** So many offers of ten sizes, from shops that ask more or less for the same. */
const offersOf = (count: number): readonly Offer[] =>
  Array.from({ length: count }, (_, at) => {
    const size = SIZES[at % SIZES.length] as number;
    return anOffer({ id: `o${at}`, capacityGB: size, price: Math.round(size * (0.6 + ((at * 37) % 101) / 250)) + 9 });
  });

/** The same where no two cards are of one size, and no price is near a line: nothing beats another at a glance. */
const oddOffers = (count: number): readonly Offer[] =>
  offersOf(count).map((offer, at) => {
    const capacityGB = offer.capacityGB + ((at * 7) % 13);
    return { ...offer, capacityGB, price: Math.round(capacityGB * (0.6 + ((at * 37) % 101) / 250)) + 9 };
  });

const bodiesOf = (count: number): readonly Body[] =>
  Array.from({ length: count }, (_, at) =>
    aBody({
      id: `b${at}`,
      name: `Body ${at}`,
      modes: [aMode({ rate: { kind: 'stated', Mbps: 120 + ((at * 53) % 380), is: 'maximum' } })],
    }),
  );

const needsOf = (count: number): readonly Need[] =>
  Array.from({ length: count }, (_, at) =>
    aNeed({ id: `n${at}`, bodyId: `b${at}`, hours: 3 + ((at * 17) % 40) / 3, sparePercent: 10 }),
  );

const cards: readonly Card[] = Array.from({ length: 20 }, (_, at) =>
  aCard({ id: `c${at}`, label: `C-${at}`, capacityGB: SIZES[at % 6] as number }),
);

const inputOf = (needs: number, offers: readonly Offer[]): ShopInput => ({
  kit: { bodies: bodiesOf(needs), cards, tests: [] },
  needs: needsOf(needs),
  offers,
  useOwned: true,
  policy: DEFAULT_POLICY,
});

function measured(name: string, needs: number, offers: readonly Offer[]): void {
  const input = inputOf(needs, offers);
  const [asking, { problem }] = timed(() => shopOptions(input));
  const [solving, sets] = timed(() => finish(chooseSteps(problem, solveWhole, 2)) ?? []);
  const [between, curve] = timed(() => finish(curveSteps(problem, solveWhole, 1)));
  const proven = sets.filter(({ optimal }) => optimal).length;
  console.log(
    `  ${name}: Match ${asking.toFixed(0)} ms, sets ${solving.toFixed(0)} ms, ${proven} of ${sets.length} proven; ${curve.points.length} steps between them in ${between.toFixed(0)} ms${curve.proven ? '' : ', not all proven'}`,
  );
}

console.log('Sets for needs × offers, 20 own cards that any need could take (aim: 5 × 60 under 1000 ms)');
for (const [needs, offers] of [
  [1, 20],
  ...few(
    [
      [5, 60],
      [10, 100],
      [10, 500],
      [5, 10_000],
    ] as const,
    [],
  ),
] as const)
  measured(`${needs} × ${offers}`, needs, offersOf(offers));
measured('5 × 60, no two of one size', 5, oddOffers(60));

const drawn: readonly ShopProblem[] = Array.from({ length: few(60, 3) }, (_, seed) => drawnShop(seed));
const [all] = timed(() => {
  for (const problem of drawn) everyChoice(problem, (taken) => choiceOf(problem, taken));
});
const [solved] = timed(() => {
  for (const problem of drawn) finish(chooseSteps(problem, solveWhole, 5)) ?? [];
});
console.log(`60 small lists: every choice tried takes ${(all / solved).toFixed(2)} × as long as the solver`);

const wasm = gzipSync(readFileSync(createRequire(import.meta.url).resolve('highs/runtime')));
console.log(
  `The solver is ${(wasm.length / 1e6).toFixed(2)} MB gzip, and not loaded before a wallet is too large for a table`,
);
