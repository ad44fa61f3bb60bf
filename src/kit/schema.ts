import Joi from 'joi';
import { figureLimit } from '../core/heat/writepath/figureLimit.ts';
import {
  AIR_MOVEMENTS,
  BODY_FIGURES,
  BODY_SIZES,
  type BodyFigure,
  CARD_FIGURES,
  CARD_STATES,
  type CardFigure,
  FIGURE_BASES,
  INCIDENTS,
  MAX_KEPT_TAKES,
  MAX_TRACE_SECONDS,
  RATE_SOURCES,
  TEST_ENDS,
} from '../core/kit/model.ts';
import { BUS_KEYS } from '../core/standards/buses.ts';
import { FAMILY_KEYS } from '../core/standards/families.ts';
import { FORM_KEYS } from '../core/standards/forms.ts';

/**
 * The single definition of the kit file, version 1. The types in core/model, the JSON Schema, the forms of the
 * interface and the server all follow it. Unknown keys are kept. Units are in the key names.
 */
const id = Joi.string().min(1).max(64).required();
/** Something to read; blanks alone are no name. */
const name = Joi.string().pattern(/\S/).max(80).required();
const text = (max: number) => Joi.string().allow('', null).max(max);
const note = text(2000);
const isoDate = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}/)
  .max(40);
const amount = (max: number) => Joi.number().greater(0).max(max);
const orNull = (schema: Joi.Schema) => schema.allow(null).default(null);

const ARRANGEMENTS = ['single', 'relay', 'mirrored', 'split'] as const;

const MAX_MBPS = 8_000_000;
const MAX_RATE_MBPS = 1_000_000;
const MAX_GB = 1_000_000;

export const rateSchema = Joi.object({
  kind: Joi.string().valid('stated', 'raw', 'frame', 'counter').required(),
  Mbps: amount(MAX_MBPS).when('kind', { is: 'stated', then: Joi.required() }),
  is: Joi.string().valid('maximum', 'average', 'constant').when('kind', { is: 'stated', then: Joi.required() }),
  at: Joi.string().valid('recorded', 'captured'),
  source: Joi.string()
    .valid(...RATE_SOURCES)
    .allow(null),
  sourceNote: Joi.string().allow('', null).max(200),
  bitsPerPixel: amount(64).when('kind', { is: 'raw', then: Joi.required() }),
  ratio: Joi.number().min(1).max(100).when('kind', { is: 'raw', then: Joi.required() }),
  bytesPerFrame: Joi.number().integer().min(1).max(1e9).when('kind', { is: 'frame', then: Joi.required() }),
  lowMbps: amount(MAX_MBPS).when('kind', { is: 'counter', then: Joi.required() }),
  highMbps: amount(MAX_MBPS).when('kind', {
    is: 'counter',
    then: Joi.number().min(Joi.ref('lowMbps')).required(),
  }),
})
  .unknown(true)
  .required();

const requirement = {
  anyOf: Joi.array().items(Joi.string().min(1).max(20)).min(1).max(20).required(),
  whenMissing: Joi.string().valid('refuses', 'warns', 'advises').required(),
};

export const modeSchema = Joi.object({
  id,
  name,
  codec: Joi.string().valid('long-gop', 'intra', 'raw').required(),
  width: orNull(Joi.number().integer().min(16).max(65_536)).when('rate.kind', {
    is: 'raw',
    then: Joi.number().required().invalid(null),
  }),
  height: orNull(Joi.number().integer().min(16).max(65_536)).when('rate.kind', {
    is: 'raw',
    then: Joi.number().required().invalid(null),
  }),
  fps: Joi.number().min(0.01).max(20_000).required(),
  captureFps: orNull(Joi.number().min(0.01).max(20_000)),
  rate: rateSchema,
  overhead: orNull(
    Joi.object({
      fixedMbps: Joi.number().min(0).max(10_000).required(),
      perFrameKB: Joi.number().min(0).max(100_000).required(),
    }).unknown(true),
  ),
  sound: Joi.object({
    channels: Joi.number().integer().min(1).max(64).required(),
    sampleHz: Joi.number().integer().min(8000).max(768_000).required(),
    bits: Joi.number().integer().min(8).max(64).required(),
  })
    .unknown(true)
    .allow(null),
  proxyMbps: amount(10_000).allow(null),
  group: Joi.string().allow('', null).max(40),
  otherRates: Joi.array().items(rateSchema).max(10),
  requires: Joi.array().items(Joi.object(requirement).unknown(true)).max(20).default([]),
}).unknown(true);

export const slotSchema = Joi.object({
  id,
  name,
  accepts: Joi.array()
    .items(
      Joi.object({
        form: Joi.string()
          .valid(...FORM_KEYS)
          .required(),
        bus: orNull(Joi.string().valid(...BUS_KEYS)),
      }).unknown(true),
    )
    .max(20)
    .required(),
  family: orNull(Joi.string().valid(...FAMILY_KEYS)),
  promisedMaxGB: orNull(amount(MAX_GB)),
  demandsCard: Joi.boolean().allow(null),
}).unknown(true);

const temperature = Joi.number().min(-60).max(150);

const figure = (key: BodyFigure | CardFigure) => {
  const { min, max } = figureLimit(key);
  const within = Joi.number().min(min).max(max);
  return Joi.object({
    value: within.required(),
    basis: Joi.string()
      .valid(...FIGURE_BASES)
      .required(),
    low: within.allow(null),
    high: within.allow(null),
  })
    .unknown(true)
    .allow(null);
};

const figures = (keys: readonly (BodyFigure | CardFigure)[]) =>
  Joi.object(Object.fromEntries(keys.map((key) => [key, figure(key)]))).unknown(true);

const bodyHeat = Joi.object({
  size: Joi.string()
    .valid(...BODY_SIZES)
    .allow(null),
  limits: Joi.array()
    .items(Joi.object({ minutes: amount(2880).required(), ambientC: temperature.required() }).unknown(true))
    .max(2),
  figures: figures(BODY_FIGURES),
})
  .unknown(true)
  .allow(null);

const cardHeat = Joi.object({ figures: figures(CARD_FIGURES) })
  .unknown(true)
  .allow(null);

/** Media that a body’s maker approves; for named modes, up to a rate, or both. */
const approvalSchema = Joi.object({
  cardIds: Joi.array().items(Joi.string().min(1).max(64)).max(200).required(),
  modeIds: Joi.array().items(Joi.string().min(1).max(64)).max(500).allow(null).required(),
  upToMbps: orNull(amount(MAX_MBPS)).when('modeIds', { is: null, then: Joi.number().required().invalid(null) }),
  source: text(200),
}).unknown(true);

export const bodySchema = Joi.object({
  id,
  name,
  note,
  arrangement: Joi.string()
    .valid(...ARRANGEMENTS)
    .required(),
  splitOver: Joi.number().integer().min(1).max(16).allow(null),
  bufferMB: orNull(Joi.number().min(0).max(10_000_000)),
  ceilingMBps: orNull(amount(MAX_RATE_MBPS)),
  slots: Joi.array().items(slotSchema).unique('id').max(16).required(),
  modes: Joi.array().items(modeSchema).unique('id').max(500).required(),
  groupRequires: Joi.array()
    .items(Joi.object({ group: orNull(Joi.string().max(40)), ...requirement }).unknown(true))
    .max(50),
  counters: Joi.array()
    .items(
      Joi.object({
        modeId: id,
        capacityGB: amount(MAX_GB).required(),
        minutes: Joi.number().integer().min(0).max(100_000).required(),
      }).unknown(true),
    )
    .max(200),
  approved: Joi.array().items(approvalSchema).max(200),
  heat: bodyHeat,
}).unknown(true);

export const cardSchema = Joi.object({
  id,
  label: name,
  form: Joi.string()
    .valid(...FORM_KEYS)
    .required(),
  capacityGB: amount(MAX_GB).required(),
  usableGB: orNull(amount(MAX_GB)),
  marks: Joi.array().items(Joi.string().min(1).max(20)).max(30).required(),
  bus: orNull(Joi.string().valid(...BUS_KEYS)),
  readMBps: orNull(amount(MAX_RATE_MBPS)),
  writeMBps: orNull(amount(MAX_RATE_MBPS)),
  sustainedMBps: orNull(amount(MAX_RATE_MBPS)),
  minimumMBps: amount(MAX_RATE_MBPS).allow(null),
  minimumSource: text(200),
  verified: Joi.object({ date: isoDate.required(), how: Joi.string().pattern(/\S/).max(200).required() })
    .unknown(true)
    .allow(null),
  adapterTwoRows: Joi.boolean().allow(null),
  cacheGB: orNull(Joi.number().min(0).max(MAX_GB)),
  note,
  price: Joi.number().min(0).max(1e7).allow(null),
  boughtFrom: text(120),
  boughtOn: isoDate.allow('', null),
  firmware: text(40),
  warranty: text(300),
  state: Joi.string()
    .valid(...CARD_STATES)
    .allow(null),
  writtenGB: Joi.number().min(0).max(1e9).allow(null),
  incidents: Joi.array()
    .items(
      Joi.object({
        date: isoDate.required(),
        kind: Joi.string()
          .valid(...INCIDENTS)
          .required(),
        text: Joi.string().allow('').max(500).required(),
      }).unknown(true),
    )
    .max(500),
  retired: Joi.boolean().allow(null),
  heat: cardHeat,
}).unknown(true);

export const testSchema = Joi.object({
  id,
  bodyId: id,
  modeId: orNull(Joi.string().min(1).max(64)),
  cardId: id,
  slotId: orNull(Joi.string().min(1).max(64)),
  end: Joi.string()
    .valid(...TEST_ENDS)
    .required(),
  seconds: Joi.number().min(0).max(1e9).required(),
  clipGB: orNull(Joi.number().min(0).max(MAX_GB)),
  writtenMBps: orNull(amount(MAX_RATE_MBPS)),
  date: orNull(Joi.string().max(40)),
  note,
  ambientC: temperature.allow(null),
  takes: Joi.number().integer().min(1).max(1000).allow(null),
  restSeconds: Joi.number().min(0).max(172_800).allow(null),
}).unknown(true);

const plannedTake = Joi.object({
  minutes: amount(2880).required(),
  takes: Joi.number().integer().min(1).max(1000).required(),
  restMinutes: Joi.number().min(0).max(2880).required(),
  ambientC: temperature.required(),
  sunC: Joi.number().min(0).max(60).required(),
  air: Joi.string()
    .valid(...AIR_MOVEMENTS)
    .allow(null),
  dayLowC: temperature.allow(null),
}).unknown(true);

const keptTake = Joi.object({
  id,
  name,
  bodyId: id,
  modeId: id,
  arrangement: Joi.string()
    .valid(...ARRANGEMENTS)
    .required(),
  cardIds: Joi.array().items(Joi.string().min(1).max(64)).max(16).required(),
  ratio: orNull(Joi.number().min(1).max(100)),
  plan: plannedTake.required(),
  startBodyC: orNull(temperature),
  startCardC: orNull(temperature),
  demandTraceMBps: Joi.array().items(Joi.number().min(0).max(1e6)).min(1).max(MAX_TRACE_SECONDS).allow(null),
}).unknown(true);

export const settingsSchema = Joi.object({
  take: Joi.string().valid('once', 'repeatable').default('once'),
  headroom: Joi.number().min(0).max(1).default(0.15),
  plannedTake: plannedTake.allow(null),
  keptTakes: Joi.array().items(keptTake).unique('id').max(MAX_KEPT_TAKES),
}).unknown(true);

const loose = Joi.object({ id }).unknown(true);

export const FORMAT = 'cool-reel-kit';
export const VERSION = 1;

export const kitSchema = Joi.object({
  format: Joi.string().valid(FORMAT).required(),
  version: Joi.number().valid(VERSION).required(),
  bodies: Joi.array().items(bodySchema).unique('id').max(1000).required(),
  cards: Joi.array().items(cardSchema).unique('id').max(20_000).required(),
  tests: Joi.array().items(testSchema).unique('id').max(50_000).default([]),
  plans: Joi.array().items(loose).unique('id').max(5000).default([]),
  prices: Joi.array().items(loose).unique('id').max(20_000).default([]),
  settings: settingsSchema.default(),
}).unknown(true);
