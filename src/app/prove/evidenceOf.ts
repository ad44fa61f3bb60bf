import type { BenchResult, Body, Card, Clearing, Test } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import { type Due, due, monthsBetween, RETEST } from '../../core/prove/age.ts';
import { type NoBetter, noBetter } from '../../core/prove/clearing.ts';
import { type Puzzle, puzzles } from '../../core/prove/puzzles.ts';
import type { Settings } from '../../kit/kit.ts';
import { today } from '../kit/today.ts';

/** What an answer stands on: its own tests with their age, and what bursts say of the pair. */
export interface EvidenceOf {
  readonly own: readonly Test[];
  /** Of other cards of its print. */
  readonly likely: readonly Test[];
  /** Whole months since the newest of its own; null where none is dated. */
  readonly months: number | null;
  /** Results of this very pair that look impossible, and what explains them best. */
  readonly odd: readonly Puzzle[];
  readonly due: readonly Due[];
  readonly noBetter: readonly NoBetter[];
  /** What was measured of the card at a computer, the newest first. */
  readonly benches: readonly BenchResult[];
}

/** Bench results told in Why; the rest are in the log. */
const MOST_BENCHES = 4;

export function evidenceOf(
  cell: Cell,
  { body, card }: { readonly body: Body; readonly card: Card },
  {
    cards,
    tests,
    clearings,
    benches,
  }: Pick<BoardKit, 'cards' | 'tests'> & {
    readonly clearings: readonly Clearing[];
    readonly benches: readonly BenchResult[];
  },
  { retest }: Pick<Settings, 'retest'>,
): EvidenceOf {
  const named = (rule: 'own-tests' | 'twin-tests'): readonly Test[] => {
    const ids = cell.findings.flatMap((finding) => (finding.rule === rule ? finding.testIds : []));
    return tests.filter(({ id }) => ids.includes(id));
  };
  const own = named('own-tests');
  const newest =
    own
      .flatMap(({ date }) => date ?? [])
      .toSorted()
      .at(-1) ?? '';
  const isOfPair = ({ bodyId, modeId, cardId }: Test): boolean =>
    bodyId === body.id && cardId === card.id && modeId === cell.modeId;
  return {
    own,
    likely: named('twin-tests'),
    months: newest === '' ? null : monthsBetween(newest, today()),
    odd: puzzles({ bodies: [body], cards: [card], tests: tests.filter(isOfPair) }),
    due: own.length > 0 ? due(own, { body, card }, retest ?? RETEST, today()) : [],
    noBetter: noBetter(body, cards, clearings).filter(({ faster }) => faster.card.id === card.id),
    benches: benches
      .filter(({ cardId }) => cardId === card.id)
      .toSorted((a, b) => (b.date ?? '').localeCompare(a.date ?? ''))
      .slice(0, MOST_BENCHES),
  };
}
