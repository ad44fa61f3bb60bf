import Joi from 'joi';
import { readLabel } from '../../core/cards/readLabel.ts';
import { MAX_TEXT } from '../../core/cards/tokenize.ts';
import { ok } from '../../core/result.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { FAMILY_KEYS } from '../../core/standards/families.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import { call, MAX_LINE_BODY } from '../call.ts';
import { list, numberOrNull, object, oneOrNull, text } from '../shapes.ts';
import { labelView } from '../views.ts';

/** The label reader. */
export const label = call({
  path: '/api/label',
  method: 'POST',
  summary: 'Reads what is printed on a card',
  heavy: false,
  maxBody: MAX_LINE_BODY,
  asked: Joi.object<{ text: string }>({ text: Joi.string().min(1).max(MAX_TEXT).required() }),
  answer: object({
    form: oneOrNull(FORM_KEYS),
    capacityGB: numberOrNull,
    family: oneOrNull(FAMILY_KEYS),
    bus: oneOrNull(BUS_KEYS),
    floorMBps: numberOrNull,
    readMBps: numberOrNull,
    writeMBps: numberOrNull,
    sustainedMBps: numberOrNull,
    minimumMBps: numberOrNull,
    ratedHours: numberOrNull,
    enduranceTB: numberOrNull,
    marks: list(Joi.object({ mark: text, promisesMBps: numberOrNull, meaning: text })),
    problems: list(Joi.object({ code: text, message: text })),
  }),
  answerText: 'What it says',
  refusals: { 400: 'Not a label request' },
  run: (asked) => ok(labelView(readLabel(asked.text))),
});
