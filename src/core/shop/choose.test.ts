import { describe, expect, it } from 'vitest';
import { solveWhole } from '../../../tests/support/highs.ts';
import { drawnShop, everyChoice } from '../../../tests/support/shopDraws.ts';
import { finish } from '../steps.ts';
import { chooseSteps } from './choose.ts';
import { AIMS, type Aim, type Choice, choiceOf, meets, type ShopProblem } from './problem.ts';

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
  it('are those of an enumeration of every choice, for all three aims and ties, on 500 drawn problems', () => {
    let none = 0;
    let ties = 0;
    for (let seed = 0; seed < 500; seed += 1) {
      const problem = drawnShop(seed);
      const best = enumerated(problem);
      const sets = finish(chooseSteps(problem, solveWhole, 20));
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
});
