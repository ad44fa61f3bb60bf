import Joi from 'joi';
import { DRILL_STATES, type DrillProgress } from '../../core/kit/drill.ts';
import { id, isoDate } from './parts.ts';
import { objectOf, oneOf } from './shape.ts';

const count = Joi.number().integer().min(0).max(1_000_000);
const moment = isoDate.custom((value: string, { error }) =>
  Number.isFinite(Date.parse(value)) ? value : error('any.invalid'),
);

export const drillSchema = objectOf<DrillProgress>({
  id,
  due: moment.required(),
  lastReview: moment.required(),
  stability: Joi.number().min(0).max(36_500).required(),
  difficulty: Joi.number().min(0).max(10).required(),
  scheduledDays: Joi.number().min(0).max(36_500).required(),
  state: oneOf(DRILL_STATES).required(),
  reps: count.required(),
  lapses: count.required(),
  right: count.required(),
  wrong: count.required(),
  unknown: count.required(),
  slips: Joi.object().pattern(Joi.string().max(64), count).required() as Joi.ObjectSchema<
    Readonly<Record<string, number>>
  >,
});

export { drillSchema as schema };
