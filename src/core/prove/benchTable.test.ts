import { describe, expect, it } from 'vitest';
import type { BenchResult } from '../kit/model.ts';
import { aCard } from '../testing.ts';
import { benchTable } from './benchTable.ts';

const bench = (id: string, change: Partial<BenchResult> = {}): BenchResult => ({
  id,
  cardId: 'c',
  date: null,
  reader: 'desk',
  port: null,
  program: 'sequential',
  readMBps: null,
  writeMBps: null,
  lowestWriteMBps: null,
  ...change,
});
const cards = [aCard({ marks: ['II', 'V90'] }), aCard({ id: 'one', label: 'one', marks: ['I', 'V30'] })];
const rows = (...benches: readonly BenchResult[]) => benchTable(cards, benches);

describe('what was measured at a computer', () => {
  it('is one row a program and reader, from least to most', () => {
    const [of, ...rest] = rows(
      bench('a', { writeMBps: 240, readMBps: 280, lowestWriteMBps: 90 }),
      bench('b', { writeMBps: 250, reader: ' Desk ' }),
      bench('c', { writeMBps: 80, reader: 'bus-powered' }),
      bench('d', { program: 'fill-and-verify' }),
    );
    expect(rest).toEqual([]);
    expect(of?.busMBps).toBe(312);
    expect(of?.rows).toMatchObject([
      { ids: ['a', 'b'], write: { least: 240, most: 250 }, read: { least: 280, most: 280 }, lowestWrite: 90, runs: 2 },
      { ids: ['c'], reader: 'bus-powered', write: { least: 80, most: 80 }, read: null, lowestWrite: null },
      { ids: ['d'], program: 'fill-and-verify', write: null, read: null },
    ]);
  });

  it('above what the card can pass is no figure of the card; a reader of the maker’s own is allowed for', () => {
    expect(rows(bench('a', { readMBps: 400 }))[0]?.rows[0]?.isAboveBus).toBe(true);
    expect(rows(bench('a', { readMBps: 312 }))[0]?.rows[0]?.isAboveBus).toBe(false);
    const onOne = (readMBps: number) => rows(bench('a', { cardId: 'one', readMBps }))[0]?.rows[0]?.isAboveBus;
    expect([170, 200, 201].map(onOne)).toEqual([false, false, true]);
    // Of a card whose bus nobody knows nothing is struck out.
    const [bare] = benchTable([aCard({ form: 'module', bus: null, marks: [] })], [bench('a', { readMBps: 9000 })]);
    expect(bare).toMatchObject({ busMBps: null, rows: [{ isAboveBus: false }] });
  });

  it('takes the lowest ten seconds of a trace before a figure that was typed', () => {
    const trace = { floorMBps: 77 } as BenchResult['trace'];
    expect(rows(bench('a', { lowestWriteMBps: 120, trace: trace ?? null }))[0]?.rows[0]?.lowestWrite).toBe(77);
  });
});
