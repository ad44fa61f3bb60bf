import type { Option, OwnedGroup, ShopProblem, Taken } from '../../src/core/shop/problem.ts';

/** Numbers from a seed, 0 up to 1. Source of the recurrence: Numerical Recipes, “quick and dirty” generators, from memory. */
function draws(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

/** A small problem of a shop: few needs, few options with equal prices and lengths among them, some own cards. */
export function drawnShop(seed: number): ShopProblem {
  const draw = draws(seed * 7919 + 1);
  const whole = (from: number, to: number): number => from + Math.floor(draw() * (to - from + 1));
  const needs = Array.from({ length: whole(1, 3) }, () => whole(10, 90));
  const owned: OwnedGroup[] = Array.from({ length: whole(0, 2) }, (_, group) => ({
    cardIds: Array.from({ length: whole(1, 2) }, (_, at) => `own ${group} ${at}`),
  }));
  const offers = whole(1, 4);
  const options: Option[] = [];
  for (const need of needs.keys()) {
    for (let offer = 0; offer < offers; offer += 1) {
      if (draw() < 0.3) continue;
      const width = draw() < 0.2 ? 2 : 1;
      options.push({
        need,
        minutes: whole(2, 8) * 5,
        cents: whole(1, 6) * 500 * width,
        cards: width,
        parts: [{ source: { kind: 'offer', offer }, count: width }],
        verdict: 'guaranteed',
        tone: 'cool',
      });
    }
    for (const [group, { cardIds }] of owned.entries()) {
      const count = draw() < 0.25 ? 2 : 1;
      if (draw() < 0.4 || count > cardIds.length) continue;
      options.push({
        need,
        minutes: whole(2, 10) * 5,
        cents: 0,
        cards: count,
        parts: [{ source: { kind: 'owned', group }, count }],
        verdict: 'guaranteed',
        tone: 'cool',
      });
    }
  }
  return { needs, options, owned };
}

/** Every choice that meets the needs and has nothing too much of anything, told one by one. */
export function everyChoice(problem: ShopProblem, told: (taken: readonly Taken[]) => void): void {
  const { needs, options, owned } = problem;
  const left = [...needs];
  const stock = owned.map(({ cardIds }) => cardIds.length);
  const taken: Taken[] = [];
  const go = (at: number): void => {
    if (at === options.length) {
      if (left.every((minutes) => minutes <= 0)) told(taken.filter(({ times }) => times > 0));
      return;
    }
    const { need, minutes, parts } = options[at] as Option;
    const most = Math.max(0, Math.ceil((left[need] as number) / minutes));
    for (let times = 0; times <= most; times += 1) {
      const over = parts.some(
        ({ source, count }) => source.kind === 'owned' && count * times > (stock[source.group] as number),
      );
      if (over) break;
      const use = (by: number): void => {
        left[need] = (left[need] as number) - by * minutes;
        for (const { source, count } of parts)
          if (source.kind === 'owned') stock[source.group] = (stock[source.group] as number) - by * count;
      };
      use(times);
      taken.push({ option: at, times });
      go(at + 1);
      taken.pop();
      use(-times);
    }
  };
  go(0);
}
