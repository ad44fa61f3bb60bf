import Joi from 'joi';
import {
  type Mode,
  type ModeRate,
  type Overhead,
  RATE_SOURCES,
  type Requirement,
  type Sound,
} from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { amount, id, MAX_MBPS, name, within } from './parts.ts';
import { listOf, objectOf, oneOf, orNull } from './shape.ts';

/** A rate of a mode; which keys it needs hangs on its kind. */
const rateSchema = objectOf<ModeRate>({
  kind: oneOf(['stated', 'raw', 'frame', 'counter']).required(),
  Mbps: amount(MAX_MBPS).when('kind', { is: 'stated', then: Joi.required() }),
  is: oneOf(['maximum', 'average', 'constant']).when('kind', { is: 'stated', then: Joi.required() }),
  at: oneOf(['recorded', 'captured']),
  source: oneOf(RATE_SOURCES).allow(null),
  sourceNote: Joi.string().allow('', null).max(200),
  bitsPerPixel: amount(64).when('kind', { is: 'raw', then: Joi.required() }),
  ratio: within(RANGES.ratio).when('kind', { is: 'raw', then: Joi.required() }),
  bytesPerFrame: Joi.number().integer().min(1).max(1e9).when('kind', { is: 'frame', then: Joi.required() }),
  lowMbps: amount(MAX_MBPS).when('kind', { is: 'counter', then: Joi.required() }),
  highMbps: amount(MAX_MBPS).when('kind', {
    is: 'counter',
    then: Joi.number().min(Joi.ref('lowMbps')).required(),
  }),
}).required();

/** What a requirement is made of, wherever it stands. */
export const requirement = {
  anyOf: listOf<string>(Joi.string().min(1).max(20)).min(1).max(20).required(),
  whenMissing: oneOf(['refuses', 'warns', 'advises']).required(),
} as const;

const pixels = () =>
  orNull(Joi.number().integer().min(16).max(65_536)).when('rate.kind', {
    is: 'raw',
    then: Joi.number().required().invalid(null),
  });

export const modeSchema = objectOf<Mode>({
  id,
  name,
  codec: oneOf(['long-gop', 'intra', 'raw']).required(),
  width: pixels(),
  height: pixels(),
  fps: Joi.number().min(0.01).max(20_000).required(),
  captureFps: orNull(Joi.number().min(0.01).max(20_000)),
  rate: rateSchema,
  overhead: orNull(
    objectOf<Overhead>({
      fixedMbps: Joi.number().min(0).max(10_000).required(),
      perFrameKB: Joi.number().min(0).max(100_000).required(),
    }),
  ),
  sound: objectOf<Sound>({
    channels: Joi.number().integer().min(1).max(64).required(),
    sampleHz: Joi.number().integer().min(8000).max(768_000).required(),
    bits: Joi.number().integer().min(8).max(64).required(),
  }).allow(null),
  proxyMbps: amount(10_000).allow(null),
  group: Joi.string().allow('', null).max(40),
  otherRates: listOf<ModeRate>(rateSchema).max(10),
  requires: listOf<Requirement>(objectOf<Requirement>(requirement)).max(20).default([]),
  slotIds: listOf<string>(id).min(1).max(16).allow(null),
});
