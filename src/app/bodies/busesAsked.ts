import { askedBuses } from '../../core/cards/slotKinds.ts';
import type { Slot } from '../../core/kit/model.ts';
import type { Bus } from '../../core/standards/buses.ts';
import { type Form, isSd } from '../../core/standards/forms.ts';

/** A bus that nobody entered: of one form of card, in one slot or in several that may be told at once. */
export interface BusAsked {
  readonly form: Form;
  readonly slots: readonly { readonly at: number; readonly place: number; readonly name: string }[];
  /** What it may be, the fastest first. */
  readonly buses: readonly Bus[];
}

/**
 * The buses of slots that are not entered and may be several, a question for each form of card.
 *
 * @param apart - whether each slot is asked about by itself: slots of one camera may differ
 */
export function busesAsked(slots: readonly Pick<Slot, 'name' | 'accepts'>[], apart = false): readonly BusAsked[] {
  const asked = new Map<string, BusAsked>();
  slots.forEach(({ name, accepts }, at) => {
    accepts.forEach(({ form, bus }, place) => {
      const buses = askedBuses(form);
      if (bus !== null || buses.length < 2) return;
      const key = apart ? `${form} ${at}` : form;
      const before = asked.get(key)?.slots ?? [];
      asked.set(key, { form, buses, slots: [...before, { at, place, name }] });
    });
  });
  return [...asked.values()];
}

/** Whether a slot for SD cards has no bus entered: there the slowest common one turns most answers. */
export const isSdBusOpen = (slots: readonly Pick<Slot, 'accepts'>[]): boolean =>
  slots.some(({ accepts }) => accepts.some(({ form, bus }) => bus === null && isSd(form)));
