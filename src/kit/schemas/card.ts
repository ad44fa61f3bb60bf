import Joi from 'joi';
import {
  CARD_FIGURES,
  CARD_STATES,
  type Card,
  type CardHeatFigures,
  INCIDENTS,
  type Incident,
  type Verification,
} from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import { amount, figures, id, isoDate, MAX_GB, MAX_RATE_MBPS, name, note, saidText, text, within } from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

export const cardSchema = objectOf<Card>({
  id,
  label: name,
  form: oneOf(FORM_KEYS).required(),
  capacityGB: amount(MAX_GB).required(),
  usableGB: orNull(amount(MAX_GB)),
  marks: listOf<string>(Joi.string().min(1).max(20)).max(30).required(),
  bus: orNull(oneOf(BUS_KEYS)),
  readMBps: orNull(amount(MAX_RATE_MBPS)),
  writeMBps: orNull(amount(MAX_RATE_MBPS)),
  sustainedMBps: orNull(amount(MAX_RATE_MBPS)),
  minimumMBps: amount(MAX_RATE_MBPS).allow(null),
  minimumSource: text(200),
  verified: objectOf<Verification>({
    date: isoDate.required(),
    how: saidText(200).required(),
  }).allow(null),
  adapterTwoRows: Joi.boolean().allow(null),
  cacheGB: orNull(Joi.number().min(0).max(MAX_GB)),
  note,
  price: Joi.number().min(0).max(1e7).allow(null),
  boughtFrom: text(120),
  boughtOn: isoDate.allow('', null),
  firmware: text(40),
  warranty: text(300),
  state: oneOf(CARD_STATES).allow(null),
  ratedHours: within(RANGES.ratedHours).allow(null),
  enduranceTB: within(RANGES.enduranceTB).allow(null),
  writtenGB: Joi.number().min(0).max(1e9).allow(null),
  writtenOn: isoDate.allow('', null),
  incidents: listOf<Incident>(
    objectOf<Incident>({
      date: isoDate.required(),
      kind: oneOf(INCIDENTS).required(),
      text: Joi.string().allow('').max(500).required(),
      resolved: isoDate.allow(null),
    }),
  ).max(500),
  retired: Joi.boolean().allow(null),
  heat: objectOf<CardHeatFigures>({ figures: figures(CARD_FIGURES) }).allow(null),
});

export { cardSchema as schema };
