import type { Accepts, Card } from '../../kit/model.ts';
import { form } from '../../standards/forms.ts';
import type { Finding } from '../finding.ts';

/** Whether the slot speaks the card's protocol: XQD and CFexpress B share a shape, so the body must name each. */
export function protocolRule(
  enters: readonly Accepts[],
  card: Pick<Card, 'form'>,
): { readonly finding: Finding; readonly speaks: readonly Accepts[] } {
  const { protocol } = form(card.form);
  const speaks = enters.filter((one) => form(one.form).protocol === protocol);
  const finding: Finding =
    speaks.length > 0
      ? { rule: 'protocol', outcome: 'pass', card: card.form }
      : { rule: 'protocol', outcome: 'block', card: card.form, accepts: enters.map((one) => one.form) };
  return { finding, speaks };
}
