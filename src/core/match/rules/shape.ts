import type { Accepts, Card, Slot } from '../../kit/model.ts';
import { form } from '../../standards/forms.ts';
import type { Finding } from '../finding.ts';

/** Whether a card goes into a slot at all, by outside shape, with a passive adapter where one exists. */
export function shapeRule(
  slot: Slot,
  card: Pick<Card, 'form'>,
): { readonly finding: Finding; readonly enters: readonly Accepts[] } {
  const own = form(card.form);
  const direct = slot.accepts.filter((one) => form(one.form).shape === own.shape);
  const adapted = slot.accepts.filter((one) => form(one.form).shape === own.adaptsTo);
  const enters = direct.length > 0 ? direct : adapted;
  if (enters.length === 0) {
    const accepts = slot.accepts.map((one) => one.form);
    return { finding: { rule: 'shape', outcome: 'block', card: card.form, accepts }, enters };
  }
  const adapter = direct.length === 0;
  return { finding: { rule: 'shape', outcome: adapter ? 'note' : 'pass', card: card.form, adapter }, enters };
}
