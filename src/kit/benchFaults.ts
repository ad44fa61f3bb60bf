import type { BenchResult, Card, Incident } from '../core/kit/model.ts';
import type { Kit } from './kit.ts';

const dayOf = (date: string): string => date.slice(0, 10);

/** What stands on a card of a fault whose day nobody noted, before what was found. */
const UNDATED = 'Day not noted: ';

/** Of a kit in which nothing carries a day. */
const NO_DAY = '2000-01-01';

/** The newest day that anything of a kit carries: a fault without one is no older than can be told, so nothing answers it. */
function newestDay({ cards, tests, benches }: Kit): string {
  const days = [
    ...tests.map(({ date }) => date),
    ...benches.map(({ date }) => date),
    ...cards.flatMap(({ incidents, verified }) => [verified?.date, ...(incidents ?? []).map(({ date }) => date)]),
  ].filter((one): one is string => typeof one === 'string');
  return days.map(dayOf).sort().at(-1) ?? NO_DAY;
}

const asIncident = ({ date, fault }: BenchResult, newest: string): Incident => ({
  date: date === null ? newest : dayOf(date),
  kind: 'corruption',
  text: `${date === null ? UNDATED : ''}${fault ?? ''}`.slice(0, 500),
});

/**
 * Whether what a bench found stands on its card: noted that day or later, or answered by a later verification. One without a
 * day is answered by nothing but a note of itself.
 */
function isNoted({ incidents, verified }: Card, { date }: BenchResult, own: Incident): boolean {
  if (date === null) return (incidents ?? []).some(({ text }) => text === own.text);
  const day = dayOf(date);
  return (incidents ?? []).some((one) => dayOf(one.date) >= day) || (verified != null && dayOf(verified.date) > day);
}

/**
 * The faults that reading back found stand on their cards, where every answer looks for them: the app notes both at once, and
 * a file made elsewhere may have the result alone. The same kit where all are noted.
 */
export function withBenchFaults(kit: Kit): Kit {
  const found = kit.benches.filter(({ fault }) => fault != null && fault.trim() !== '');
  if (found.length === 0) return kit;
  const newest = newestDay(kit);
  let changed = false;
  const cards = kit.cards.map((card) => {
    const own = found
      .filter(({ cardId }) => cardId === card.id)
      .flatMap((bench) => {
        const incident = asIncident(bench, newest);
        return isNoted(card, bench, incident) ? [] : [incident];
      });
    if (own.length === 0) return card;
    changed = true;
    return { ...card, incidents: [...(card.incidents ?? []), ...own] };
  });
  return changed ? { ...kit, cards } : kit;
}
