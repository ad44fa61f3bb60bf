import { describe, expect, it } from 'vitest';
import demo from '../../kit/demo.coolreel.json' with { type: 'json' };
import { readKit } from '../../kit/importKit.ts';
import { board } from './board.ts';
import { LADDER } from './ladder.ts';
import { DEFAULT_POLICY } from './policy.ts';

const read = await readKit(demo);
if (!read.ok) throw new Error('the demo kit is refused');
const { kit } = read.value;

describe('the ladder', () => {
  it('is the order in which every cell was asked', () => {
    const seen = new Set<string>();
    for (const column of board(kit, DEFAULT_POLICY).columns)
      for (const { findings } of column) {
        const places = findings.map(({ rule }) => LADDER.indexOf(rule));
        expect(places, findings.map(({ rule }) => rule).join()).toEqual([...places].sort((a, b) => a - b));
        for (const { rule } of findings) seen.add(rule);
      }
    // The demo meets most of them, so that the order is one of what really is asked.
    expect(seen.size).toBeGreaterThan(14);
  });

  it('has every rule once', () => {
    expect(new Set(LADDER).size).toBe(LADDER.length);
  });
});
