import { describe, expect, it } from 'vitest';
import { completions } from './complete.ts';
import { readAsk } from './readAsk.ts';

const NAMES = ['Dory', 'Crow’s nest', '4K intra', 'C-01', 'C-02'];
const pieces = (text: string): readonly string[] => completions(text, NAMES).map(({ piece }) => piece);

describe('what a line may go on with', () => {
  it.each([
    ['600', ['600 Mb/s', '600 MB/s', '600 GB']],
    ['600 Mb/s on 256', ['256 GB', '256 TB', '256 p']],
    ['600 Mb/s on 256GB V90 for 2', ['2 min', '2 h']],
    ['600 Mb/s on 256GB V9', ['V90']],
    ['on CFex', ['CFexpress A', 'CFexpress B', 'CFexpress C']],
    ['400 Mb/s mir', ['mirrored']],
    ['do', ['Dory']],
    ['Dory 4K in', ['4K intra']],
    ['Crow’s n', ['Crow’s nest']],
    ['Dory 4K intra on c', ['C-02', 'C-01', 'Crow’s nest', 'CFexpress A', 'CFexpress B', 'CFexpress C']],
    ['600 Mb/s on 256GB V90', []],
    ['600 Mb/s ', []],
    ['', []],
  ])('%s', (text, wanted) => {
    expect(pieces(text)).toEqual(wanted);
  });

  it('keeps what was typed before, and ends ready for the next word', () => {
    expect(completions('dory 4K in', NAMES)).toEqual([{ piece: '4K intra', line: 'dory 4K intra ' }]);
    expect(completions('600', []).map(({ line }) => line)).toEqual(['600 Mb/s ', '600 MB/s ', '600 GB ']);
  });

  it('leads to lines that are understood', () => {
    for (const start of [
      '600 Mb/s on 256',
      '400 Mb/s on 256GB V',
      '600 Mb/s on 128GB V60 for 90',
      '400 Mb/s on 128GB mi',
    ])
      for (const { line } of completions(start, [])) {
        const read = readAsk(line.trim());
        expect(read.ok || read.error.code !== 'not-understood', line).toBe(true);
      }
  });
});
