import type { BenchResult, Card, Incident } from '../core/kit/model.ts';
import type { Kit } from './kit.ts';

/** Whether what a bench found stands on its card: noted that day or later, or answered by a later verification. */
const isNoted = ({ incidents, verified }: Card, date: string): boolean =>
  (incidents ?? []).some((one) => one.date.slice(0, 10) >= date) ||
  (verified != null && verified.date.slice(0, 10) > date);

const asIncident = ({ date, fault }: BenchResult): Incident => ({
  date: (date ?? '1970-01-01').slice(0, 10),
  kind: 'corruption',
  text: (fault ?? '').slice(0, 500),
});

/**
 * The faults that reading back found stand on their cards, where every answer looks for them: the app notes both at once, and
 * a file made elsewhere may have the result alone. The same kit where all are noted.
 */
export function withBenchFaults(kit: Kit): Kit {
  const found = kit.benches.filter(({ fault }) => fault != null && fault.trim() !== '');
  if (found.length === 0) return kit;
  let changed = false;
  const cards = kit.cards.map((card) => {
    const own = found.filter(
      ({ cardId, date }) => cardId === card.id && !isNoted(card, (date ?? '1970-01-01').slice(0, 10)),
    );
    if (own.length === 0) return card;
    changed = true;
    return { ...card, incidents: [...(card.incidents ?? []), ...own.map(asIncident)] };
  });
  return changed ? { ...kit, cards } : kit;
}
