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

/** A column that others of its print lean on, and the bodies its own tests are about. */
interface First {
  readonly card: Card;
  readonly cells: readonly Cell[];
  readonly tested: ReadonlySet<string>;
}

const NONE: ReadonlySet<string> = new Set();

const bodiesOf = (tests: readonly Test[]): ReadonlySet<string> =>
  tests.length === 0 ? NONE : new Set(tests.map(({ bodyId }) => bodyId));

/**
 * The cells that no test of either card is about: tests speak for one body, and elsewhere a card is what is printed on it.
 * Cells over unlike seats name the card itself among its partners, and are worked out.
 */
function untested(first: First, tested: ReadonlySet<string>, to: Card): (at: number) => Cell | null {
  return (at) => {
    const cell = first.cells[at];
    return cell && cell.seats === null && !tested.has(cell.bodyId) && !first.tested.has(cell.bodyId)
      ? { ...cell, cardId: to.id }
      : null;
  };
}

/**
 * Works out one column for all cards of one print. A card that has tests stands for itself on the bodies they are about;
 * one that a maker approves by name, everywhere.
 */
export function createTwins(bodies: readonly Body[], work: Work): (card: Card, make: Make) => readonly Cell[] {
  const named = namedCards(bodies);
  const first = new Map<string, First>();
  return (card, make) => {
    if (named.has(card.id)) return make();
    const print = printOf(card);
    const twin = first.get(print);
    const tested = bodiesOf(work.testsOf(card.id));
    if (twin && tested.size === 0 && twin.tested.size === 0) return asOf(twin.cells, twin.card, card);
    const cells = make(twin && untested(twin, tested, card));
    // The one with the fewest tests of its own has the most to give.
    if (!twin || tested.size < twin.tested.size) first.set(print, { card, cells, tested });
    return cells;
  };
}
