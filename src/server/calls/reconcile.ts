import Joi from 'joi';
import { type OddTake, reconcile as reconciled } from '../../core/evidence/reconcile.ts';
import { ok } from '../../core/result.ts';
import { bufferText, explanationText, NO_BYTES_TEXT } from '../../text/evidence/reconcile.ts';
import { call, MAX_LINE_BODY } from '../call.ts';
import { list, number, numberOrNull, object, objectOrNull, text } from '../shapes.ts';

// No take is as short, and no card as small, as would make an implied rate too large for a number.
const LEAST = 0.001;
const amount = Joi.number().min(LEAST).max(1_000_000);

/** What would explain a result that looks impossible. */
export const reconcile = call({
  path: '/api/reconcile',
  method: 'POST',
  summary: 'What explains a take that looks impossible',
  heavy: false,
  maxBody: MAX_LINE_BODY,
  asked: Joi.object<OddTake>({
    capacityGB: amount.required(),
    usableFraction: Joi.number().min(LEAST).max(1).allow(null).default(null),
    nominalMBps: amount.required(),
    setRatio: Joi.number().min(1).max(100).allow(null),
    ratedMBps: amount.allow(null).default(null),
    outcome: Joi.valid('filled', 'dropped', 'stopped').required(),
    seconds: Joi.number().min(LEAST).max(10_000_000).required(),
    fileGB: amount.allow(null),
    cards: Joi.number().integer().min(1).max(16),
  }),
  answer: object({
    impliedMBps: objectOrNull({ value: number, low: number, high: number }),
    ratioToNominal: numberOrNull,
    explanation: list(Joi.object({ code: text, text, support: number })),
    buffer: objectOrNull({ shortfallGB: number, possible: Joi.boolean().required(), text }),
  }),
  answerText: 'Its implied rate, and what explains it, best first',
  refusals: { 400: 'Not a take' },
  run(asked) {
    const { implied, ratioToNominal, explanations, buffer, silent } = reconciled(asked);
    return ok({
      impliedMBps: implied && { value: implied.MBps, low: implied.low, high: implied.high },
      ratioToNominal,
      explanation: [
        ...(silent ? [{ code: silent, text: NO_BYTES_TEXT, support: 1 }] : []),
        ...explanations.map((one) => ({ code: one.code, text: explanationText(one), support: one.support })),
      ],
      buffer: buffer && { ...buffer, text: bufferText(buffer) },
    });
  },
});
