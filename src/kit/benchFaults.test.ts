import { describe, expect, it } from 'vitest';
import type { BenchResult } from '../core/kit/model.ts';
import { aCard } from '../core/testing.ts';
import { withBenchFaults } from './benchFaults.ts';
import { EMPTY_KIT } from './kit.ts';

const bench = (change: Partial<BenchResult> = {}): BenchResult => ({
  id: 'n',
  cardId: 'c',
  date: '2026-05-02',
  reader: null,
  port: null,
  program: 'fill-and-verify',
  readMBps: null,
  writeMBps: null,
  lowestWriteMBps: null,
  fault: 'False capacity: it holds 32 GB.',
  ...change,
});
const kit = (card: Parameters<typeof aCard>[0], ...benches: readonly BenchResult[]) => ({
  ...EMPTY_KIT,
  cards: [aCard(card), aCard({ id: 'other' })],
  benches,
});

describe('what a bench found wrong', () => {
  it('stands on its card in a file that has the result alone, once', () => {
    const read = withBenchFaults(kit({}, bench()));
    expect(read.cards[0]?.incidents).toEqual([
      { date: '2026-05-02', kind: 'corruption', text: 'False capacity: it holds 32 GB.' },
    ]);
    expect(read.cards[1]?.incidents ?? []).toEqual([]);
    expect(withBenchFaults(read), 'and not again').toBe(read);
  });

  it('without a day is no older than anything, and no verification of a known day answers it', () => {
    const verified = { verified: { date: '2026-06-01', how: '' } } as const;
    const read = withBenchFaults(kit(verified, bench({ date: null })));
    expect(read.cards[0]?.incidents).toEqual([
      { date: '2026-06-01', kind: 'corruption', text: 'Day not noted: False capacity: it holds 32 GB.' },
    ]);
    expect(withBenchFaults(read), 'and not again').toBe(read);
    // One that was noted and looked into since stays looked into.
    const settled = kit(
      {
        incidents: [
          {
            date: '2026-06-01',
            kind: 'corruption',
            text: 'Day not noted: False capacity: it holds 32 GB.',
            resolved: '2026-06-02',
          },
        ],
      },
      bench({ date: null }),
    );
    expect(withBenchFaults(settled)).toBe(settled);
  });

  it.each([
    ['nothing was found', {}, bench({ fault: null })],
    ['it is noted already', { incidents: [{ date: '2026-05-02', kind: 'warning', text: '' }] } as const, bench()],
    ['it was read back since', { verified: { date: '2026-06-01', how: '' } }, bench()],
    ['its card is gone', {}, bench({ cardId: 'gone' })],
  ] as const)('leaves a kit as it is where %s', (_, card, found) => {
    const before = kit(card, found);
    expect(withBenchFaults(before)).toBe(before);
  });
});
