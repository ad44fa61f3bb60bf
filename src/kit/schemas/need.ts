import Joi from 'joi';
import { ARRANGEMENTS } from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import type { Need } from '../../core/kit/shop.ts';
import { id, otherId, within } from './parts.ts';
import { objectOf, oneOf, orNull } from './shape.ts';

export const needSchema = objectOf<Need>({
  id,
  bodyId: id,
  modeId: id,
  hours: within(RANGES.needHours).required(),
  // 0 is none, as an empty field is.
  gapFreeMinutes: orNull(Joi.number().min(0).max(RANGES.takeMinutes.max)),
  sparePercent: within(RANGES.sparePercent).required(),
  arrangement: oneOf(ARRANGEMENTS).allow(null),
  planId: otherId.allow(null),
  isOut: Joi.boolean().allow(null),
});

export { needSchema as schema };
