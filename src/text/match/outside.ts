import type { Card } from '../../core/kit/model.ts';
import type { Outside } from '../../core/match/entering.ts';
import { form } from '../../core/standards/forms.ts';

/** Which cards do not enter a body, by their forms: `5 microSD and 2 CFexpress B of yours do not enter.` */
export function outsideText(outside: readonly Outside[]): string {
  const counts = new Map<Card['form'], number>();
  for (const { card } of outside) counts.set(card.form, (counts.get(card.form) ?? 0) + 1);
  const parts = [...counts].map(([key, count]) => `${count} ${form(key).name}`);
  const listed = parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? '');
  return `${listed} ${outside.length === 1 ? 'card' : 'cards'} of yours ${outside.length === 1 ? 'does' : 'do'} not fit this camera.`;
}
