import { describe, expect, it } from 'vitest';
import { big, cine } from '../../../../tests/support/aSetup.ts';
import type { Card } from '../../kit/model.ts';
import { board } from '../../match/board.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../../testing.ts';
import { cardFigures, needMBps } from './cardFigures.ts';
import { isCalibrated, known, spreadOf } from './known.ts';

describe('figures of a card', () => {
  const cellOf = (card: Card, tests = [aTest()].slice(1)) => {
    const cell = board({ bodies: [cine], cards: [card], tests }, DEFAULT_POLICY).columns[0]?.[0];
    if (!cell) throw new Error('no cell');
    return cell;
  };

  it('take 20 % off what the maker claims', () => {
    expect(cardFigures(big, cellOf(big)).sustainedMBps).toMatchObject({ value: 1200, basis: 'claimed' });
  });

  it('take the best of claim, mark and test', () => {
    const marked = { ...big, sustainedMBps: null, marks: ['VPG400'] };
    expect(cardFigures(marked, cellOf(marked)).sustainedMBps).toMatchObject({
      value: 400,
      basis: 'guaranteed',
      source: { code: 'mark', mark: 'VPG400' },
    });
    // 4000 GB × 0.987 in 2820 s are 1400 MB/s.
    const tests = [aTest({ cardId: 'big', modeId: null, slotId: 's1', seconds: 2820, writtenMBps: 1400 })];
    expect(cardFigures(big, cellOf(big, tests)).sustainedMBps).toMatchObject({
      basis: 'tested',
      source: { code: 'own-test', MBps: 1400 },
    });
    const dropped = [aTest({ cardId: 'big', writtenMBps: 1400, end: 'dropped' })];
    expect(cardFigures(big, cellOf(big, dropped)).sustainedMBps.basis, 'a drop proves no pace').toBe('claimed');
  });

  it('take a card of which nothing is known to keep up, so that only heat is asked', () => {
    const blank = { ...big, sustainedMBps: null, writeMBps: null };
    const pace = cardFigures(blank, cellOf(blank)).sustainedMBps;
    expect(pace.source.code).toBe('keeps-up');
    expect(pace.value).toBeGreaterThan(800);
  });

  it('make of a byte what its form makes, with the range that such cards lie in', () => {
    const { energyNJPerByte } = cardFigures(big, cellOf(big));
    expect(energyNJPerByte).toMatchObject({ value: 2.5, low: 1.5, high: 4.2, basis: 'assumed' });
    expect(spreadOf(energyNJPerByte)).toBeCloseTo(Math.log(4.2 / 1.5) / 3.2898, 6);
  });

  // SD Physical Layer and UHS-II Addendum, from memory: a host need give no more than 1.44 W over one row, 2.88 W over two.
  it.each([
    ['default', 12, 1.44],
    ['uhs-i', 100, 1.44],
    ['uhs-ii-312', 300, 2.88],
    ['uhs-iii', 600, 2.88],
  ] as const)('draw over %s, written at %i MB/s, no more than %f W', (key, MBps, mostW) => {
    for (const form of ['sd', 'microsd'] as const) {
      const body = aBody({
        slots: [aSlot({ accepts: [{ form, bus: key }] })],
        modes: [aMode({ rate: { kind: 'stated', Mbps: MBps * 8, is: 'maximum' } })],
      });
      const card = aCard({ form, bus: key });
      const cell = board({ bodies: [body], cards: [card], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
      if (!cell) throw new Error('no cell');
      const { energyNJPerByte, idleW } = cardFigures(card, cell);
      const most = idleW.value + (energyNJPerByte.high ?? Number.NaN) * 1e-3 * needMBps(cell);
      expect(most, form).toBeLessThanOrEqual(mostW + 1e-9);
      expect(energyNJPerByte.low).toBeLessThanOrEqual(energyNJPerByte.value);
    }
  });

  it('borrow where a form has no row of its own, and say so', () => {
    const module: Card = { ...big, form: 'module' };
    expect(cardFigures(module, cellOf(module)).cardResistanceKPerW.source).toEqual({
      code: 'form',
      form: 'module',
      borrowedFrom: 'cfexpress-b',
    });
  });

  it('spread less where more is known, and a fitted one as it says', () => {
    const source = { code: 'own' } as const;
    const spreads = (['assumed', 'claimed', 'stated', 'tested', 'guaranteed'] as const).map((basis) =>
      spreadOf(known(1, basis, source)),
    );
    expect(spreads).toEqual(spreads.toSorted((a, b) => b - a));
    // Nine tenths of a normal logarithm lie within ±1.645 deviations.
    const fitted = {
      value: 10,
      basis: 'fitted',
      source,
      low: 10 * Math.exp(-0.1645),
      high: 10 * Math.exp(0.1645),
    } as const;
    expect(spreadOf(fitted)).toBeCloseTo(0.1, 3);
  });

  it('are calibrated only where both heat paths are more than assumed', () => {
    const [assumed, stated] = [known(1, 'assumed', { code: 'own' }), known(1, 'stated', { code: 'own' })];
    expect(isCalibrated({ cardResistanceKPerW: stated, bodyResistanceKPerW: stated })).toBe(true);
    expect(isCalibrated({ cardResistanceKPerW: assumed, bodyResistanceKPerW: stated })).toBe(false);
    expect(isCalibrated({})).toBe(false);
  });
});
