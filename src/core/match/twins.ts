import type { Body, Card, Test } from '../kit/model.ts';
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

/** Works out the cells of a column; those that `known` gives are taken as they are. */
type Make = (known?: (at: number) => Cell | null) => readonly Cell[];

/**
 * Of a card with tests, the cells that none of them is about: tests speak for one body, and elsewhere the card is what is
 * printed on it. Cells over unlike seats name the card itself among its partners, and are worked out.
 */
function untested(cells: readonly Cell[], tests: readonly Test[], to: Card): (at: number) => Cell | null {
  const bodies = new Set(tests.map(({ bodyId }) => bodyId));
  return (at) => {
    const cell = cells[at];
    return cell && cell.seats === null && !bodies.has(cell.bodyId) ? { ...cell, cardId: to.id } : null;
  };
}

/**
 * Works out one column for all cards of one print. A card that has tests stands for itself on the bodies they are about;
 * one that a maker approves by name, everywhere.
 */
export function createTwins(bodies: readonly Body[], work: Work): (card: Card, make: Make) => readonly Cell[] {
  const named = namedCards(bodies);
  const first = new Map<string, { readonly card: Card; readonly cells: readonly Cell[] }>();
  return (card, make) => {
    if (named.has(card.id)) return make();
    const print = printOf(card);
    const twin = first.get(print);
    const tests = work.testsOf(card.id);
    if (tests.length > 0) return make(twin && untested(twin.cells, tests, card));
    if (twin) return asOf(twin.cells, twin.card, card);
    const cells = make();
    first.set(print, { card, cells });
    return cells;
  };
}
