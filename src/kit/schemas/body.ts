import Joi from 'joi';
import {
  type Accepts,
  type Advice,
  AIR_MOVEMENTS,
  type Approval,
  ARRANGEMENTS,
  BODY_FIGURES,
  BODY_SIZES,
  type Body,
  type BodyHeat,
  COUNTER_ROUNDINGS,
  type CounterReading,
  type GroupRequirement,
  type LimitStatement,
  type Mode,
  OTHER_FORMS,
  type Slot,
  STATED_HOLDS,
} from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { FAMILY_KEYS } from '../../core/standards/families.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import { modeSchema, requirement } from './mode.ts';
import {
  amount,
  figures,
  id,
  MAX_GB,
  MAX_MBPS,
  MAX_RATE_MBPS,
  name,
  note,
  otherId,
  temperature,
  text,
} from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

const slotSchema = objectOf<Slot>({
  id,
  name,
  accepts: listOf<Accepts>(objectOf<Accepts>({ form: oneOf(FORM_KEYS).required(), bus: orNull(oneOf(BUS_KEYS)) }))
    .max(20)
    .required(),
  family: orNull(oneOf(FAMILY_KEYS)),
  promisedMaxGB: orNull(amount(MAX_GB)),
  demandsCard: Joi.boolean().allow(null),
});

const bodyHeat = objectOf<BodyHeat>({
  size: oneOf(BODY_SIZES).allow(null),
  limits: listOf<LimitStatement>(
    objectOf<LimitStatement>({
      minutes: amount(RANGES.takeMinutes.max).required(),
      ambientC: temperature.required(),
      air: oneOf(AIR_MOVEMENTS).allow(null),
    }),
  ).max(2),
  figures: figures(BODY_FIGURES),
}).allow(null);

/** Media that a body’s maker approves; for named modes, up to a rate, or both. */
const approvalSchema = objectOf<Approval>({
  cardIds: listOf<string>(otherId).max(200).required(),
  modeIds: listOf<string>(otherId).max(500).allow(null).required(),
  upToMbps: orNull(amount(MAX_MBPS)).when('modeIds', { is: null, then: Joi.number().required().invalid(null) }),
  source: text(200),
});

/** What a body’s maker advises against: words of a label, cards above a size, or both. */
const adviceSchema = objectOf<Advice>({
  anyOf: listOf<string>(Joi.string().min(1).max(20))
    .max(20)
    .when('overGB', { is: null, then: Joi.array().min(1) })
    .required(),
  overGB: orNull(amount(MAX_GB)),
  source: text(200),
});

export const bodySchema = objectOf<Body>({
  id,
  name,
  note,
  firmware: text(120),
  arrangement: oneOf(ARRANGEMENTS).required(),
  splitOver: Joi.number().integer().min(1).max(16).allow(null),
  statedHolds: oneOf(STATED_HOLDS).allow(null),
  otherForms: oneOf(OTHER_FORMS).allow(null),
  bufferMB: orNull(Joi.number().min(0).max(10_000_000)),
  ceilingMBps: orNull(amount(MAX_RATE_MBPS)),
  slots: listOf<Slot>(slotSchema).unique('id').max(16).required(),
  modes: listOf<Mode>(modeSchema).unique('id').max(500).required(),
  groupRequires: listOf<GroupRequirement>(
    objectOf<GroupRequirement>({ group: orNull(Joi.string().max(40)), ...requirement }),
  ).max(50),
  advisesAgainst: listOf<Advice>(adviceSchema).max(50),
  counters: listOf<CounterReading>(
    objectOf<CounterReading>({
      modeId: id,
      capacityGB: amount(MAX_GB).required(),
      minutes: Joi.number().integer().min(0).max(100_000).required(),
    }),
  ).max(200),
  counterRounds: oneOf(COUNTER_ROUNDINGS).allow(null),
  approved: listOf<Approval>(approvalSchema).max(200),
  heat: bodyHeat,
});

export { bodySchema as schema };
