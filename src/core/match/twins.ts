import type { Body, Card } from '../kit/model.ts';
import type { Cell } from './cell.ts';
import type { Work } from './columns.ts';
import { namedCards, printOf } from './print.ts';

/** The cells of one card as those of another of its print: only whose they are differs. */
function asOf(cells: readonly Cell[], from: Card, to: Card): readonly Cell[] {
  return cells.map((cell): Cell => {
    const seats =
      cell.seats?.map((seat) =>
        seat.cardId === from.id
          ? {
              ...seat,
              cardId: to.id,
              cardLabel: to.label,
              answer: seat.answer && { ...seat.answer, cardId: to.id },
            }
          : seat,
      ) ?? null;
    return { ...cell, cardId: to.id, seats };
  });
}

/**
 * Works out one column for all cards of one print. A card that has tests, or that a maker approves by name, stands for
 * itself alone.
 */
export function createTwins(
  bodies: readonly Body[],
  work: Work,
): (card: Card, make: () => readonly Cell[]) => readonly Cell[] {
  const named = namedCards(bodies);
  const first = new Map<string, { readonly card: Card; readonly cells: readonly Cell[] }>();
  return (card, make) => {
    if (named.has(card.id) || work.testsOf(card.id).length > 0) return make();
    const print = printOf(card);
    const twin = first.get(print);
    if (twin) return asOf(twin.cells, twin.card, card);
    const cells = make();
    first.set(print, { card, cells });
    return cells;
  };
}
