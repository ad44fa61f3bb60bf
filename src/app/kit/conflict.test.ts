import { describe, expect, it } from 'vitest';
import { chosen, disagreements } from './conflict.ts';

const before = { label: 'C-01', capacityGB: 256, marks: ['V90'], modes: [{ id: 'm', name: '4K', fps: 25 }] };

describe('two changes of one entry', () => {
  it('differ where one side or both changed a field, and not where both changed it alike', () => {
    const mine = { ...before, capacityGB: 512, marks: ['V90', 'II'], firmware: '2' };
    const theirs = { ...before, label: 'C-1', marks: ['V60'], firmware: '2' };
    const all = disagreements(before, mine, theirs);
    expect(all.map(({ path, by }) => [path.join('.'), by])).toEqual([
      ['capacityGB', 'me'],
      ['marks', 'both'],
      ['label', 'them'],
    ]);
  });

  it('come together as chosen, field by field', () => {
    const mine = { ...before, capacityGB: 512, marks: [] as string[] };
    const theirs = { ...before, label: 'C-1', marks: ['V60'] };
    const all = disagreements(before, mine, theirs);
    expect(chosen(theirs, all, [true, true, false])).toEqual({ ...theirs, capacityGB: 512, marks: [] });
    expect(chosen(theirs, all, [false, false, true])).toEqual({ ...before, marks: ['V60'] });
  });

  it('meet inside an entry of a list, and where one side took the whole entry out', () => {
    const mine = { ...before, modes: [{ id: 'm', name: '4K intra', fps: 25 }] };
    const inside = disagreements(before, mine, { ...before, modes: [{ id: 'm', name: '4K', fps: 50 }] });
    expect(inside.map(({ path }) => path.at(-1))).toEqual(['name', 'fps']);
    const gone = { ...before, modes: [] };
    const all = disagreements(before, mine, gone);
    expect(all).toHaveLength(1);
    expect(all[0]).toMatchObject({ by: 'both', theirs: undefined });
    expect(chosen<unknown>(gone, all, [true])).toEqual(mine);
    expect(chosen<unknown>(gone, all, [false])).toEqual(gone);
  });
});
