import type { Arrangement, Body, OtherForms } from '../../core/kit/model.ts';
import { withBus } from '../../core/match/moves.ts';
import { type Bus, bus as busRow } from '../../core/standards/buses.ts';
import { copyOfBody } from '../../kit/copies.ts';
import { createNamer } from '../../kit/names.ts';
import { newId } from '../../kit/newId.ts';
import { change, put, remove } from '../../store/edit.ts';
import { CHANGE_TEXT, STATE_REASON } from '../../text/kit/changes.ts';
import { together } from '../../text/quantity.ts';
import { type Written, write } from '../kit/write.ts';
import type { BusAsked } from './busesAsked.ts';

/** Stores a body as its form has it; see `saveCard`. */
export const saveBody = (body: Body, base?: Body | null): Promise<Written> =>
  write(CHANGE_TEXT.saved(body.name), [put('bodies', body, base === undefined ? {} : { base })]);

/** Another body of the same model, directly behind it. */
export function duplicateBody(body: Body, all: readonly Body[]): Promise<Written> {
  const name = createNamer(all.map((one) => one.name));
  const copy = copyOfBody(body, newId(), name(body.name));
  return write(CHANGE_TEXT.duplicated(body.name), [put('bodies', copy, { behind: body.id })]);
}

/** A body holds the work of an evening: the kit is kept as an earlier state first. */
export const deleteBody = ({ id, name }: Body): Promise<Written> =>
  write(CHANGE_TEXT.bodyDeleted(name), [remove('bodies', id)], { snapshot: STATE_REASON.bodyDeleted(name) });

/** What one slot of a body speaks, for every form of it that was not told. */
export const tellBus = ({ id, name, slots }: Body, slotId: string, bus: Bus): Promise<Written> =>
  write(CHANGE_TEXT.busTold(name, slots.find((one) => one.id === slotId)?.name ?? '', busRow(bus).name), [
    change('bodies', id, (body) => ({
      ...body,
      slots: body.slots.map((one) => (one.id === slotId ? withBus(one, bus) : one)),
    })),
  ]);

/** What slots of a body carry for one form of card, told at once. */
export function tellBuses({ id, name, slots }: Body, { form, slots: asked }: BusAsked, bus: Bus): Promise<Written> {
  // By what they are and not by their place: another tab may have put a slot before them.
  const told = new Set(asked.map(({ at }) => slots[at]?.id));
  return write(CHANGE_TEXT.busTold(name, together(asked.map((one) => one.name)), busRow(bus).name), [
    change('bodies', id, (body) => ({
      ...body,
      slots: body.slots.map((slot) =>
        told.has(slot.id)
          ? { ...slot, accepts: slot.accepts.map((one) => (one.form === form ? { ...one, bus: one.bus ?? bus } : one)) }
          : slot,
      ),
    })),
  ]);
}

/** What a body does with cards of a form that none of the marks it asks for exists on. */
export const tellOtherForms = ({ id, name }: Body, otherForms: OtherForms): Promise<Written> =>
  write(CHANGE_TEXT.otherFormsTold(name), [change('bodies', id, (body) => ({ ...body, otherForms }))]);

/** How a body records over its slots. */
export const setArrangement = ({ id, name }: Body, arrangement: Arrangement): Promise<Written> =>
  write(CHANGE_TEXT.arranged(name, arrangement), [change('bodies', id, (body) => ({ ...body, arrangement }))]);
