import Joi from 'joi';
import { type Print, type Report, TEST_ENDS, TEST_STARTS } from '../../core/kit/model.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import { amount, id, isoDate, MAX_GB, MAX_RATE_MBPS, temperature, text } from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

export const printSchema = objectOf<Print>({
  form: oneOf(FORM_KEYS).required(),
  capacityGB: amount(MAX_GB).required(),
  marks: listOf<string>(Joi.string().max(40)).max(40).required(),
  bus: orNull(oneOf(BUS_KEYS)),
  readMBps: orNull(amount(MAX_RATE_MBPS)),
  writeMBps: orNull(amount(MAX_RATE_MBPS)),
});

/** What a colleague's test says of itself, wherever it is read. */
export const takeGiven = {
  end: oneOf(TEST_ENDS).required(),
  seconds: Joi.number().min(0.001).max(1e9).required(),
  writtenMBps: amount(MAX_RATE_MBPS).required(),
  clipGB: orNull(Joi.number().min(0).max(MAX_GB)),
  ambientWithSunC: orNull(temperature),
  firmware: text(120),
  start: oneOf(TEST_STARTS).allow(null),
  date: orNull(isoDate),
};

export const reportSchema = objectOf<Report>({
  id,
  from: orNull(text(120)),
  received: isoDate.required(),
  bodyId: id,
  modeId: id,
  print: printSchema.required(),
  ...takeGiven,
});

export { reportSchema as schema };
