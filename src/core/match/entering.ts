import type { Body, Card } from '../kit/model.ts';
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

/** Which cards enter a body at all, each print looked at once. */
export function entering(body: Body, cards: readonly Card[]): Entering {
  const known = new Map<string, Finding | null>();
  const at: number[] = [];
  const outside: Outside[] = [];
  cards.forEach((card, place) => {
    const key = cardKey(card);
    const why = known.get(key) ?? (known.has(key) ? null : whyOutside(body, card));
    known.set(key, why);
    if (why === null) at.push(place);
    else outside.push({ card, why });
  });
  return { at, outside };
}
