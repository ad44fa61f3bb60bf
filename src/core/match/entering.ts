import { entryAt } from '../entryAt.ts';
import type { Body, Card } from '../kit/model.ts';
import { remembered } from '../remembered.ts';
import type { Finding } from './finding.ts';
import { cardKey, pairFit } from './pairFit.ts';

/** A card that enters no slot of a body, and the rule that says so. */
export interface Outside {
  readonly card: Card;
  readonly why: Finding;
}

/** The cards of a wallet beside one body: the places of those that enter a slot of it, and the others. */
export interface Entering {
  readonly at: readonly number[];
  readonly outside: readonly Outside[];
}

/** Why a card enters none of the slots: of the slot where it comes furthest. */
function whyOutside(body: Body, card: Card): Finding | null {
  const fits = body.slots.map((slot) => pairFit(slot, card));
  if (fits.some((fit) => fit.fits)) return null;
  const blocks = fits.map(({ findings }) => findings.filter(({ outcome }) => outcome === 'block'));
  const [furthest] = fits
    .map((fit, at) => ({ passed: fit.findings.length, block: blocks[at]?.at(-1) }))
    .sort((a, b) => b.passed - a.passed);
  return furthest?.block ?? { rule: 'shape', outcome: 'block', card: card.form, accepts: [] };
}

/** One card of each print of a wallet, and the place of its own among them for every card. */
const printsOf = remembered((cards: readonly Card[]) => {
  const places = new Map<string, number>();
  const first: Card[] = [];
  const placeOf = cards.map((card) => {
    const key = cardKey(card);
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, first.length);
    return first.push(card) - 1;
  });
  return { first, placeOf };
});

/** Which cards enter a body at all, each print looked at once. */
export function entering(body: Body, cards: readonly Card[]): Entering {
  const { first, placeOf } = printsOf(cards);
  const whys = first.map((card) => whyOutside(body, card));
  const at: number[] = [];
  const outside: Outside[] = [];
  cards.forEach((card, place) => {
    const why = whys[entryAt(placeOf, place)] ?? null;
    if (why === null) at.push(place);
    else outside.push({ card, why });
  });
  return { at, outside };
}
