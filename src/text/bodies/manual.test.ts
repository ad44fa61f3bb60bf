import { describe, expect, it } from 'vitest';
import { foundText } from './manual.ts';

const lines = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, at) => ({ page: 3, line: from + at, cells: ['x'] }));

describe('what was found in a manual', () => {
  it('is told by its place, and by whether it was understood', () => {
    expect(foundText({ page: 3, lines: lines(4, 9), modes: 5 })).toBe('Page 3, lines 4–9: 5 lines like a mode');
    expect(foundText({ page: 'Modes', lines: lines(2, 2), modes: 1 })).toBe('Modes, row 2: one line like a mode');
    expect(foundText({ page: null, lines: lines(7, 8), modes: 0 })).toBe('Lines 7–8: rates, not understood');
  });
});
