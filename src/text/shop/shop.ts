import type { Body } from '../../core/kit/model.ts';
import type { Need, Offer } from '../../core/kit/shop.ts';
import { assertNever } from '../../core/result.ts';
import type { OfferWarning } from '../../core/shop/offers.ts';
import type { Impossible, Serves, Useless } from '../../core/shop/options.ts';
import type { Aim } from '../../core/shop/problem.ts';
import type { ShopSet } from '../../core/shop/sets.ts';
import type { WhatIf } from '../../core/shop/whatIf.ts';
import { labelProblemText } from '../cards/label.ts';
import { modeTitle } from '../match/cell.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { minutesText, NBSP, plain } from '../quantity.ts';

/** The three answers by name. */
export const AIM_WORDS: Readonly<Record<Aim, string>> = {
  cheapest: 'Cheapest',
  'fewest-cards': 'Fewest cards',
  'least-at-risk': 'Least at risk',
};

/** What each is chosen by, and what decides between equals. */
export const AIM_MEANINGS: Readonly<Record<Aim, string>> = {
  cheapest: 'the lowest price, then the fewest cards',
  'fewest-cards': 'the fewest cards to carry and change, your own counted, then the price',
  'least-at-risk': 'the fewest minutes that are lost with one card, then the price',
};

/** An amount of money as it was entered: nothing is converted. */
export const moneyText = (price: number): string =>
  price.toLocaleString('en', {
    minimumFractionDigits: Number.isInteger(price) ? 0 : 2,
    maximumFractionDigits: 2,
    useGrouping: true,
  });

/** What is paid more or less. */
export const differenceText = (difference: number): string =>
  difference === 0 ? '±0' : `${difference < 0 ? '−' : '+'}${moneyText(Math.abs(difference))}`;

/** A need by its body and mode. */
export function needTitle({ bodyId, modeId }: Pick<Need, 'bodyId' | 'modeId'>, bodies: readonly Body[]): string {
  const body = bodies.find(({ id }) => id === bodyId);
  const mode = body?.modes.find(({ id }) => id === modeId);
  return `${body?.name ?? 'A camera that is gone'} · ${mode ? modeTitle(mode) : 'a mode that is gone'}`;
}

/** Hours as people say them. */
const hoursText = (hours: number): string => `${plain(hours, 2)}${NBSP}h`;

/** What is asked of a need. */
export function needText({ hours, gapFreeMinutes, sparePercent, arrangement }: Need): string {
  return [
    hoursText(hours),
    ...(gapFreeMinutes ? [`${minutesText(gapFreeMinutes)} without a card change`] : []),
    ...(arrangement ? [arrangement] : []),
    ...(sparePercent ? [`spare ${plain(sparePercent)}${NBSP}%`] : []),
  ].join(', ');
}

/** Why a card does not serve a need. */
function uselessText(why: Useless): string {
  switch (why.code) {
    case 'no-slot':
      return 'does not fit this camera';
    case 'few-slots':
      return `enters ${why.enters} of the ${why.width} slots that are written at once`;
    case 'verdict':
      return VERDICT_WORDS[why.verdict].toLowerCase();
    case 'too-short':
      return `${minutesText(why.minutes)}${why.slots > 1 ? ` × ${why.slots}` : ''}, shorter than ${minutesText(why.gapFree)} without a card change`;
    default:
      return assertNever(why);
  }
}

/** How a card serves a need, or why it does not. */
export const servesText = (serves: Serves): string =>
  serves.serves
    ? `${VERDICT_WORDS[serves.verdict]}, ${minutesText(serves.minutes)}${serves.width > 1 ? ` a set of ${serves.width}` : ''}`
    : uselessText(serves.why);

/** Why no set meets a need, and what to do. */
export function impossibleText(why: Impossible): string {
  switch (why.code) {
    case 'no-body':
      return 'Its camera is gone from the kit. Choose another, or delete the need.';
    case 'no-mode':
      return 'Its mode is gone from the camera. Choose another, or delete the need.';
    case 'no-cards':
      return 'There is nothing to choose from: add prices, or count your own cards.';
    case 'no-rate':
      return 'What this mode writes is not known, so no card can be promised for it. Enter its rate under Cameras.';
    case 'none-enters':
      return 'No card offered or owned enters a slot of this camera, or as many as it writes at once. Add prices of the form it takes.';
    case 'none-holds':
      return `No card may be used for it: the best, ${why.name}, is “${VERDICT_WORDS[why.best].toLowerCase()}”. Add prices of cards with a higher promise${why.best === 'tight' || why.best === 'proven' || why.best === 'claimed' ? ', or look at it as a repeatable take' : ''}.`;
    case 'too-short':
      return `No card lasts ${minutesText(why.gapFree)} without a card change: the longest, ${why.name}, lasts ${minutesText(why.longest)}. Add larger cards, or allow a change.`;
    case 'slot-empty':
      return `This camera writes to unlike slots at once, and nothing offered or owned may go into ${why.slotName}.`;
    case 'too-few-own':
      return 'Your own cards would do, and are too few; nothing that is offered may be used. Add prices, or ask for fewer hours.';
    default:
      return assertNever(why);
  }
}

/** What is odd about an offer. */
export function warningText(warning: OfferWarning): string {
  switch (warning.code) {
    case 'cheap':
      return `${shareText(warning.share)} of what ${warning.others} others ask for this card (${moneyText(warning.usual)}): be careful, this is how counterfeits are sold. In no set until you count it.`;
    case 'contradiction':
      return `${labelProblemText(warning.problem)} A label that contradicts itself promises nothing.`;
    case 'no-seller':
      return 'seller not noted';
    case 'no-date':
      return 'date not noted';
    case 'old':
      return `price is ${warning.months} months old`;
    default:
      return assertNever(warning);
  }
}

const SHARES: readonly (readonly [number, string])[] = [
  [1 / 2, 'half'],
  [1 / 3, 'a third'],
  [1 / 4, 'a quarter'],
  [1 / 5, 'a fifth'],
];

function shareText(share: number): string {
  const near = SHARES.find(([of]) => Math.abs(share - of) / of < 0.12);
  return near ? `about ${near[1]}` : `${plain(share * 100, 0)}${NBSP}%`;
}

/** Whether a warning is a sign of a counterfeit, or only something to know. */
export const isGrave = ({ code }: OfferWarning): boolean => code === 'cheap' || code === 'contradiction';

/** What the set is proven to be. */
export function proofText({ aim, optimal, bound, price, cards, mostMinutesOnOneCard }: ShopSet): string {
  if (optimal) return 'best possible: all combinations checked';
  switch (aim) {
    case 'cheapest':
      return price - bound < 0.005
        ? 'none is cheaper; fewer cards at this price are not ruled out'
        : `may not be the cheapest: a price down to ${moneyText(bound)} is not ruled out`;
    case 'fewest-cards':
      return cards - bound < 0.5
        ? 'none has fewer cards; a lower price is not ruled out'
        : `may not be the fewest: ${bound} cards are not ruled out`;
    case 'least-at-risk':
      return mostMinutesOnOneCard - bound < 0.5
        ? 'none risks less; a lower price is not ruled out'
        : `may not be the least: ${minutesText(bound)} on one card is not ruled out`;
    default:
      return assertNever(aim);
  }
}

/** Changes by hand over all of it. */
export const swapsText = (swaps: number, hours: number): string =>
  swaps === 0
    ? 'No change of cards'
    : `${swaps} ${swaps === 1 ? 'change' : 'changes'} in ${hoursText(hours)}, ${plain(swaps / hours, 1)} an hour`;

/** Another wish, in words. */
export function whatIfText({ kind }: WhatIf, titleOf: (needId: string) => string): string {
  switch (kind.code) {
    case 'without':
      return `Without ${titleOf(kind.needId)}`;
    case 'ratio':
      return `${titleOf(kind.needId)} at ${kind.ratio}:1`;
    case 'more-hours':
      return `With ${kind.percent}${NBSP}% more hours`;
    default:
      return assertNever(kind);
  }
}

/** What another wish comes to. */
export function whatIfSays({ kind, difference, price, bought, proven }: WhatIf): string {
  if (price === null || difference === null)
    return proven ? 'nothing offered meets it' : 'not worked out in the time given';
  const about = proven ? '' : 'about ';
  const cards = bought === null ? '' : `, ${bought} to buy`;
  switch (kind.code) {
    case 'without':
      return difference < 0
        ? `this one mode costs ${about}${moneyText(-difference)}${cards}`
        : `it costs nothing more${cards}`;
    case 'ratio':
      return `${about}${moneyText(price)} in all${cards}`;
    case 'more-hours':
      return `${about}${moneyText(price)} in all${cards}`;
    default:
      return assertNever(kind);
  }
}

/** Several currencies in one list. */
export const currenciesText = (chosen: string, others: readonly string[], left: number): string =>
  `Sets are worked out in ${chosen || 'prices without a currency'} alone; ${left} ${left === 1 ? 'offer' : 'offers'} in ${others.map((one) => one || 'no currency').join(', ')} ${left === 1 ? 'is' : 'are'} left out. Nothing is converted.`;

/** An offer in a line of a set. */
export const countedText = (count: number, { name }: Pick<Offer, 'name'>): string => `${count} × ${name}`;

/** Said where a set could not be handed to the board. */
export const NOT_HANDED_OVER = 'This browser keeps nothing between views, so the set cannot be shown on the table.';
