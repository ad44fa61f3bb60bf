import type { Due } from '../../core/evidence/age.ts';
import { due, RETEST } from '../../core/evidence/age.ts';
import { type NoBetter, noBetter } from '../../core/evidence/clearing.ts';
import type { Body, Card, Clearing, Test } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import type { Settings } from '../../kit/kit.ts';
import { today } from '../kit/today.ts';

/** What an answer stands on: its own tests with their age, and what bursts say of the pair. */
export interface EvidenceOf {
  readonly own: readonly Test[];
  /** Of other cards of its print. */
  readonly likely: readonly Test[];
  readonly due: readonly Due[];
  readonly noBetter: readonly NoBetter[];
}

export function evidenceOf(
  cell: Cell,
  { body, card }: { readonly body: Body; readonly card: Card },
  { cards, tests }: Pick<BoardKit, 'cards' | 'tests'>,
  clearings: readonly Clearing[],
  { retest }: Pick<Settings, 'retest'>,
): EvidenceOf {
  const named = (rule: 'own-tests' | 'twin-tests'): readonly Test[] => {
    const ids = cell.findings.flatMap((finding) => (finding.rule === rule ? finding.testIds : []));
    return tests.filter(({ id }) => ids.includes(id));
  };
  const own = named('own-tests');
  return {
    own,
    likely: named('twin-tests'),
    due: own.length > 0 ? due(own, body, card, retest ?? RETEST, today()) : [],
    noBetter: noBetter(body, cards, clearings).filter(({ faster }) => faster.card.id === card.id),
  };
}
