import type { Arrangement, Body, Card, Mode, Test } from '../model/kit.ts';
import { board } from './board.ts';
import type { Cell } from './evaluate.ts';
import type { Policy } from './policy.ts';
import { rankOf, type Verdict } from './verdict.ts';

/** What a body does with the cards it holds at once. */
export interface Arranged {
  readonly arrangement: Arrangement;
  /** One answer a card, in the order of the slots. */
  readonly cells: readonly Cell[];
  /** The worst of them: each card must hold its part. */
  readonly verdict: Verdict;
  /** Planned minutes from empty cards to the moment recording stops; null where a card has none. */
  readonly minutes: number | null;
  readonly cardsPerFill: number;
  /** Minutes a larger card of an unequal pair still had room for; 0 for equal cards and for relay. */
  readonly unusedMinutes: number;
}

export interface ArrangeInput {
  readonly body: Body;
  readonly mode: Mode;
  readonly arrangement: Arrangement;
  /** Cards in the slots, first slot first; relay, mirrored and split use all of them, single the first. */
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly policy: Policy;
}

/** The answer for one card in one slot of a body that shares the stream over `count` cards. */
function partOf(input: ArrangeInput, card: Card, at: number, count: number): Cell | null {
  const { body, mode, arrangement, tests, policy } = input;
  const slot = body.slots[at] ?? body.slots[0];
  // Split divides the rate by the slots of the body: as many as there are cards here.
  const slots = slot
    ? Array.from({ length: count }, (_, place) => ({ ...slot, id: place === 0 ? slot.id : `${slot.id} ${place}` }))
    : [];
  const alone: Body = { ...body, arrangement, slots, modes: [mode] };
  return board({ bodies: [alone], cards: [card], tests }, policy).columns[0]?.[0] ?? null;
}

/**
 * Several cards at once: relay adds minutes, mirrored and split run until the smaller card is full, and the weakest
 * verdict is the verdict of the whole.
 *
 * @returns null without a card
 */
export function arrange(input: ArrangeInput): Arranged | null {
  const { arrangement } = input;
  const cards = arrangement === 'single' ? input.cards.slice(0, 1) : input.cards;
  const cells = cards.flatMap((card, at) => partOf(input, card, at, cards.length) ?? []);
  const [first] = cells;
  if (!first) return null;
  const verdict = cells.reduce<Verdict>(
    (worst, cell) => (rankOf(cell.verdict) > rankOf(worst) ? cell.verdict : worst),
    first.verdict,
  );
  const each = cells.map(({ planned }) => planned);
  const known = each.filter((minutes): minutes is number => minutes !== null);
  const all = known.length === each.length;
  const shortest = Math.min(...known);
  const minutes = !all ? null : arrangement === 'relay' ? known.reduce((sum, one) => sum + one, 0) : shortest;
  const unusedMinutes = all && arrangement !== 'relay' ? Math.max(...known) - shortest : 0;
  return { arrangement, cells, verdict, minutes, cardsPerFill: cells.length, unusedMinutes };
}
