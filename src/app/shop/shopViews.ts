import type { Body, Card } from '../../core/kit/model.ts';
import type { Need, Offer } from '../../core/kit/shop.ts';
import type { Policy } from '../../core/match/policy.ts';
import { compareCards } from '../../core/shop/compare.ts';
import { cardOfOffer } from '../../core/shop/offerCard.ts';
import {
  activeNeeds,
  currenciesOf,
  doubtfulOffers,
  offerFigures,
  offerWarnings,
  uselessOffers,
} from '../../core/shop/offers.ts';
import { cardsForShop, type ShopInput } from '../../core/shop/options.ts';
import type { ShopSet } from '../../core/shop/sets.ts';
import { newId } from '../../kit/newId.ts';
import { handTrial } from '../match/handedTrial.ts';
import { cardsOfSet } from './shopActions.ts';
import type { ShopViewKit } from './shopKit.ts';

export { RETEST } from '../../core/prove/age.ts';
export { fleet } from '../../core/shop/fleet.ts';
export { activeNeeds, offerFigures, offerWarnings, uselessOffers };

/** What a person chose to look at. */
export interface ShopChoice {
  /** Null: the most frequent one. */
  readonly currency: string | null;
  readonly useOwned: boolean;
  readonly countDoubtful: boolean;
}

/** What sets are chosen from, and what was left out of it. */
export interface ShopQuestion {
  readonly input: ShopInput;
  readonly currency: string;
  readonly otherCurrencies: readonly string[];
  /** Offers in another currency. */
  readonly outOfCurrency: number;
  readonly doubtful: ReadonlySet<string>;
}

/** The question of the shop, as it is asked of the solver: offers of one currency, those in doubt only where wanted. */
export function shopQuestion(kit: ShopViewKit, policy: Policy, choice: ShopChoice): ShopQuestion {
  const currencies = currenciesOf(kit.prices);
  const currency =
    choice.currency !== null && currencies.includes(choice.currency) ? choice.currency : (currencies[0] ?? '');
  const own = kit.prices.filter((offer) => offer.currency === currency);
  const doubtful = doubtfulOffers(own);
  const { bodies, tests, reports } = kit;
  const cards = cardsForShop(kit.cards, kit.standing);
  return {
    input: {
      kit: { bodies, cards, tests, reports },
      needs: activeNeeds(kit.needs),
      offers: choice.countDoubtful ? own : own.filter(({ id }) => !doubtful.has(id)),
      useOwned: choice.useOwned,
      policy,
    },
    currency,
    otherCurrencies: currencies.filter((one) => one !== currency),
    outOfCurrency: kit.prices.length - own.length,
    doubtful,
  };
}

/** A need to be typed. */
export const newNeed = (bodies: readonly Body[]): Omit<Need, 'hours'> & { readonly hours: string } => {
  const [only] = bodies.length === 1 ? bodies : [];
  return {
    id: newId(),
    bodyId: only?.id ?? '',
    modeId: only?.modes.length === 1 ? (only.modes[0]?.id ?? '') : '',
    hours: '',
    gapFreeMinutes: null,
    sparePercent: 0,
    arrangement: null,
    planId: null,
  };
};

/** Minutes of a need that own cards hold in a set. */
export function ownMinutes({ owned }: ShopSet, needId: string): number {
  return owned.reduce((sum, one) => sum + (one.needId === needId ? one.minutes : 0), 0);
}

/** Puts the cards of a set on the board as a trial; false where the browser keeps nothing for the other view. */
export function trySet(set: ShopSet, offers: readonly Offer[], cards: readonly Card[], text: string): boolean {
  const bought = cardsOfSet(set, offers, cards);
  return handTrial({
    text,
    cards: bought.map(({ card }) => ({ ...card, note: 'A card to buy: not owned yet.' })),
  });
}

/** Two offers compared for the kit as it stands; the cheaper one first. */
export function compareOffers(a: Offer, b: Offer, kit: ShopViewKit, policy: Policy) {
  const [plain, dear] = a.price <= b.price ? [a, b] : [b, a];
  const readers = kit.plans.flatMap(({ readers: own }) => own.map(({ MBps }) => MBps));
  const fastest = readers.length > 0 ? Math.max(...readers) : null;
  const { bodies, cards, tests, reports } = kit;
  return {
    plain,
    dear,
    comparison: compareCards(
      [cardOfOffer(plain), cardOfOffer(dear)],
      { bodies, cards, tests, reports },
      policy,
      fastest,
    ),
  };
}
