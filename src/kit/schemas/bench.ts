import Joi from 'joi';
import { BENCH_PROGRAMS, type BenchResult, type TraceFigures } from '../../core/kit/model.ts';
import { amount, id, isoDate, MAX_GB, MAX_RATE_MBPS, note, otherId, temperature, text } from './parts.ts';
import { objectOf, oneOf, orNull } from './shape.ts';

const rate = Joi.number().min(0).max(MAX_RATE_MBPS);
const seconds = Joi.number().min(0).max(1e9);
const volume = Joi.number().min(0).max(MAX_GB);

const traceFigures = objectOf<TraceFigures>({
  burstMBps: orNull(rate),
  cacheGB: orNull(volume),
  sustainedMBps: rate.required(),
  floorMBps: rate.required(),
  stalls: Joi.number().integer().min(0).max(1e7).required(),
  stallEveryGB: orNull(volume),
  stallSeconds: orNull(seconds),
  throttleFactor: orNull(Joi.number().min(0).max(1)),
  throttleOnsetSeconds: orNull(seconds),
  throttleOnC: orNull(temperature),
  throttleOffC: orNull(temperature),
});

export const benchSchema = objectOf<BenchResult>({
  id,
  cardId: id,
  date: orNull(isoDate),
  reader: orNull(text(120)),
  port: orNull(text(120)),
  program: oneOf(BENCH_PROGRAMS).required(),
  readMBps: orNull(amount(MAX_RATE_MBPS)),
  writeMBps: orNull(amount(MAX_RATE_MBPS)),
  lowestWriteMBps: orNull(amount(MAX_RATE_MBPS)),
  note,
  writtenGB: volume.allow(null),
  writeSeconds: seconds.allow(null),
  trace: traceFigures.allow(null),
  seriesId: otherId.allow(null),
  verifiedGB: volume.allow(null),
  fault: text(300),
});

export { benchSchema as schema };
