import type { Body, Mode } from '../kit/model.ts';

/** Bodies with fewer slots, by body and the slots left: one object for all modes that go to the same. */
const narrowed = new WeakMap<Body, Map<string, Body>>();

/**
 * A body as it records in one mode: with the slots that the mode goes to. What goes to one slot alone is neither mirrored
 * nor split nor relayed. Slots that are gone are none: a mode that names no other goes nowhere.
 */
export function bodyInMode(body: Body, { slotIds }: Pick<Mode, 'slotIds'>): Body {
  if (slotIds == null) return body;
  const slots = body.slots.filter(({ id }) => slotIds.includes(id));
  if (slots.length === body.slots.length) return body;
  const known = narrowed.get(body) ?? new Map<string, Body>();
  narrowed.set(body, known);
  const key = JSON.stringify(slots.map(({ id }) => id));
  const found = known.get(key) ?? {
    ...body,
    slots,
    arrangement: slots.length < 2 ? 'single' : body.arrangement,
  };
  known.set(key, found);
  return found;
}

/** The place in the whole body of a slot of the same body in a mode; -1 where it has none. */
export const placeInBody = (body: Body, housing: Body, at: number): number =>
  body.slots.findIndex(({ id }) => id === housing.slots[at]?.id);

/** The same by the mode's id; the body as it is where it has no such mode. */
export function bodyInModeOf(body: Body, modeId: string | null): Body {
  const mode = body.modes.find(({ id }) => id === modeId);
  return mode ? bodyInMode(body, mode) : body;
}
