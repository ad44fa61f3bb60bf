import type { Card } from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { err } from '../../core/result.ts';
import { COLLECTIONS } from '../../kit/collections.ts';
import { copyOfCard } from '../../kit/copies.ts';
import { createNamer } from '../../kit/names.ts';
import { newId } from '../../kit/newId.ts';
import { change, put, remove } from '../../store/edit.ts';
import { CHANGE_TEXT, FAULT_TEXT, STATE_REASON } from '../../text/kit/changes.ts';
import { type Written, write } from '../kit/write.ts';

/** Changes of so many cards at once are large: the kit is kept as an earlier state first. */
const MANY = 10;

const beforeMany = (count: number, what: 'deleting' | 'changing' | 'adding'): string | null =>
  count >= MANY ? STATE_REASON.many(what, count) : null;

/**
 * Stores a card as its form has it.
 *
 * @param base - the card as the form was opened on it; null: a new one. It is refused where the card is another by now.
 */
export const saveCard = (card: Card, base?: Card | null): Promise<Written> =>
  write(CHANGE_TEXT.saved(card.label), [put('cards', card, base === undefined ? {} : { base })]);

/** Another card of the same print, directly behind it. */
export function duplicateCard(card: Card, all: readonly Card[]): Promise<Written> {
  const name = createNamer(all.map(({ label }) => label));
  const copy = copyOfCard(card, newId(), name(card.label));
  return write(CHANGE_TEXT.duplicated(card.label), [put('cards', copy, { behind: card.id })]);
}

export function deleteCards(cards: readonly Card[]): Promise<Written> {
  const [only] = cards;
  const what =
    only && cards.length === 1 ? CHANGE_TEXT.cardDeleted(only.label) : CHANGE_TEXT.cardsDeleted(cards.length);
  const edits = cards.map(({ id }) => remove('cards', id));
  return write(what, edits, { snapshot: beforeMany(cards.length, 'deleting') });
}

/** The same change to several cards. */
export const changeCards = (cards: readonly Card[], part: Partial<Card>, words: string): Promise<Written> =>
  write(
    CHANGE_TEXT.changed(cards.length, words),
    cards.map(({ id }) => change('cards', id, (card) => ({ ...card, ...part }))),
    { snapshot: beforeMany(cards.length, 'changing') },
  );

/** A card that failed on a day: nothing counts on it until somebody says what came of it, so that no plan uses it. */
export const noteFault = (
  { id, label }: Card,
  { date, who, plan }: { readonly date: string; readonly who: string; readonly plan: string },
): Promise<Written> =>
  write(CHANGE_TEXT.faultNoted(label), [
    change('cards', id, (card) => ({
      ...card,
      incidents: [...(card.incidents ?? []), { date, kind: 'damage', text: FAULT_TEXT(plan, who) }],
    })),
  ]);

/** What such a minimum may be, MB/s. */
export const MINIMUM_RANGE = RANGES.cardMBps;

/** A minimum that the maker of a card states in writing, with where it is written. */
export const noteMinimum = ({ id, label }: Card, minimumMBps: number, source: string): Promise<Written> =>
  write(CHANGE_TEXT.minimumNoted(label), [
    change('cards', id, (card) => ({ ...card, minimumMBps, minimumSource: source || null })),
  ]);

/** Copies of several cards at the end of the wallet, labels counting on: A-01 … A-08. */
export async function duplicateMany(cards: readonly Card[], all: readonly Card[], times: number): Promise<Written> {
  const count = cards.length * times;
  const { most } = COLLECTIONS.cards;
  // Told before they are made: a million copies would take the memory of the tab.
  if (all.length + count > most) return err({ code: 'too-many', list: 'cards', most });
  const name = createNamer(all.map(({ label }) => label));
  const copies = cards.flatMap((card) =>
    Array.from({ length: times }, () => copyOfCard(card, newId(), name(card.label))),
  );
  const edits = copies.map((copy) => put('cards', copy));
  return write(CHANGE_TEXT.copied(count), edits, { snapshot: beforeMany(count, 'adding') });
}

/** Adds many new cards at once, all or none. */
export const addCards = (cards: readonly Card[]): Promise<Written> =>
  write(
    CHANGE_TEXT.added(cards.length),
    cards.map((card) => put('cards', card)),
    { snapshot: beforeMany(cards.length, 'adding') },
  );
