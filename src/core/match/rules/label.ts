import { cardLabel } from '../../label/cardLabel.ts';
import { isHarmless, labelProblems } from '../../label/labelProblems.ts';
import type { Card } from '../../model/kit.ts';
import type { Finding } from '../finding.ts';

/**
 * What a card's own label contradicts; null when nothing. A note on every cell of the card: contradictions are a sign
 * of a counterfeit. The read speed is left out, since makers print one that only their own reader reaches.
 */
export function labelRule(card: Pick<Card, 'form' | 'capacityGB' | 'marks'>): Finding | null {
  const problems = labelProblems(cardLabel(card)).filter((problem) => !isHarmless(problem));
  return problems.length > 0 ? { rule: 'label', outcome: 'note', problems } : null;
}
