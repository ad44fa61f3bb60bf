import { cardLabel } from '../../cards/cardLabel.ts';
import { isContradiction, isHarmless, labelProblems } from '../../cards/labelProblems.ts';
import type { Card } from '../../kit/model.ts';
import { remembered } from '../../remembered.ts';
import type { Finding } from '../finding.ts';

/** What a label gets wrong. */
export type LabelFinding = Extract<Finding, { rule: 'label' }>;

type Labelled = Pick<Card, 'form' | 'capacityGB' | 'marks' | 'verified'> & Parameters<typeof cardLabel>[0];

/**
 * What a card's own label gets wrong; null when nothing. A label that contradicts itself is short of every promise until
 * the card was verified; anything else is a note on every cell of the card.
 */
export const labelRule = remembered((card: Labelled): LabelFinding | null => {
  const problems = labelProblems(cardLabel(card)).filter((problem) => !isHarmless(problem));
  if (problems.length === 0) return null;
  const verified = card.verified ?? null;
  const doubted = verified === null && problems.some(isContradiction);
  return { rule: 'label', outcome: doubted ? 'short' : 'note', problems, verified };
});
