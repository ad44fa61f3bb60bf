import { describe, expect, it } from 'vitest';
import type { Test } from '../kit/model.ts';
import { aBody, aCard, aMode, aTest } from '../testing.ts';
import { runsTable } from './runs.ts';

const bodies = [
  aBody({ modes: [aMode(), aMode({ id: 'n', name: 'other' }), aMode({ id: 'untested' })] }),
  aBody({ id: 'idle', name: 'idle' }),
];
const cards = [aCard(), aCard({ id: 'd', label: 'D' }), aCard({ id: 'new', label: 'new' })];
const run = (id: string, change: Partial<Test> = {}) => aTest({ id, end: 'stopped', seconds: 600, ...change });
const table = (...tests: readonly Test[]) => runsTable({ bodies, cards, tests });

describe('the table of runs', () => {
  it('has modes down and cards across, those that were tested, and nothing of a body without takes', () => {
    const [one, ...rest] = table(run('a'), run('b', { cardId: 'd', modeId: 'n' }), run('x', { modeId: 'gone' }));
    expect(rest).toEqual([]);
    expect(one?.modes.map(({ id }) => id)).toEqual(['m', 'n']);
    expect(one?.cards.map(({ id }) => id)).toEqual(['c', 'd']);
    expect(one?.runsOf('m', 'c').map(({ testId }) => testId)).toEqual(['a']);
    expect(one?.runsOf('m', 'd')).toEqual([]);
    expect(table()).toEqual([]);
  });

  it('marks equal bytes of equal lengths in one mode, over cards', () => {
    const tests = [
      run('a', { clipGB: 12.75 }),
      run('b', { clipGB: 12.7, cardId: 'd', seconds: 601 }),
      run('less', { clipGB: 11.9, cardId: 'd' }),
      run('longer', { clipGB: 25.5, seconds: 1200 }),
      run('other', { clipGB: 12.75, modeId: 'n' }),
      run('untold'),
    ];
    const [of] = table(...tests);
    const all = [of?.runsOf('m', 'c'), of?.runsOf('m', 'd'), of?.runsOf('n', 'c')].flatMap((runs) => runs ?? []);
    expect(all.filter(({ isEqual }) => isEqual).map(({ testId }) => testId)).toEqual(['a', 'b']);
    expect(all.filter(({ lessBy }) => lessBy !== null).map(({ testId }) => testId)).toEqual(['less']);
    expect(all.find(({ testId }) => testId === 'less')?.lessBy).toBeCloseTo(0.0667, 3);
    expect(all.find(({ testId }) => testId === 'untold')).toMatchObject({ GB: null, isEqual: false, lessBy: null });
  });

  it('compares nothing that follows the picture', () => {
    const [of] = table(run('a', { clipGB: 12.75, rateIs: 'quality' }), run('b', { clipGB: 12.75 }));
    expect(of?.runsOf('m', 'c').map(({ isEqual }) => isEqual)).toEqual([false, false]);
  });
});
