import type { Card } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { Need, Offer, StandingCamera } from '../../core/kit/shop.ts';
import { err } from '../../core/result.ts';
import { needsOfPlan } from '../../core/shop/needs.ts';
import { cardOfOffer } from '../../core/shop/offerCard.ts';
import type { ShopSet } from '../../core/shop/sets.ts';
import { COLLECTIONS } from '../../kit/collections.ts';
import { createNamer } from '../../kit/names.ts';
import { newId } from '../../kit/newId.ts';
import { change, put, remove } from '../../store/edit.ts';
import { STATE_REASON } from '../../text/kit/changes.ts';
import { SHOP_CHANGE } from '../../text/shop/changes.ts';
import { today } from '../kit/today.ts';
import { type Written, write } from '../kit/write.ts';

/** Stores a need as its form has it. */
export const saveNeed = (need: Need, base: Need | null): Promise<Written> =>
  write(SHOP_CHANGE.needSaved, [put('needs', need, { base })]);

export const deleteNeed = ({ id }: Need): Promise<Written> => write(SHOP_CHANGE.needDeleted, [remove('needs', id)]);

/** Leaves a need out of the sets, or counts it again. */
export const setNeedOut = ({ id }: Need, isOut: boolean): Promise<Written> =>
  write(SHOP_CHANGE.needOut(isOut), [change('needs', id, (need) => ({ ...need, isOut }))]);

/** Takes the needs of a day: those taken from it before are told anew, others stay as they are. */
export function takeNeeds(plan: Plan, needs: readonly Need[]): Promise<Written> {
  const found = needsOfPlan(plan);
  const before = needs.filter(({ planId }) => planId === plan.id);
  const taken = found.map((need): Need => {
    const known = before.find(({ bodyId, modeId }) => bodyId === need.bodyId && modeId === need.modeId);
    // What a person added to it stays: how much is to spare, and whether it counts.
    return known ? { ...known, hours: need.hours, gapFreeMinutes: need.gapFreeMinutes } : { ...need, id: newId() };
  });
  const gone = before.filter(({ id }) => !taken.some((need) => need.id === id));
  return write(SHOP_CHANGE.needsTaken(plan.name, taken.length), [
    ...gone.map(({ id }) => remove('needs', id)),
    ...taken.map((need) => put('needs', need)),
  ]);
}

/** Stores an offer as its form has it. */
export const saveOffer = (offer: Offer, base: Offer | null): Promise<Written> =>
  write(SHOP_CHANGE.offerSaved(offer.name), [put('prices', offer, { base })]);

export const deleteOffer = ({ id, name }: Offer): Promise<Written> =>
  write(SHOP_CHANGE.offerDeleted(name), [remove('prices', id)]);

/** Deletes a whole list of prices; the kit is kept as an earlier state first. */
export const deleteOffers = (offers: readonly Offer[]): Promise<Written> =>
  write(
    SHOP_CHANGE.offersDeleted(offers.length),
    offers.map(({ id }) => remove('prices', id)),
    { snapshot: STATE_REASON.many('deleting', offers.length) },
  );

const sameOffer = (a: Omit<Offer, 'id'>, b: Offer): boolean =>
  a.name === b.name &&
  a.seller === b.seller &&
  a.form === b.form &&
  a.capacityGB === b.capacityGB &&
  a.currency === b.currency;

/** The offers of a list that are there already, under another price. */
export const knownOffers = (read: readonly Omit<Offer, 'id'>[], offers: readonly Offer[]): number => {
  const keys = new Map(offers.map((offer) => [offer.name, offer]));
  return read.filter((one) => {
    const known = keys.get(one.name);
    return known !== undefined && sameOffer(one, known);
  }).length;
};

/** Adds a price list, all or nothing; what the same seller asks for the same card now takes the place of what it asked before. */
export async function addOffers(read: readonly Omit<Offer, 'id'>[], offers: readonly Offer[]): Promise<Written> {
  const { most } = COLLECTIONS.prices;
  if (offers.length + read.length > most) return err({ code: 'too-many', list: 'prices', most });
  const byName = new Map<string, Offer[]>();
  for (const offer of offers) byName.set(offer.name, [...(byName.get(offer.name) ?? []), offer]);
  const edits = read.map((one) => {
    const known = byName.get(one.name)?.find((offer) => sameOffer(one, offer));
    return put('prices', { ...one, id: known?.id ?? newId() });
  });
  return write(SHOP_CHANGE.offersAdded(read.length), edits, {
    snapshot: read.length >= 10 ? STATE_REASON.many('adding', read.length) : null,
  });
}

/** The cards of a set that are bought, new and labelled apart from those there are. */
export function cardsOfSet(
  { items }: Pick<ShopSet, 'items'>,
  offers: readonly Offer[],
  cards: readonly Pick<Card, 'label'>[],
): readonly { readonly card: Card; readonly offer: Offer }[] {
  const name = createNamer(cards.map(({ label }) => label));
  return items.flatMap(({ offerId, count }) => {
    const offer = offers.find(({ id }) => id === offerId);
    if (!offer) return [];
    // Numbered behind a dot: a name that ends in a mark must not count on, to V91.
    return Array.from({ length: count }, () => ({
      offer,
      card: { ...cardOfOffer(offer), id: newId(), label: name(`${offer.name} · 0`) },
    }));
  });
}

/** Puts a set that was bought into the wallet, with what was paid, where and when. */
export async function buySet(set: ShopSet, offers: readonly Offer[], cards: readonly Card[]): Promise<Written> {
  const bought = cardsOfSet(set, offers, cards);
  const { most } = COLLECTIONS.cards;
  if (cards.length + bought.length > most) return err({ code: 'too-many', list: 'cards', most });
  return write(
    SHOP_CHANGE.bought(bought.length),
    bought.map(({ card, offer }) =>
      put('cards', {
        ...card,
        boughtFrom: offer.seller,
        boughtOn: today(),
        state: 'free' as const,
        note: offer.note ?? null,
      }),
    ),
    { snapshot: bought.length >= 10 ? STATE_REASON.many('adding', bought.length) : null },
  );
}

/** Stores a camera that never stops as its form has it. */
export const saveStanding = (camera: StandingCamera, base: StandingCamera | null): Promise<Written> =>
  write(SHOP_CHANGE.standingSaved(camera.name), [put('standing', camera, { base })]);

export const deleteStanding = ({ id, name }: StandingCamera): Promise<Written> =>
  write(SHOP_CHANGE.standingDeleted(name), [remove('standing', id)]);
