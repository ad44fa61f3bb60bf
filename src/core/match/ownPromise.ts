import { busOf } from '../cards/printedBus.ts';
import type { Card } from '../kit/model.ts';
import { isExpress } from '../standards/buses.ts';
import { isSd } from '../standards/forms.ts';
import type { Promising } from '../standards/marks.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { floorInForce } from './rules/guarantee.ts';
import { labelRule } from './rules/label.ts';
import { minimumInForce } from './rules/makersMinimum.ts';

/** What a card promises on its own bus, for headings and lists. */
export type OwnPromise =
  | { readonly by: 'mark'; readonly mark: Promising; readonly floor: BytesPerSecond }
  | { readonly by: 'minimum'; readonly floor: BytesPerSecond }
  | { readonly by: 'nothing' | 'doubt'; readonly floor: null };

/** The best promise in writing, on the fastest bus the card speaks; nothing while its label is in doubt. */
export function ownPromise(card: Card): OwnPromise {
  if (labelRule(card)?.outcome === 'short') return { by: 'doubt', floor: null };
  const { bus } = busOf(card);
  // A class of its own is printed on cards of any bus, and on none that is slower than it needs.
  const own = floorInForce(card, bus ?? (isSd(card.form) ? 'high-speed' : null));
  // An Express card without a class of its own promises what it does where it falls back.
  const { mark, floor } = own.floor === null && isExpress(bus) ? floorInForce(card, 'uhs-i') : own;
  const minimum = minimumInForce(card, { inForce: bus });
  if (minimum !== null && (floor === null || minimum > floor)) return { by: 'minimum', floor: minimum };
  return mark !== null && floor !== null ? { by: 'mark', mark, floor } : { by: 'nothing', floor: null };
}
