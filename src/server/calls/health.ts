import Joi from 'joi';
import { version } from '../../../package.json';
import { ok } from '../../core/result.ts';
import { call } from '../call.ts';
import { object, text } from '../shapes.ts';

/** Whether the server answers. */
export const health = call({
  path: '/api/health',
  method: 'GET',
  summary: 'Whether the server answers',
  heavy: false,
  maxBody: 0,
  asked: null,
  answer: object({ ok: Joi.boolean().valid(true).required(), version: text }),
  answerText: 'It does',
  refusals: {},
  run: () => ok({ ok: true, version }),
});
