import Joi from 'joi';
import { RANGES, type Range } from '../../core/kit/ranges.ts';
import type { RatedHours, Span, StandingCamera } from '../../core/kit/shop.ts';
import { amount, id, isoDate, MAX_GB, name, note, otherId, within } from './parts.ts';
import { objectOf, orNull } from './shape.ts';

/** Low and high end, the low one first. */
export const span = (range: Range): Joi.ArraySchema<Span> =>
  Joi.array()
    .ordered(within(range).required(), within(range).min(Joi.ref('0')).required())
    .length(2) as unknown as Joi.ArraySchema<Span>;

export const ratedSchema = objectOf<RatedHours>({
  hours: within(RANGES.ratedHours).required(),
  atMbps: span(RANGES.standingMbps).required(),
});

export const standingSchema = objectOf<StandingCamera>({
  id,
  name,
  bodyId: orNull(otherId),
  modeId: orNull(otherId),
  cardId: orNull(otherId),
  capacityGB: amount(MAX_GB).required(),
  rateMbps: span(RANGES.standingMbps).required(),
  hoursPerDay: within(RANGES.hoursPerDay).required(),
  rated: orNull(ratedSchema),
  cycles: orNull(span(RANGES.cycles)),
  writeAmplification: span(RANGES.writeAmplification).required(),
  price: orNull(within(RANGES.price)),
  since: orNull(isoDate.allow('')),
  note,
});

export { standingSchema as schema };
