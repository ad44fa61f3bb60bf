import { streamRate } from '../bodies/rate/streamRate.ts';
import { entryAt } from '../entryAt.ts';
import type { Body, Card, Mode, Report, Test } from '../kit/model.ts';
import type { Need, Offer, StandingCamera } from '../kit/shop.ts';
import { answersFor, seatFor } from '../match/board.ts';
import { bodyInMode, placeInBody } from '../match/bodyInMode.ts';
import { type Cell, cellTone } from '../match/cell.ts';
import { byCard } from '../match/columns.ts';
import { pairFit } from '../match/pairFit.ts';
import type { Policy } from '../match/policy.ts';
import { namedCards, printOf } from '../match/print.ts';
import { rollTime } from '../match/rollTime.ts';
import { cardsAtOnce, recordsAtOnce } from '../match/seats.ts';
import { rankOf, TONES_USED, type Tone, type Verdict } from '../match/verdict.ts';
import { cardOfOffer, centsOf } from './offerCard.ts';
import type { Option, OwnedGroup, Part, ShopProblem, Source } from './problem.ts';

/** The kit as a shop reads it. */
export interface ShopKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly reports?: readonly Report[];
}

/** Everything a set is chosen from. */
export interface ShopInput {
  readonly kit: ShopKit;
  readonly needs: readonly Need[];
  readonly offers: readonly Offer[];
  readonly useOwned: boolean;
  readonly policy: Policy;
}

/** Why one card does not serve a need. */
export type Useless =
  | { readonly code: 'no-slot' }
  /** It enters fewer slots than are written at once. */
  | { readonly code: 'few-slots'; readonly enters: number; readonly width: number }
  | { readonly code: 'verdict'; readonly verdict: Verdict }
  | { readonly code: 'too-short'; readonly minutes: number; readonly slots: number; readonly gapFree: number };

/** What one card is to a need: a filling of the body, or why it is none. */
export type Serves =
  | {
      readonly serves: true;
      readonly minutes: number;
      readonly verdict: Verdict;
      readonly tone: Tone;
      /** Cards alike that are written at once. */
      readonly width: number;
    }
  | { readonly serves: false; readonly why: Useless; readonly verdict: Verdict };

/** Why nothing meets a need. */
export type Impossible =
  | { readonly code: 'no-body' | 'no-mode' | 'no-cards' }
  /** What a mode writes is not known: nothing can be promised for it. */
  | { readonly code: 'no-rate' }
  | { readonly code: 'none-enters' }
  /** The best that anything comes to. */
  | { readonly code: 'none-holds'; readonly best: Verdict; readonly name: string }
  | { readonly code: 'too-short'; readonly longest: number; readonly gapFree: number; readonly name: string }
  /** Slots of unlike forms that are written at once, one of which nothing fills. */
  | { readonly code: 'slot-empty'; readonly slotName: string }
  /** Own cards would do, but there are too few, and nothing is offered. */
  | { readonly code: 'too-few-own' };

/** A need that nothing meets. */
export interface ImpossibleNeed {
  readonly needId: string;
  readonly why: Impossible;
}

/** What each card is to each need, and what sets are chosen from. */
export interface ShopOptions {
  readonly problem: ShopProblem;
  readonly impossible: readonly ImpossibleNeed[];
  /** By need, then by offer. */
  readonly serves: readonly (readonly Serves[])[];
  /** Whether there are more ways than are looked at: a set of them is good, and not proven. */
  readonly isCut: boolean;
}

/** The wallet without the cards that sit in a camera which never stops: they are not there for anything else. */
export function cardsForShop(cards: readonly Card[], standing: readonly StandingCamera[]): readonly Card[] {
  const away = new Set(standing.map(({ cardId }) => cardId));
  // Out of use, not out of the wallet: what its tests tell of others of its print stays.
  return cards.map((card) => (away.has(card.id) ? { ...card, retired: true } : card));
}

/** Whole minutes that a need asks for at the least. */
export const minutesWanted = ({ hours, sparePercent }: Pick<Need, 'hours' | 'sparePercent'>): number =>
  Math.ceil(hours * 60 * (1 + sparePercent / 100) - 1e-9);

/** The body of a need, as it is to record for it; undefined where it is gone. */
export function bodyOf({ bodyId, arrangement }: Need, { bodies }: Pick<ShopKit, 'bodies'>): Body | undefined {
  const body = bodies.find(({ id }) => id === bodyId);
  return body && arrangement ? { ...body, arrangement } : body;
}

interface Asked {
  readonly body: Body;
  /** With the slots that the mode goes to. */
  readonly housing: Body;
  readonly mode: Mode;
  readonly need: Need;
  readonly input: ShopInput;
}

/** Slots of a body that a card enters. */
const entered = ({ slots }: Body, card: Card): number => slots.filter((slot) => pairFit(slot, card).fits).length;

/** Over how many slots a stretch without a change by hand may run: those that such a card enters. */
const slotsInRow = (body: Body, card: Card): number =>
  body.arrangement === 'relay' ? Math.max(1, entered(body, card)) : 1;

/** What a cell comes to for a need. */
function servesAs(cell: Cell, card: Card, { housing, need, input }: Asked, width: number): Serves {
  const { verdict } = cell;
  const tone = cellTone(cell, input.policy.take);
  if (verdict === 'unfit') return { serves: false, verdict, why: { code: 'no-slot' } };
  const minutes = Math.floor(rollTime(cell) / 60);
  if (!TONES_USED[input.policy.take].has(tone) || minutes <= 0)
    return { serves: false, verdict, why: { code: 'verdict', verdict } };
  const slots = slotsInRow(housing, card);
  const gapFree = need.gapFreeMinutes ?? 0;
  if (minutes * slots < gapFree) return { serves: false, verdict, why: { code: 'too-short', minutes, slots, gapFree } };
  return { serves: true, minutes, verdict, tone, width };
}

/** What any card is to a need, each print asked once. */
function asker(asked: Asked): (card: Card) => Serves {
  const { body, housing, mode, input } = asked;
  const { kit, policy } = input;
  const atOnce = recordsAtOnce(housing.arrangement) ? cardsAtOnce(housing) : 1;
  // Over unlike slots a set is made of unlike cards: one of them is one of it.
  const width = takesEqualSets(housing, atOnce) ? atOnce : 1;
  const answer = answersFor({ body, mode, ...kit, policy });
  const tested = byCard(kit.tests);
  const named = namedCards([body]);
  const known = new Map<string, Serves>();
  const ask = (card: Card): Serves => {
    const cell = answer(card);
    // The board may fill the other slot with another card of the wallet; a set of equal ones has no such help.
    if (width > 1 && cell.verdict !== 'unfit' && entered(housing, card) < width)
      return {
        serves: false,
        verdict: cell.verdict,
        why: { code: 'few-slots', enters: entered(housing, card), width },
      };
    return servesAs(cell, card, asked, width);
  };
  return (card) => {
    const alone = named.has(card.id) || tested(card.id).length > 0;
    const key = alone ? `card ${card.id}` : printOf(card);
    const found = known.get(key) ?? ask(card);
    known.set(key, found);
    return found;
  };
}

/** A card that may be taken: its source, and what one costs. */
interface Candidate {
  readonly source: Source;
  readonly card: Card;
  readonly cents: number;
  /** How many there are. */
  readonly stock: number;
}

/** Cards that may sit in one set: of one size, with the same marks. */
const likeOf = ({ form, capacityGB, marks, bus }: Card): string =>
  JSON.stringify([form, capacityGB, [...marks].sort(), bus]);

/** A card with what it is to a need, where it serves it. */
interface Serving {
  readonly candidate: Candidate;
  readonly fit: Extract<Serves, { serves: true }>;
}

function optionOf(need: number, members: readonly Serving[], counts: readonly number[]): Option {
  const used = members.flatMap((one, at) => ((counts[at] ?? 0) > 0 ? [{ one, count: entryAt(counts, at) }] : []));
  const fits = used.map(({ one }) => one.fit);
  const worst = fits.reduce((found, one) => (rankOf(one.verdict) > rankOf(found.verdict) ? one : found));
  const parts: readonly Part[] = used.map(({ one, count }) => ({ source: one.candidate.source, count }));
  return {
    need,
    minutes: Math.min(...fits.map(({ minutes }) => minutes)),
    cents: used.reduce((sum, { one, count }) => sum + one.candidate.cents * count, 0),
    cards: used.reduce((sum, { count }) => sum + count, 0),
    parts,
    verdict: worst.verdict,
    tone: worst.tone,
  };
}

/** Sets of equal cards: of one source, or some of one's own and the rest bought alike. */
function equalSets(need: number, serving: readonly Serving[], width: number): readonly Option[] {
  const alike = new Map<string, Serving[]>();
  for (const one of serving) {
    const key = likeOf(one.candidate.card);
    alike.set(key, [...(alike.get(key) ?? []), one]);
  }
  return [...alike.values()].flatMap((members) => {
    const own = members.filter(({ candidate }) => candidate.source.kind === 'owned');
    // Of equal cards that are offered, the dearer ones are in no set that is best.
    const bought = members
      .filter(({ candidate }) => candidate.source.kind === 'offer')
      .sort((a, b) => a.candidate.cents - b.candidate.cents)
      .slice(0, 1);
    return splits([...own, ...bought], width).map((counts) => optionOf(need, [...own, ...bought], counts));
  });
}

/** Every way to take `width` cards of some members, none above its stock. */
function splits(members: readonly Serving[], width: number): readonly (readonly number[])[] {
  const [first, ...rest] = members;
  if (!first) return width === 0 ? [[]] : [];
  const most = Math.min(width, first.candidate.stock);
  return Array.from({ length: most + 1 }, (_, count) => count).flatMap((count) =>
    splits(rest, width - count).map((others) => [count, ...others]),
  );
}

/** Most ways to fill slots of unlike forms that are looked at for one need, the cheapest first. */
const MOST_MIXED = 10_000;

/**
 * Sets over slots that take unlike cards and are written at once: each group of slots its own card, the worst of them
 * counts.
 */
function mixedSets(
  need: number,
  asked: Asked,
  candidates: readonly Candidate[],
): { readonly options: readonly Option[]; readonly isCut: boolean } | { readonly empty: string } {
  const { body, housing, mode, input } = asked;
  const tested = byCard(input.kit.tests);
  let isCut = false;
  let ways: readonly { readonly members: readonly Serving[] }[] = [{ members: [] }];
  for (const [slotAt, slot] of housing.slots.entries()) {
    const serving = candidates.flatMap((candidate): Serving[] => {
      const { card } = candidate;
      if (!pairFit(slot, card).fits) return [];
      const cell = seatFor(
        { body, mode, card, tests: tested(card.id), policy: input.policy },
        placeInBody(body, housing, slotAt),
      );
      const fit = servesAs(cell, card, asked, housing.slots.length);
      return fit.serves ? [{ candidate, fit }] : [];
    });
    if (serving.length === 0) return { empty: slot.name };
    const worth = cheapestOfEach(serving);
    const all = ways.flatMap(({ members }) => worth.map((one) => ({ members: [...members, one] })));
    isCut ||= all.length > MOST_MIXED;
    ways = all.sort((a, b) => price(a.members) - price(b.members)).slice(0, MOST_MIXED);
  }
  const options = ways.flatMap(({ members }) => {
    const merged = merge(members);
    const over = merged.some(({ candidate, count }) => count > candidate.stock);
    return over
      ? []
      : [
          optionOf(
            need,
            merged,
            merged.map(({ count }) => count),
          ),
        ];
  });
  return { options, isCut };
}

const price = (members: readonly Serving[]): number => members.reduce((sum, { candidate }) => sum + candidate.cents, 0);

/** Of cards that last equally long in a slot, each own one and the cheapest that is offered. */
function cheapestOfEach(serving: readonly Serving[]): readonly Serving[] {
  const cheapest = new Map<number, Serving>();
  for (const one of serving) {
    if (one.candidate.source.kind === 'owned') continue;
    const known = cheapest.get(one.fit.minutes);
    if (!known || one.candidate.cents < known.candidate.cents) cheapest.set(one.fit.minutes, one);
  }
  return [...serving.filter(({ candidate }) => candidate.source.kind === 'owned'), ...cheapest.values()];
}

function merge(members: readonly Serving[]): readonly (Serving & { readonly count: number })[] {
  const counted: (Serving & { count: number })[] = [];
  for (const one of members) {
    const known = counted.find(({ candidate }) => candidate === one.candidate);
    if (known) known.count += 1;
    else counted.push({ ...one, count: 1 });
  }
  return counted;
}

/** Own cards in groups that answer alike everywhere: of one print, with no tests of their own, approved by nobody. */
function ownedGroups({ bodies, cards, tests }: ShopKit): readonly (readonly Card[])[] {
  const tested = byCard(tests);
  const named = namedCards(bodies);
  const groups = new Map<string, Card[]>();
  for (const card of cards) {
    if (card.retired) continue;
    const alone = named.has(card.id) || tested(card.id).length > 0;
    const key = alone ? `card ${card.id}` : printOf(card);
    groups.set(key, [...(groups.get(key) ?? []), card]);
  }
  return [...groups.values()];
}

/** Whether some form enters as many slots as the body writes at once, so that equal cards make a set. */
function takesEqualSets(body: Body, width: number): boolean {
  const forms = body.slots.map(({ accepts }) => new Set(accepts.map(({ form }) => form)));
  return [...new Set(forms.flatMap((one) => [...one]))].some(
    (form) => forms.filter((one) => one.has(form)).length >= width,
  );
}

interface NeedOptions {
  readonly options: readonly Option[];
  readonly serves: readonly Serves[];
  readonly why: Impossible | null;
  /** Whether ways were left out, so that nothing is proven. */
  readonly isCut?: boolean;
}

const NO_CARD: Serves = { serves: false, verdict: 'unfit', why: { code: 'no-slot' } };

function optionsOf(
  at: number,
  need: Need,
  input: ShopInput,
  { owned, offered }: { readonly owned: readonly Candidate[]; readonly offered: readonly Candidate[] },
): NeedOptions {
  const body = bodyOf(need, input.kit);
  const mode = body?.modes.find(({ id }) => id === need.modeId);
  const nothing = (why: Impossible): NeedOptions => ({ options: [], serves: offered.map(() => NO_CARD), why });
  if (!body) return nothing({ code: 'no-body' });
  if (!mode) return nothing({ code: 'no-mode' });
  if (!streamRate(mode, body).ok) return nothing({ code: 'no-rate' });
  const housing = bodyInMode(body, mode);
  const asked: Asked = { body, housing, mode, need, input };
  const ask = asker(asked);
  const candidates = [...owned, ...offered];
  const answers = candidates.map(({ card }) => ask(card));
  const serves = answers.slice(owned.length);
  if (candidates.length === 0) return { options: [], serves, why: { code: 'no-cards' } };
  const width = recordsAtOnce(housing.arrangement) ? cardsAtOnce(housing) : 1;
  if (width > 1 && !takesEqualSets(housing, width)) {
    const mixed = mixedSets(at, asked, candidates);
    return 'empty' in mixed
      ? { options: [], serves, why: { code: 'slot-empty', slotName: mixed.empty } }
      : { ...mixed, serves, why: mixed.options.length === 0 ? { code: 'too-few-own' } : null };
  }
  const serving = candidates.flatMap((candidate, place): Serving[] => {
    const fit = answers[place];
    return fit?.serves ? [{ candidate, fit }] : [];
  });
  const options = width > 1 ? equalSets(at, serving, width) : serving.map((one) => optionOf(at, [one], [1]));
  return { options, serves, why: options.length > 0 ? null : whyNone(candidates, answers) };
}

/** Of everything that does not serve a need, what comes nearest, and what keeps it out. */
function whyNone(candidates: readonly Candidate[], answers: readonly Serves[]): Impossible {
  if (answers.some(({ serves }) => serves)) return { code: 'too-few-own' };
  const names = answers.map((answer, at) => ({ answer, name: candidates[at]?.card.label ?? '' }));
  const short = names.flatMap(({ answer, name }) =>
    !answer.serves && answer.why.code === 'too-short' ? [{ ...answer.why, name }] : [],
  );
  const [longest] = short.sort((a, b) => b.minutes - a.minutes);
  if (longest)
    return {
      code: 'too-short',
      name: longest.name,
      longest: longest.minutes * longest.slots,
      gapFree: longest.gapFree,
    };
  const entering = names.filter(
    ({ answer }) => answer.verdict !== 'unfit' && !(!answer.serves && answer.why.code === 'few-slots'),
  );
  if (entering.length === 0) return { code: 'none-enters' };
  const best = entering.reduce((found, one) =>
    rankOf(one.answer.verdict) < rankOf(found.answer.verdict) ? one : found,
  );
  return { code: 'none-holds', best: best.answer.verdict, name: best.name };
}

/** What each card is to each need, as Match answers it, and the problem that sets are chosen from. */
export function shopOptions(input: ShopInput): ShopOptions {
  const groups = input.useOwned ? ownedGroups(input.kit) : [];
  const owned = groups.map(
    (cards, group): Candidate => ({
      source: { kind: 'owned', group },
      card: entryAt(cards, 0),
      cents: 0,
      stock: cards.length,
    }),
  );
  const offered = input.offers.map(
    (offer, at): Candidate => ({
      source: { kind: 'offer', offer: at },
      card: cardOfOffer(offer),
      cents: centsOf(offer),
      stock: Number.POSITIVE_INFINITY,
    }),
  );
  const found = input.needs.map((need, at) => optionsOf(at, need, input, { owned, offered }));
  const ownedCards: readonly OwnedGroup[] = groups.map((cards) => ({ cardIds: cards.map(({ id }) => id) }));
  const options = found.flatMap((one) => one.options);
  const whys = found.map(({ why, options: own }, at) => why ?? tooFewOwn(at, input, own, ownedCards));
  return {
    problem: {
      needs: input.needs.map((need, at) => (whys[at] === null ? minutesWanted(need) : 0)),
      options,
      owned: ownedCards,
    },
    impossible: input.needs.flatMap((need, at) => {
      const why = whys[at] ?? null;
      return why ? [{ needId: need.id, why }] : [];
    }),
    serves: found.map(({ serves }) => serves),
    isCut: found.some(({ isCut }) => isCut),
  };
}

/** Where nothing can be bought for a need, whether all own cards together would do. */
function tooFewOwn(
  at: number,
  { needs }: ShopInput,
  options: readonly Option[],
  owned: readonly OwnedGroup[],
): Impossible | null {
  if (options.some(({ parts }) => parts.every(({ source }) => source.kind === 'offer'))) return null;
  // More than there can be: each card in its longest filling.
  const most = owned.reduce((sum, { cardIds }, group) => {
    const longest = Math.max(
      0,
      ...options
        .filter(({ parts }) => parts.some(({ source }) => source.kind === 'owned' && source.group === group))
        .map(({ minutes }) => minutes),
    );
    return sum + longest * cardIds.length;
  }, 0);
  return most < minutesWanted(entryAt(needs, at)) ? { code: 'too-few-own' } : null;
}
