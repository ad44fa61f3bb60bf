import { busOf } from '../../cards/printedBus.ts';
import type { Card } from '../../kit/model.ts';
import { countsOn, MARK_KEYS, type Mark, mark, marksOf } from '../../standards/marks.ts';
import type { TraceReading } from './trace.ts';

/** Shortest trace that is compared with a class, seconds: less is over before a card has to hold anything [A]. */
const SHORTEST = 10;

/** Whether a trace is over before a card has to hold anything: it says nothing of a class, not even that none is reached. */
export const saysNothingOfClasses = ({ seconds }: Pick<TraceReading, 'seconds'>): boolean => seconds < SHORTEST;

/** What of a trace is held against the classes. */
type Floor = Pick<TraceReading, 'floorMBps' | 'seconds'> & { readonly stalls: readonly unknown[] };

/**
 * Highest class whose figure a floor reaches; null where none, where the trace is too short to say, or where it stopped: a
 * class needs every span of its own measuring time, and a full stop is one that wrote nothing. What a bench reaches is no
 * promise: classes are measured in ways of their own.
 *
 * @param card - marks of its form, where it is known, that count on its bus; else video classes
 */
export function supportedBy({ floorMBps, seconds, stalls }: Floor, card: Card | null = null): Mark | null {
  if (saysNothingOfClasses({ seconds }) || stalls.length > 0) return null;
  const marks: readonly Mark[] = card
    ? marksOf(card.form).filter((key) => mark(key).series !== 'C' && mark(key).series !== 'U')
    : MARK_KEYS.filter((key) => mark(key).series === 'V');
  const reached = marks.filter(
    (key) => mark(key).promisesMBps <= floorMBps && (card === null || countsOn(key, busOf(card).bus, card.form)),
  );
  return reached.reduce<Mark | null>(
    (best, key) => (best === null || mark(key).promisesMBps > mark(best).promisesMBps ? key : best),
    null,
  );
}
