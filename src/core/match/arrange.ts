import { entryAt } from '../entryAt.ts';
import type { Arrangement, Body, Card, Mode, Test } from '../kit/model.ts';
import { seatFor } from './board.ts';
import { bodyInMode, placeInBody } from './bodyInMode.ts';
import type { Cell } from './cell.ts';
import type { Policy } from './policy.ts';
import { type Seat, seatCards } from './seats.ts';
import { rankOf, type Verdict } from './verdict.ts';

/** What a body does with the cards it holds at once. */
export interface Arranged {
  readonly arrangement: Arrangement;
  /** One answer a card, in the order of the cards. */
  readonly cells: readonly Cell[];
  /** Where each of them sits, in the same order. */
  readonly seats: readonly Seat[];
  /** The worst of them: each card must hold its part. */
  readonly verdict: Verdict;
  /** True where one of them has a label in doubt. */
  readonly doubted: boolean;
  /** Planned minutes from empty cards to the moment recording stops; null where a card has none. */
  readonly minutes: number | null;
  readonly cardsPerFill: number;
  /** Minutes a larger card of an unequal pair still had room for; 0 for equal cards and for relay. */
  readonly unusedMinutes: number;
}

/** Named cards in a body that records in a named way. */
export interface ArrangeInput {
  readonly body: Body;
  readonly mode: Mode;
  readonly arrangement: Arrangement;
  /** Named cards; relay, mirrored and split use all of them, single the first. */
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly policy: Policy;
}

/**
 * Several named cards at once, each in the seat where the worst of them does best: relay adds minutes, mirrored and split
 * run until the smaller card is full, and the weakest verdict is the verdict of the whole.
 *
 * @returns null without a card, or where there are more cards than slots
 */
export function arrange(input: ArrangeInput): Arranged | null {
  const { mode, tests, policy } = input;
  const body: Body = { ...input.body, arrangement: input.arrangement };
  const housing = bodyInMode(body, mode);
  const { arrangement } = housing;
  const cards = arrangement === 'single' ? input.cards.slice(0, 1) : input.cards;
  const asked = new Map<string, Cell>();
  const cellIn = (card: number, slot: number): Cell => {
    const key = `${card} ${slot}`;
    const known = asked.get(key);
    if (known) return known;
    const cell = seatFor({ body, mode, card: entryAt(cards, card), tests, policy }, placeInBody(body, housing, slot));
    asked.set(key, cell);
    return cell;
  };
  const seated = seatCards(housing, cards.length, cellIn);
  if (!seated) return null;
  const cells = seated.map(({ card, slot }) => cellIn(card, slot));
  const seats = seated.map(({ card, slot }) => ({ card, slot: placeInBody(body, housing, slot) }));
  const verdict = cells.reduce<Verdict>(
    (worst, cell) => (rankOf(cell.verdict) > rankOf(worst) ? cell.verdict : worst),
    'guaranteed',
  );
  const each = cells.map(({ planned }) => planned);
  const known = each.filter((minutes): minutes is number => minutes !== null);
  const all = known.length === each.length;
  const shortest = Math.min(...known);
  const minutes = !all ? null : arrangement === 'relay' ? known.reduce((sum, one) => sum + one, 0) : shortest;
  const unusedMinutes = all && arrangement !== 'relay' ? Math.max(...known) - shortest : 0;
  return {
    arrangement,
    cells,
    seats,
    verdict,
    doubted: cells.some(({ doubted }) => doubted),
    minutes,
    cardsPerFill: cells.length,
    unusedMinutes,
  };
}
