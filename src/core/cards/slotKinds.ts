import { type Bus, busesOf, busInForce } from '../standards/buses.ts';
import type { Form } from '../standards/forms.ts';

/** Kinds of slot worth telling apart for a form, slowest first: the old ones of SD are left to the tables. */
export function slotKinds(form: Form): readonly Bus[] {
  const all = busesOf(form);
  return form === 'sd' || form === 'microsd'
    ? (['high-speed', 'uhs-i', 'uhs-ii', 'uhs-iii', 'sd-express-1'] as const).filter((key) => all.includes(key))
    : all;
}

/** The bus in force in each kind of slot, for a card whose bus is known or taken to be the slot's. */
export const slotBuses = (
  form: Form,
  own: Bus | null,
): readonly { readonly slot: Bus; readonly inForce: Bus | null }[] =>
  slotKinds(form).map((slot) => ({ slot, inForce: own === null ? slot : busInForce(slot, own) }));
