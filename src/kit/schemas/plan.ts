import Joi from 'joi';
import { CARD_STATES, FINISH_KEYS } from '../../core/kit/model.ts';
import {
  ALSO_USED,
  COPY_SOURCES,
  type Plan,
  type PlanAir,
  type PlanBlock,
  type PlanCopies,
  type PlanDestination,
  type PlanPress,
  type PlanReader,
  type PlanRules,
  TURNS,
} from '../../core/kit/plan.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { FORM_KEYS } from '../../core/standards/forms.ts';
import {
  amount,
  clockTime,
  dayAlone,
  id,
  isoDate,
  MAX_GB,
  MAX_RATE_MBPS,
  name,
  otherId,
  pressKey,
  temperature,
  text,
  within,
} from './parts.ts';
import { listOf, objectOf, oneOf } from './shape.ts';

export const blockSchema = objectOf<PlanBlock>({
  id,
  name: text(80),
  bodyId: id,
  modeId: id,
  from: clockTime.required(),
  day: within(RANGES.planDay).integer().allow(null),
  turn: oneOf(TURNS).allow(null),
  minutes: within(RANGES.blockMinutes).required(),
  rolling: within(RANGES.rolling).required(),
  gapFree: Joi.boolean().required(),
  ambientC: temperature.allow(null),
  sunC: within(RANGES.sunC).allow(null),
  sun: oneOf(FINISH_KEYS).allow(null),
});

const destination = objectOf<PlanDestination>({
  name,
  writeMBps: amount(MAX_RATE_MBPS).required(),
  readMBps: amount(MAX_RATE_MBPS).required(),
  freeGB: Joi.number().min(0).max(MAX_GB).required(),
});

const press = objectOf<PlanPress>({
  id: pressKey.allow(null),
  at: isoDate.required(),
  aheadSeconds: within(RANGES.clockAheadSeconds).allow(null),
  cardId: id,
  to: oneOf(CARD_STATES).required(),
  who: Joi.string().allow('').max(80).required(),
  bodyId: otherId.allow(null),
  slotId: otherId.allow(null),
  override: text(500),
  proof: oneOf(['lists', 'word'] as const).allow(null),
});

export const planSchema = objectOf<Plan>({
  id,
  name,
  // One that does not exist is told where the day is planned.
  date: dayAlone.required(),
  start: clockTime.required(),
  timeZone: Joi.string().max(60).allow(null),
  blocks: listOf<PlanBlock>(blockSchema).max(1000).required(),
  cardIds: listOf<string>(otherId).max(1000).required(),
  readers: listOf<PlanReader>(
    objectOf<PlanReader>({
      id,
      name,
      forms: listOf(oneOf(FORM_KEYS)).max(FORM_KEYS.length).required(),
      MBps: amount(MAX_RATE_MBPS).required(),
      slots: within(RANGES.readerSlots).integer().required(),
    }),
  )
    .max(50)
    .required(),
  copies: objectOf<PlanCopies>({
    count: within(RANGES.copies).integer().required(),
    destinations: listOf<PlanDestination>(destination).max(20).required(),
    verify: Joi.boolean().required(),
    from: oneOf(COPY_SOURCES).required(),
  }).required(),
  rules: objectOf<PlanRules>({
    swapSeconds: within(RANGES.swapSeconds).required(),
    mostMinutesOnOneCard: amount(RANGES.takeMinutes.max).allow(null).required(),
    changeAtPercent: within(RANGES.changeAtPercent).required(),
    // 0 is none, as an empty field is.
    gapFreeMinutes: Joi.number().min(0).max(RANGES.takeMinutes.max).allow(null),
    alsoUse: oneOf(ALSO_USED).allow(null),
  }).required(),
  isTemplate: Joi.boolean().allow(null),
  speedsAssumed: Joi.boolean().allow(null),
  airProfile: listOf<PlanAir>(objectOf<PlanAir>({ at: clockTime.required(), airC: temperature.required() })).max(48),
  log: listOf<PlanPress>(press).max(5000),
  rehearsal: listOf<PlanPress>(press).max(5000),
});

export { planSchema as schema };
