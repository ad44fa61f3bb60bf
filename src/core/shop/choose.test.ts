import { describe, expect, it } from 'vitest';
import { solveWhole } from '../../../tests/support/highs.ts';
import { runs } from '../../../tests/support/runs.ts';
import { drawnShop, everyChoice } from '../../../tests/support/shopDraws.ts';
import { finish } from '../steps.ts';
import { chooseSteps } from './choose.ts';
import { AIMS, type Aim, type Choice, choiceOf, meets, type Option, type ShopProblem } from './problem.ts';

/** What decides between sets, in order. */
const ORDER: Readonly<Record<Aim, (choice: Choice) => readonly number[]>> = {
  cheapest: ({ cents, cards, most }) => [cents, cards, most],
  'fewest-cards': ({ cents, cards, most }) => [cards, cents, most],
  'least-at-risk': ({ cents, cards, most }) => [most, cents, cards],
};

const before = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((one, place) => one !== b[place]);
  return at >= 0 && (a[at] as number) < (b[at] as number);
};

/** The best of every choice there is, by each aim. */
function enumerated(problem: ShopProblem): Readonly<Record<Aim, readonly number[] | null>> {
  const best: Record<Aim, readonly number[] | null> = { cheapest: null, 'fewest-cards': null, 'least-at-risk': null };
  everyChoice(problem, (taken) => {
    const choice = choiceOf(problem, taken);
    for (const aim of AIMS) {
      const found = ORDER[aim](choice);
      const known = best[aim];
      if (known === null || before(found, known)) best[aim] = found;
    }
  });
  return best;
}

describe('sets of cards', () => {
  it.each([
    ['by the table of own cards', true],
    ['by the solver', false],
  ])('%s are those of an enumeration of every choice, for all three aims and ties, on drawn problems', (_, tables) => {
    let none = 0;
    let ties = 0;
    for (let seed = 0; seed < runs(100, 500); seed += 1) {
      const problem = drawnShop(seed);
      const best = enumerated(problem);
      const sets = finish(chooseSteps(problem, solveWhole, 20, tables)) ?? [];
      if (best.cheapest === null) {
        none += 1;
        expect(sets, `seed ${seed}`).toEqual([]);
        continue;
      }
      expect(sets.map(({ aim }) => aim)).toEqual(AIMS);
      for (const set of sets) {
        expect(ORDER[set.aim](set), `seed ${seed} ${set.aim}`).toEqual(best[set.aim]);
        expect(meets(problem, set.taken), `seed ${seed} ${set.aim}`).toBe(true);
        expect(set.optimal).toBe(true);
        expect(set.bound).toBe(ORDER[set.aim](set)[0]);
      }
      if (best.cheapest[0] === best['fewest-cards']?.[1]) ties += 1;
    }
    // The draw holds what it is to be tried on: problems nothing meets, and those where aims agree.
    expect(none).toBeGreaterThan(20);
    expect(ties).toBeGreaterThan(20);
  });

  it('of a wallet too large for a table come from the solver, and are no worse than what own cards are worth', () => {
    // Eighteen groups of two that both needs want: 3 to the 18th places.
    const owned = Array.from({ length: 18 }, (_, at) => ({ cardIds: [`a${at}`, `b${at}`] }));
    const option = (
      need: number,
      minutes: number,
      cents: number,
      source: Option['parts'][number]['source'],
    ): Option => ({
      need,
      minutes,
      cents,
      cards: 1,
      parts: [{ source, count: 1 }],
      verdict: 'guaranteed',
      tone: 'cool',
    });
    const options = [0, 1].flatMap((need) => [
      ...owned.map((_, group) => option(need, 11 + group * 3 + need, 0, { kind: 'owned', group })),
      option(need, 60, 5000, { kind: 'offer', offer: 0 }),
    ]);
    const total = options
      .filter(({ need, cents }) => need === 0 && cents === 0)
      .reduce((sum, { minutes }) => sum + 2 * minutes, 0);
    const problem = { needs: [total - 200, 330], options, owned };
    const [cheapest] = finish(chooseSteps(problem, solveWhole, 20)) ?? [];
    expect(cheapest?.optimal).toBe(true);
    // 130 minutes are missing by the first need; by the second each card holds one more: two cards of 60 do.
    expect(cheapest?.cents).toBe(10_000);
  });

  it('say what is known where the solver was stopped: a set that holds, and that none is below its bound', () => {
    const option = (minutes: number, cents: number, offer: number): Option => ({
      need: 0,
      minutes,
      cents,
      cards: 1,
      parts: [{ source: { kind: 'offer', offer }, count: 1 }],
      verdict: 'guaranteed',
      tone: 'cool',
    });
    const problem = { needs: [120], options: [option(67, 19_000, 0), option(134, 39_500, 1)], owned: [] };
    const stopped =
      finish(chooseSteps(problem, () => ({ end: 'stopped', point: null, bound: 0.5 }), 0.001, false)) ?? [];
    expect(stopped.map(({ aim, optimal, cents }) => [aim, optimal, cents])).toEqual([
      ['cheapest', false, 38_000],
      ['fewest-cards', false, 39_500],
      ['least-at-risk', false, 38_000],
    ]);
    for (const set of stopped) expect(set.bound).toBeLessThanOrEqual(ORDER[set.aim](set)[0] as number);
  });

  it('does not take none found for none: own cards alone, too many for a table, and no time', () => {
    const owned = Array.from({ length: 40 }, (_, at) => ({ cardIds: [`a${at}`] }));
    const options = [0, 1].flatMap((need) =>
      owned.map(
        (_, group): Option => ({
          need,
          minutes: 10 + group,
          cents: 0,
          cards: 1,
          verdict: 'guaranteed',
          tone: 'cool',
          parts: [{ source: { kind: 'owned', group }, count: 1 }],
        }),
      ),
    );
    const problem = { needs: [100, 100], options, owned };
    const stopped = chooseSteps(problem, () => ({ end: 'stopped', point: null, bound: 0 }), 0);
    expect(finish(stopped)).toBeNull();
    expect(finish(chooseSteps(problem, solveWhole, 20))).toHaveLength(3);
  });
});
