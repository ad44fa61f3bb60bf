import type { Card, CardState } from '../../core/kit/model.ts';
import { ownPromise } from '../../core/match/ownPromise.ts';
import type { Form } from '../../core/standards/forms.ts';

/** How the wallet is narrowed and ordered. */
export interface WalletView {
  readonly search: string;
  readonly form: Form | null;
  readonly state: CardState | 'retired' | null;
  readonly sort: SortKey | null;
  readonly descending: boolean;
}

export const SORT_KEYS = ['label', 'form', 'capacity', 'promise', 'state'] as const;
export type SortKey = (typeof SORT_KEYS)[number];

export const WHOLE_WALLET: WalletView = { search: '', form: null, state: null, sort: null, descending: false };

/** What a card promises on its own bus, bytes per second; 0 where nothing is known, for ordering only. */
const promiseForOrder = (card: Card): number => ownPromise(card).floor ?? 0;

const ORDER: Readonly<Record<SortKey, (card: Card) => string | number>> = {
  label: ({ label }) => label,
  form: ({ form }) => form,
  capacity: ({ capacityGB }) => capacityGB,
  promise: promiseForOrder,
  state: ({ state, retired }) => (retired ? 'zz' : (state ?? '')),
};

const matches = (card: Card, search: string): boolean => {
  if (search.trim() === '') return true;
  const text = [card.label, card.form, card.marks.join(' '), card.note, card.boughtFrom, card.firmware].join(' ');
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));
};

/** The cards to show, in order. Labels count on: C-2 stands before C-10. */
export function walletCards(cards: readonly Card[], view: WalletView): readonly Card[] {
  const shown = cards.filter(
    (card) =>
      matches(card, view.search) &&
      (view.form === null || card.form === view.form) &&
      (view.state === null || (view.state === 'retired' ? card.retired === true : card.state === view.state)),
  );
  if (view.sort === null) return shown;
  const keyOf = ORDER[view.sort];
  const sorted = [...shown].sort((a, b) => {
    const [x, y] = [keyOf(a), keyOf(b)];
    return typeof x === 'number' && typeof y === 'number'
      ? x - y
      : String(x).localeCompare(String(y), 'en', { numeric: true });
  });
  return view.descending ? sorted.reverse() : sorted;
}
