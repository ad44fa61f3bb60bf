import { isHarmless, labelProblems } from '../../label/labelProblems.ts';
import { labelOf } from '../../label/readLabel.ts';
import { tokenize } from '../../label/tokenize.ts';
import type { Card } from '../../model/kit.ts';
import { FORMS } from '../../standards/forms.ts';
import type { Finding } from '../finding.ts';

/**
 * What a card's own label contradicts; null when nothing. A note on every cell of the card: contradictions are a sign
 * of a counterfeit. The read speed is left out, since makers print one that only their own reader reaches.
 */
export function labelRule(card: Pick<Card, 'form' | 'capacityGB' | 'marks'>): Finding | null {
  const printed = `${FORMS[card.form].name} ${card.capacityGB}GB ${card.marks.join(' ')}`;
  const problems = labelProblems(labelOf(tokenize(printed))).filter((problem) => !isHarmless(problem));
  return problems.length > 0 ? { rule: 'label', outcome: 'note', problems } : null;
}
