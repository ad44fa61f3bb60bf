import type { Arrangement, Body } from '../../core/kit/model.ts';
import { copyOfBody } from '../../kit/copies.ts';
import { createNamer } from '../../kit/names.ts';
import { newId } from '../../kit/newId.ts';
import { change, put, remove } from '../../store/edit.ts';
import { CHANGE_TEXT, STATE_REASON } from '../../text/kit/changes.ts';
import { type Written, write } from '../kit/write.ts';

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

/** How a body records over its slots. */
export const setArrangement = ({ id, name }: Body, arrangement: Arrangement): Promise<Written> =>
  write(CHANGE_TEXT.arranged(name, arrangement), [change('bodies', id, (body) => ({ ...body, arrangement }))]);
