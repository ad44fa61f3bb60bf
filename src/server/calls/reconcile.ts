import Joi from 'joi';
import { RANGES } from '../../core/kit/ranges.ts';
import { type OddTake, reconcile as reconciled } from '../../core/prove/reconcile.ts';
import { ok } from '../../core/result.ts';
import { bufferText, explanationText, NO_BYTES_TEXT, ruledOutText } from '../../text/prove/reconcile.ts';
import { call, MAX_LINE_BODY } from '../call.ts';
import { list, number, numberOrNull, object, objectOrNull, text } from '../shapes.ts';

// No take is as short, and no card as small, as would make an implied rate too large for a number.
const { takeAmount, takeSeconds } = RANGES;
const amount = Joi.number().min(takeAmount.min).max(takeAmount.max);

/** What would explain a result that looks impossible. */
export const reconcile = call({
  path: '/api/reconcile',
  method: 'POST',
  summary: 'What explains a take that looks impossible',
  heavy: false,
  maxBody: MAX_LINE_BODY,
  asked: Joi.object<OddTake>({
    capacityGB: amount.required(),
    usableFraction: Joi.number().min(takeAmount.min).max(1).allow(null).default(null),
    nominalMBps: amount.required(),
    setRatio: Joi.number().min(1).max(100).allow(null),
    ratedMBps: amount.allow(null).default(null),
    outcome: Joi.valid('filled', 'dropped', 'stopped').required(),
    seconds: Joi.number().min(takeSeconds.min).max(takeSeconds.max).required(),
    fileGB: amount.allow(null),
    varies: Joi.boolean().allow(null),
    cards: Joi.number().integer().min(1).max(16),
  }),
  answer: object({
    impliedMBps: numberOrNull,
    impliedBetween: objectOrNull({ lowMBps: number, highMBps: number }),
    ratioToNominal: numberOrNull,
    explanation: list(Joi.object({ code: text, text, support: number })),
    ruledOut: list(Joi.object({ code: text, text, wouldBe: number })),
    buffer: objectOrNull({ shortfallGB: number, possible: Joi.boolean().required(), text }),
  }),
  answerText: 'Its implied rate, and what explains it, best first',
  refusals: { 400: 'Not a take' },
  run(asked) {
    const { implied, ratioToNominal, explanations, ruledOut, buffer, silent } = reconciled(asked);
    return ok({
      impliedMBps: implied?.MBps ?? null,
      impliedBetween: implied && { lowMBps: implied.low, highMBps: implied.high },
      ratioToNominal,
      explanation: [
        ...(silent ? [{ code: silent, text: NO_BYTES_TEXT, support: 1 }] : []),
        ...explanations.map((one) => ({ code: one.code, text: explanationText(one), support: one.support })),
        // Beside whatever explains the rate: a shortfall that no buffer hides.
        ...(buffer && !buffer.possible ? [{ code: 'no-buffer', text: bufferText(buffer), support: 1 }] : []),
      ],
      ruledOut: ruledOut.map((one) => ({ ...one, text: ruledOutText(one) })),
      buffer: buffer && { ...buffer, text: bufferText(buffer) },
    });
  },
});
