import Joi from 'joi';
import { AIR_MOVEMENTS, ARRANGEMENTS, type KeptTake, type PlannedTake } from '../../core/kit/model.ts';
import { amount, id, name, otherId, temperature } from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

/** A take that is planned, in the settings or in a kept take. */
export const plannedTakeSchema = objectOf<PlannedTake>({
  minutes: amount(2880).required(),
  takes: Joi.number().integer().min(1).max(1000).required(),
  restMinutes: Joi.number().min(0).max(2880).required(),
  ambientC: temperature.required(),
  sunC: Joi.number().min(0).max(60).required(),
  air: oneOf(AIR_MOVEMENTS).allow(null),
  dayLowC: temperature.allow(null),
});

export const keptTakeSchema = objectOf<KeptTake>({
  id,
  name,
  bodyId: id,
  modeId: id,
  arrangement: oneOf(ARRANGEMENTS).required(),
  cardIds: listOf<string>(otherId).max(16).required(),
  ratio: orNull(Joi.number().min(1).max(100)),
  plan: plannedTakeSchema.required(),
  startBodyC: orNull(temperature),
  startCardC: orNull(temperature),
  rateSeriesId: orNull(otherId),
});

export { keptTakeSchema as schema };
