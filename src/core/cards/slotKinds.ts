import { type Bus, busesOf, busInForce } from '../standards/buses.ts';
import type { Form } from '../standards/forms.ts';

/** Kinds of slot worth telling apart for a form, slowest first: the old ones of SD are left to the tables. */
function slotKinds(form: Form): readonly Bus[] {
  const all = busesOf(form);
  return form === 'sd' || form === 'microsd'
    ? (['high-speed', 'uhs-i', 'uhs-ii', 'uhs-iii', 'sd-express-1'] as const).filter((key) => all.includes(key))
    : all;
}

/** Buses that hardly any camera has: whoever has one can say so with the body. */
const RARE: ReadonlySet<Bus> = new Set(['uhs-iii', 'sd-express-1']);

/** Kinds of slot that somebody is asked about, the fastest first. */
export const askedBuses = (form: Form): readonly Bus[] =>
  slotKinds(form)
    .filter((bus) => !RARE.has(bus))
    .toReversed();

/** The bus in force in each kind of slot, for a card whose bus is known or taken to be the slot's. */
export const slotBuses = (
  form: Form,
  own: Bus | null,
): readonly { readonly slot: Bus; readonly inForce: Bus | null }[] =>
  slotKinds(form).map((slot) => ({ slot, inForce: own === null ? slot : busInForce(slot, own) }));
