import Joi from 'joi';
import { AIR_MOVEMENTS, CONSTANCIES, TEST_ENDS, TEST_STARTS, type Test } from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { amount, id, isoDate, MAX_GB, MAX_RATE_MBPS, note, otherId, temperature, text, within } from './parts.ts';
import { objectOf, oneOf, orNull } from './shape.ts';

export const testSchema = objectOf<Test>({
  id,
  bodyId: id,
  modeId: orNull(otherId),
  cardId: id,
  slotId: orNull(otherId),
  end: oneOf(TEST_ENDS).required(),
  seconds: Joi.number().min(0).max(1e9).required(),
  clipGB: orNull(Joi.number().min(0).max(MAX_GB)),
  writtenMBps: orNull(amount(MAX_RATE_MBPS)),
  date: orNull(isoDate),
  note,
  ambientWithSunC: temperature.allow(null),
  takes: within(RANGES.takes).integer().allow(null),
  restSeconds: within({ min: 0, max: RANGES.restMinutes.max * 60 }).allow(null),
  firmware: text(120),
  rateIs: oneOf(CONSTANCIES).allow(null),
  air: oneOf(AIR_MOVEMENTS).allow(null),
  start: oneOf(TEST_STARTS).allow(null),
  order: within(RANGES.takes).integer().allow(null),
  formatted: Joi.boolean().allow(null),
  warning: text(500),
  looked: isoDate.allow(null),
});

export { testSchema as schema };
