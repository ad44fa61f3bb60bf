import Joi from 'joi';
import { RANGES } from '../../core/kit/ranges.ts';
import { ok } from '../../core/result.ts';
import { type Between, type WearInput, wear as wearOf } from '../../core/shop/wear/wear.ts';
import { WRITE_AMPLIFICATION } from '../../core/standards/assumptions.ts';
import { MAX_GB } from '../../kit/schemas/parts.ts';
import { ratedSchema, span } from '../../kit/schemas/standing.ts';
import { call, MAX_LINE_BODY } from '../call.ts';
import { number, object, objectOrNull } from '../shapes.ts';

const between = { low: number, high: number };
const view = (range: Between | null) => range && { low: range.low, high: range.high };

/** How long a card lasts in a camera that never stops. */
export const wear = call({
  path: '/api/wear',
  method: 'POST',
  summary: 'How long a card lasts in a camera that never stops, as a range',
  heavy: false,
  maxBody: MAX_LINE_BODY,
  asked: Joi.object<WearInput>({
    capacityGB: Joi.number().greater(0).max(MAX_GB).required(),
    rateMbps: span(RANGES.standingMbps).required(),
    hoursPerDay: Joi.number().min(RANGES.hoursPerDay.min).max(RANGES.hoursPerDay.max).required(),
    rated: ratedSchema.allow(null).default(null),
    cycles: span(RANGES.cycles).allow(null).default(null),
    writeAmplification: span(RANGES.writeAmplification).default([...WRITE_AMPLIFICATION]),
    price: Joi.number().min(RANGES.price.min).max(RANGES.price.max).allow(null).default(null),
  }),
  answer: object({
    hours: objectOrNull(between),
    days: objectOrNull(between),
    fills: objectOrNull(between),
    writtenTB: objectOrNull(between),
    loopHours: objectOrNull(between),
    pricePerHour: objectOrNull(between),
  }),
  answerText: 'From the sooner end to the later; null where nothing is known',
  refusals: { 400: 'Not a camera that never stops' },
  run(asked) {
    const { hours, days, fills, writtenTB, loopHours, pricePerHour } = wearOf(asked);
    return ok({
      hours: view(hours),
      days: view(days),
      fills: view(fills),
      writtenTB: view(writtenTB),
      loopHours: view(loopHours),
      pricePerHour: view(pricePerHour),
    });
  },
});
