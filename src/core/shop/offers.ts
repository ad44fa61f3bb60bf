import { cardLabel } from '../cards/cardLabel.ts';
import { isContradiction, type LabelProblem, labelProblems } from '../cards/labelProblems.ts';
import { entryAt } from '../entryAt.ts';
import type { Need, Offer } from '../kit/shop.ts';
import { monthsBetween } from '../prove/age.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import { mark } from '../standards/marks.ts';
import { cardOfOffer } from './offerCard.ts';
import type { Serves } from './options.ts';

/** What is odd about an offer. Never who makes or sells it. */
export type OfferWarning =
  /** Far under what others ask for the same print, a sign of a counterfeit. */
  | { readonly code: 'cheap'; readonly share: number; readonly usual: number; readonly others: number }
  | { readonly code: 'contradiction'; readonly problem: LabelProblem }
  | { readonly code: 'no-seller' }
  | { readonly code: 'old'; readonly months: number }
  | { readonly code: 'no-date' };

/** The best mark of a card, or none: cards that promise the same are asked the same for. */
function promiseKey({ form, marks }: Pick<Offer, 'form' | 'marks'>): string {
  const label = cardLabel({ form, marks, capacityGB: 1 });
  const best = label.marks.reduce((most, key) => Math.max(most, mark(key).promisesMBps), 0);
  return `${form} ${best}`;
}

function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  if (sorted.length === 0) return null;
  const [low, high] = [entryAt(sorted, (sorted.length - 1) >> 1), entryAt(sorted, middle)];
  return (low + high) / 2;
}

function grouped(offers: readonly Offer[], key: (offer: Offer) => string): ReadonlyMap<string, readonly Offer[]> {
  const found = new Map<string, Offer[]>();
  for (const offer of offers) {
    const known = found.get(key(offer));
    if (known) known.push(offer);
    else found.set(key(offer), [offer]);
  }
  return found;
}

const printKey = (offer: Offer): string => `${promiseKey(offer)} ${offer.capacityGB} ${offer.currency}`;

/** Fewest others that make a usual price of a print. */
const ENOUGH = 2;

type Cheap = Extract<OfferWarning, { code: 'cheap' }>;

function cheapness(offer: Offer, prints: ReadonlyMap<string, readonly Offer[]>): Cheap | null {
  const others = (prints.get(printKey(offer)) ?? []).filter(({ id }) => id !== offer.id);
  const usual = median(others.map(({ price }) => price));
  if (usual === null || others.length < ENOUGH) return null;
  const share = offer.price / usual;
  return share < ASSUMED.suspiciousShare.value ? { code: 'cheap', share, usual, others: others.length } : null;
}

/** Offers far under the rest of their print: they are in no set until a person says so. */
export function doubtfulOffers(offers: readonly Offer[]): ReadonlySet<string> {
  const prints = grouped(offers, printKey);
  return new Set(offers.filter((offer) => cheapness(offer, prints) !== null).map(({ id }) => id));
}

/** What a list of offers says of each of them. */
export function offerWarnings(offers: readonly Offer[], today: string): readonly (readonly OfferWarning[])[] {
  const prints = grouped(offers, printKey);
  return offers.map((offer) => {
    const card = cardOfOffer(offer);
    const problems = labelProblems(cardLabel(card)).filter(isContradiction);
    const cheap = cheapness(offer, prints);
    const age = offer.date ? monthsBetween(offer.date, today) : null;
    return [
      ...(cheap ? [cheap] : []),
      ...problems.map((problem) => ({ code: 'contradiction' as const, problem })),
      ...(offer.seller.trim() === '' ? [{ code: 'no-seller' as const }] : []),
      ...(offer.date ? [] : [{ code: 'no-date' as const }]),
      ...(age !== null && age >= ASSUMED.oldPriceMonths.value ? [{ code: 'old' as const, months: age }] : []),
    ];
  });
}

/** What an offer comes to for one need. */
export interface OfferFigures {
  readonly offerId: string;
  readonly pricePerGB: number;
  /** For an hour of this need as planned, a whole set where several are written at once; null where it does not serve. */
  readonly pricePerHour: number | null;
  /** The same where a promise in writing covers the need; null elsewhere. */
  readonly pricePerGuaranteedHour: number | null;
  readonly serves: Serves;
}

/** Prices for one need, offer by offer. */
export const offerFigures = (offers: readonly Offer[], serves: readonly Serves[]): readonly OfferFigures[] =>
  offers.map((offer, at): OfferFigures => {
    const fit = entryAt(serves, at);
    const perHour = fit.serves ? (offer.price * fit.width * 60) / fit.minutes : null;
    return {
      offerId: offer.id,
      pricePerGB: offer.price / offer.capacityGB,
      pricePerHour: perHour,
      pricePerGuaranteedHour: fit.serves && fit.verdict === 'guaranteed' ? perHour : null,
      serves: fit,
    };
  });

/** Offers that serve none of the needs. */
export const uselessOffers = (offers: readonly Offer[], serves: readonly (readonly Serves[])[]): ReadonlySet<string> =>
  new Set(
    offers.filter((_, at) => serves.length > 0 && serves.every((row) => row[at]?.serves === false)).map(({ id }) => id),
  );

/** The currencies of a list, the most frequent first; offers of another are never added up with it. */
export function currenciesOf(offers: readonly Pick<Offer, 'currency'>[]): readonly string[] {
  const counts = new Map<string, number>();
  for (const { currency } of offers) counts.set(currency, (counts.get(currency) ?? 0) + 1);
  return [...counts].sort(([a, one], [b, other]) => other - one || a.localeCompare(b)).map(([currency]) => currency);
}

/** Needs that take part. */
export const activeNeeds = (needs: readonly Need[]): readonly Need[] => needs.filter(({ isOut }) => !isOut);
