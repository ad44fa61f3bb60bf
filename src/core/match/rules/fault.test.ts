import { describe, expect, it } from 'vitest';
import { recordedFault } from '../../cards/recordedFault.ts';
import type { Card, Incident } from '../../kit/model.ts';
import { aBody, aCard, aMode, aTest } from '../../testing.ts';
import { board } from '../board.ts';
import { cellTone } from '../cell.ts';
import { DEFAULT_POLICY } from '../policy.ts';

const corrupt = (change: Partial<Incident> = {}): Incident => ({
  date: '2026-05-02',
  kind: 'corruption',
  text: 'Two clips came back torn.',
  ...change,
});
const strong = (change: Partial<Card> = {}) => aCard({ marks: ['II', 'V90'], ...change });

describe('a fault noted of a card', () => {
  it('stands until somebody settles it, or the card was read back on a later day', () => {
    expect(recordedFault(strong())).toBeNull();
    expect(recordedFault(strong({ incidents: [corrupt()] }))).toEqual(corrupt());
    expect(
      recordedFault(strong({ incidents: [corrupt({ kind: 'warning' }), corrupt({ kind: 'dropped' })] })),
    ).toBeNull();
    expect(recordedFault(strong({ incidents: [corrupt({ resolved: '2026-05-03' })] }))).toBeNull();
    const verified = (date: string) => strong({ incidents: [corrupt()], verified: { date, how: 'read back' } });
    expect(recordedFault(verified('2026-05-03'))).toBeNull();
    // The same day, and nobody knows which came first.
    for (const date of ['2026-05-02', '2026-05-01']) expect(recordedFault(verified(date))).not.toBeNull();
    const older = corrupt({ date: '2026-01-01', kind: 'damage' });
    expect(recordedFault(strong({ incidents: [corrupt(), older] }))?.date).toBe('2026-05-02');
  });

  it('leaves the card cool nowhere, whatever it promises and has held', () => {
    const body = aBody({ modes: [aMode(), aMode({ id: 'slow', rate: { kind: 'stated', Mbps: 20, is: 'maximum' } })] });
    const tests = [aTest({ seconds: 4042 })];
    for (const card of [strong(), strong({ marks: [], bus: 'uhs-ii' })])
      for (const take of ['once', 'repeatable'] as const) {
        const of = (one: Card) =>
          board({ bodies: [body], cards: [one], tests }, { ...DEFAULT_POLICY, take }).columnAt(0);
        expect(of(card).map((cell) => cellTone(cell, take))).not.toContain('hot');
        for (const cell of of({ ...card, incidents: [corrupt()] })) {
          expect(cell).toMatchObject({ verdict: 'uncovered', doubted: true });
          expect(cellTone(cell, take)).toBe('hot');
          expect(cell.findings).toContainEqual({ rule: 'fault', outcome: 'short', incident: corrupt() });
        }
      }
  });

  it('is of the one card: others of its print answer as before', () => {
    const cards = ['a', 'b', 'c'].map((id) => strong({ id, label: id, incidents: id === 'b' ? [corrupt()] : [] }));
    const made = board({ bodies: [aBody()], cards, tests: [] }, DEFAULT_POLICY);
    expect(made.columns.map(([cell]) => cell?.verdict)).toEqual(['guaranteed', 'uncovered', 'guaranteed']);
  });

  it('turns nothing better: what does not fit still does not', () => {
    const card = aCard({ form: 'cfast', incidents: [corrupt()] });
    expect(board({ bodies: [aBody()], cards: [card], tests: [] }, DEFAULT_POLICY).columnAt(0)[0]?.verdict).toBe(
      'unfit',
    );
  });
});
