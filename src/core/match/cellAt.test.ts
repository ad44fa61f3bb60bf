import { describe, expect, it } from 'vitest';
import { largeKit, testsFor } from '../../../tests/support/largeKit.ts';
import { ARRANGEMENTS } from '../kit/model.ts';
import { board } from './board.ts';
import { DEFAULT_POLICY } from './policy.ts';

/** Two hundred and sixty modes, some of one slot alone, over bodies of every arrangement. */
function manyRows() {
  const kit = largeKit(260, 30);
  const bodies = kit.bodies.map((body, at) => ({
    ...body,
    arrangement: ARRANGEMENTS[at % ARRANGEMENTS.length] ?? 'single',
    modes: body.modes.map((mode, m) => (m === 3 ? { ...mode, slotIds: ['s2'] } : mode)),
  }));
  return { ...kit, bodies, tests: testsFor({ bodies, cards: kit.cards }, 200) };
}

describe('a cell by its place', () => {
  const kit = manyRows();
  const whole = board(kit, DEFAULT_POLICY);
  const asked = board(kit, DEFAULT_POLICY);

  it('is the cell of its column, worked out with its body alone', () => {
    expect(whole.rows.length).toBeGreaterThan(200);
    // From the last to the first: no row leans on one that was looked at before it.
    for (let at = whole.cards.length - 1; at >= 0; at -= 1)
      for (let row = whole.rows.length - 1; row >= 0; row -= 7)
        expect(asked.cellAt(at, row), `${at} ${row}`).toEqual(whole.columnAt(at)[row]);
  });

  it('is the same one however often it is asked for, and the column’s own once that is there', () => {
    const fresh = board(kit, DEFAULT_POLICY);
    expect(fresh.cellAt(3, 17)).toBe(fresh.cellAt(3, 17));
    const column = fresh.columnAt(3);
    expect(fresh.cellAt(3, 17)).toBe(column[17]);
  });

  it('is missing past either end', () => {
    for (const [at, row] of [
      [-1, 0],
      [kit.cards.length, 0],
      [0, -1],
      [0, whole.rows.length],
    ] as const)
      expect(asked.cellAt(at, row)).toBeUndefined();
  });
});
