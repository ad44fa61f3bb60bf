import Joi from 'joi';
import {
  AIR_MOVEMENTS,
  ARRANGEMENTS,
  FINISH_KEYS,
  type KeptTake,
  type MadeWith,
  type PlannedTake,
} from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { amount, id, isoDate, name, otherId, temperature, within } from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

/** A take that is planned, in the settings or in a kept take. */
export const plannedTakeSchema = objectOf<PlannedTake>({
  minutes: amount(RANGES.takeMinutes.max).required(),
  takes: within(RANGES.takes).integer().required(),
  restMinutes: within(RANGES.restMinutes).required(),
  ambientC: temperature.required(),
  sunC: within(RANGES.sunC).required(),
  sun: oneOf(FINISH_KEYS).allow(null),
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
  ratio: orNull(within(RANGES.ratio)),
  plan: plannedTakeSchema.required(),
  startBodyC: orNull(temperature),
  startCardC: orNull(temperature),
  rateSeriesId: orNull(otherId),
  made: objectOf<MadeWith>({
    date: isoDate.required(),
    outcome: oneOf(['complete', 'filled', 'dropped', 'body-cutoff'] as const).required(),
    atSeconds: amount(1e9).required(),
    failing: orNull(within({ min: 0, max: 1 })),
    figures: Joi.object().pattern(Joi.string().max(40), Joi.number().min(-1e9).max(1e9)).max(40).required(),
  }).allow(null),
});

export { keptTakeSchema as schema };
