import type { Card } from '../../core/kit/model.ts';
import { createNamer } from '../../kit/names.ts';

/** What cards without a label of their own are called until somebody says otherwise. */
export const FIRST_NAMES = 'C';

/**
 * Cards that were pasted without a label, numbered: C-01, C-02, each unlike all that there are.
 *
 * @param taken - labels of the wallet
 */
export function withNames(cards: readonly Card[], prefix: string, taken: readonly string[]): readonly Card[] {
  const name = createNamer([...taken, ...cards.map(({ label }) => label)]);
  const stem = (prefix.trim() || FIRST_NAMES).replace(/-+$/, '');
  return cards.map((card) => (card.label === '' ? { ...card, label: name(`${stem}-00`) } : card));
}
