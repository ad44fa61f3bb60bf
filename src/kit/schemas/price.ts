import Joi from 'joi';
import { RANGES } from '../../core/kit/ranges.ts';
import type { Offer } from '../../core/kit/shop.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import { amount, id, isoDate, MAX_GB, MAX_RATE_MBPS, name, note, text, within } from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

export const offerSchema = objectOf<Offer>({
  id,
  name,
  form: oneOf(FORM_KEYS).required(),
  capacityGB: amount(MAX_GB).required(),
  marks: listOf<string>(Joi.string().min(1).max(20)).max(30).required(),
  bus: orNull(oneOf(BUS_KEYS)),
  readMBps: orNull(amount(MAX_RATE_MBPS)),
  writeMBps: orNull(amount(MAX_RATE_MBPS)),
  sustainedMBps: orNull(amount(MAX_RATE_MBPS)),
  minimumMBps: amount(MAX_RATE_MBPS).allow(null),
  minimumSource: text(200),
  price: within(RANGES.price).required(),
  currency: Joi.string().allow('').max(12).required(),
  seller: Joi.string().allow('').max(120).required(),
  date: orNull(isoDate.allow('')),
  note,
});

export { offerSchema as schema };
