import { expect, it, vi } from 'vitest';
import { solve, solveWhole } from '../../tests/support/highs.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { aBody, aCard, aNeed, anOffer } from '../core/testing.ts';
import { solverTasks } from './solver.tasks.ts';
import { createTaskApi } from './taskApi.ts';

const input = {
  kit: { bodies: [aBody()], cards: [aCard()], tests: [] },
  needs: [aNeed()],
  offers: [anOffer()],
  useOwned: true,
  policy: DEFAULT_POLICY,
};

it('a small wallet is worked out, and proven, before the solver is loaded; with time given it is loaded', async () => {
  const load = vi.fn(async () => ({ linear: solve, whole: solveWhole }));
  const api = createTaskApi(solverTasks(load));
  const asked = (seconds: number) => api.run(1, 'shop', { input, seconds }, () => {});
  const found = await asked(0);
  const around = await api.run(2, 'shopAround', { input, seconds: 0 }, () => {});
  expect(found?.sets.map(({ optimal, price }) => [optimal, price])).toEqual([
    [true, 190],
    [true, 190],
    [true, 190],
  ]);
  expect(around?.curve.proven).toBe(true);
  expect(load).not.toHaveBeenCalled();
  expect(await asked(2)).toEqual(found);
  expect(load).toHaveBeenCalledOnce();
});
