import Joi from 'joi';
import { MAX_TRACE_SECONDS, SERIES_KINDS, type Series } from '../../core/kit/model.ts';
import { id } from './parts.ts';
import { listOf, objectOf, oneOf } from './shape.ts';

export const seriesSchema = objectOf<Series>({
  id,
  kind: oneOf(SERIES_KINDS).required(),
  MBps: listOf<number>(Joi.number().min(0).max(1e6)).min(1).max(MAX_TRACE_SECONDS).required(),
});

export { seriesSchema as schema };
