import type { Body, Card, Test } from '../model/kit.ts';
import type { Cell } from './evaluate.ts';

/** The kinds of minutes that are read and not computed; null where none was noted. */
export interface KnownMinutes {
  /** What the body's counter showed for an empty card of this capacity: t means t to t + 1. */
  readonly counter: number | null;
  /** The newest full take of this mode from empty on this card, minutes. */
  readonly measured: number | null;
}

interface KnownKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

/** What was read off the body and off full takes for one cell. */
export function knownMinutes(cell: Cell, kit: KnownKit): KnownMinutes {
  const { bodyId, modeId, cardId } = cell;
  const card = kit.cards.find(({ id }) => id === cardId);
  const reading = kit.bodies
    .find(({ id }) => id === bodyId)
    ?.counters?.find((one) => one.modeId === modeId && one.capacityGB === card?.capacityGB);
  const fill = kit.tests
    .filter((test) => test.bodyId === bodyId && test.modeId === modeId && test.cardId === cardId && test.end === 'full')
    .sort((a, b) => (a.date ?? '').localeCompare(b.date ?? ''))
    .at(-1);
  return { counter: reading?.minutes ?? null, measured: fill ? fill.seconds / 60 : null };
}
