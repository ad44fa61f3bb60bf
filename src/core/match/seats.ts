import type { Arrangement, Body, Slot } from '../kit/model.ts';
import type { Cell } from './cell.ts';
import { isBetter } from './isBetter.ts';
import { rankOf, VERDICTS } from './verdict.ts';

/**
 * Who sits where. The one place that turns an arrangement, slots and cards into seats with their share of the stream;
 * board, Why, trials, moves, crew cards, exports, calls and heat runs all ask here.
 */
type Housing = Pick<Body, 'arrangement' | 'slots'> & Pick<Partial<Body>, 'splitOver'>;

/** Slots of the largest group that takes one same form; 1 where each takes another, 0 without slots. */
function largestGroup(slots: readonly Slot[]): number {
  const forms = new Set(slots.flatMap(({ accepts }) => accepts.map(({ form }) => form)));
  const sizes = [...forms].map((key) => slots.filter(({ accepts }) => accepts.some(({ form }) => form === key)).length);
  return Math.max(0, ...sizes);
}

/**
 * Over how many slots a split recording runs: as the maker says, else the largest group of slots of one form. Never more
 * than there are slots, since each further one would make the need smaller on a guess.
 */
export function splitWidth({ slots, splitOver }: Pick<Housing, 'slots' | 'splitOver'>): number {
  const stated = splitOver ?? largestGroup(slots);
  return Math.max(1, Math.min(stated, slots.length));
}

/** Cards that share the stream: those of a split recording, otherwise 1. */
export const sharesOf = (body: Housing): number => (body.arrangement === 'split' ? splitWidth(body) : 1);

/** True where cards record at once: each of them must hold its part. */
export const recordsAtOnce = (arrangement: Arrangement): boolean =>
  arrangement === 'mirrored' || arrangement === 'split';

/** Cards in the body for one filling. */
export function cardsAtOnce(body: Housing): number {
  if (body.arrangement === 'single' || body.slots.length < 2) return 1;
  return body.arrangement === 'split' ? splitWidth(body) : body.slots.length;
}

/** Where one card, or others like it, sit, as places in the body's list of slots. */
export type Seating =
  /** One of these seats; the best is taken. */
  | { readonly take: 'best'; readonly own: readonly number[] }
  /** All of these at once or one after another: the worst counts. `others` take other cards. */
  | { readonly take: 'worst'; readonly own: readonly number[]; readonly others: readonly number[] }
  /** The split runs over slots that this card does not enter, or enters too few of. */
  | { readonly take: 'none'; readonly own: readonly number[]; readonly width: number };

/**
 * The seats of a card of which others like it are at hand.
 *
 * @param enters - for each slot, whether the card fits it
 */
export function seatingOf(body: Housing, enters: readonly boolean[]): Seating {
  const all = body.slots.map((_, at) => at);
  const own = all.filter((at) => enters[at]);
  const alone = body.slots.length < 2 || own.length === 0;
  if (alone || body.arrangement === 'single') return { take: 'best', own: own.length > 0 ? own : all };
  const closed = all.filter((at) => !enters[at]);
  if (body.arrangement === 'relay') return { take: 'worst', own, others: [] };
  if (body.arrangement === 'mirrored') return { take: 'worst', own, others: closed };
  const width = splitWidth(body);
  if (own.length >= width) return { take: 'worst', own, others: [] };
  if (largestGroup(body.slots) >= width) return { take: 'none', own, width };
  return { take: 'worst', own, others: closed.slice(0, width - own.length) };
}

/** A card by its place in a list, in a slot by its place in the body. */
export interface Seat {
  readonly card: number;
  readonly slot: number;
}

/**
 * Seats named cards: each in a slot of its own, so that the worst of them is as good as it can be; of equally good ways
 * the one that keeps their order. A relay of more cards than slots begins again at the first slot.
 *
 * @param count - cards to be seated
 * @param cellIn - the answer for a card in a slot
 * @returns a seat a card, in the order of the cards; null where they cannot all sit
 */
export function seatCards(
  body: Housing,
  count: number,
  cellIn: (card: number, slot: number) => Cell,
): readonly Seat[] | null {
  const slots = body.slots.length;
  if (slots === 0 || count === 0) return null;
  if (body.arrangement === 'single') {
    const best = body.slots.reduce((found, _, at) => (isBetter(cellIn(0, at), cellIn(0, found)) ? at : found), 0);
    return [{ card: 0, slot: best }];
  }
  if (count > slots) {
    if (body.arrangement !== 'relay') return null;
    return Array.from({ length: count }, (_, card) => ({ card, slot: card % slots }));
  }
  for (const limit of VERDICTS) {
    const seats = matched(count, slots, (card, slot) => rankOf(cellIn(card, slot).verdict) <= rankOf(limit));
    if (seats) return seats;
  }
  return null;
}

/** A slot for every card among those allowed, by augmenting paths; a card keeps the slot of its own place where it may. */
function matched(
  count: number,
  slots: number,
  allowed: (card: number, slot: number) => boolean,
): readonly Seat[] | null {
  const cardOf = new Map<number, number>();
  const order = (card: number): readonly number[] => [
    card,
    ...Array.from({ length: slots }, (_, at) => at).filter((at) => at !== card),
  ];
  const seat = (card: number, tried: Set<number>): boolean => {
    for (const slot of order(card)) {
      if (tried.has(slot) || !allowed(card, slot)) continue;
      tried.add(slot);
      const sitting = cardOf.get(slot);
      if (sitting === undefined || seat(sitting, tried)) {
        cardOf.set(slot, card);
        return true;
      }
    }
    return false;
  };
  for (let card = 0; card < count; card += 1) if (!seat(card, new Set())) return null;
  return [...cardOf].map(([slot, card]) => ({ card, slot })).sort((a, b) => a.card - b.card);
}
