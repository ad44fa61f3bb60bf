import Joi from 'joi';
import { causeOf } from '../../core/heat/writepath/cause.ts';
import { checkSimulation } from '../../core/heat/writepath/checkSimulation.ts';
import { type RiskInput, riskRuns } from '../../core/heat/writepath/risk.ts';
import { simulate as runOnce } from '../../core/heat/writepath/simulate.ts';
import type { Simulation } from '../../core/heat/writepath/simulation.ts';
import { err, ok } from '../../core/result.ts';
import { simRefusalText } from '../../text/heat/simulation.ts';
import { call, MAX_BODY } from '../call.ts';
import type { Refusal } from '../refusal.ts';
import { list, number, numberOrNull, object, objectOrNull, oneOf, oneOrNull, text } from '../shapes.ts';
import { simulationView } from '../views.ts';

const MAX_RUNS = 20_000;
/** Events of all risk runs of a call together: about a second of work. */
const MAX_RISK_EVENTS = 400_000;
/** Moments of a timeline: some ten megabytes of answer. */
const MAX_MOMENTS = 50_000;

const given = Joi.number().required();
const optional = Joi.number().allow(null);

const asked = Joi.object<Simulation & { readonly risk?: RiskInput | null }>({
  demandMBps: given,
  takeSeconds: given,
  restSeconds: optional,
  takes: optional,
  bufferMB: given,
  card: Joi.object({
    busMBps: given,
    burstMBps: given,
    cacheGB: given,
    sustainedMBps: given,
    usableGB: given,
    stallEveryGB: optional,
    stallSeconds: optional,
  }).required(),
  heat: Joi.object({
    ambientC: given,
    bodyHeatCapacityJPerK: given,
    bodyResistanceKPerW: given,
    recordingW: given,
    bodyLimitC: given,
    cardHeatCapacityJPerK: given,
    cardResistanceKPerW: given,
    idleW: given,
    energyNJPerByte: given,
    throttleAtC: given,
    resumeAtC: given,
    throttleFactor: given,
    startCardC: optional,
    startBodyC: optional,
  }).required(),
  risk: Joi.object({
    runs: Joi.number().integer().min(1).max(MAX_RUNS).required(),
    seed: Joi.number().integer().min(0).max(4_294_967_295).required(),
    spread: Joi.number().min(0).max(1).required(),
  }).allow(null),
});

const moment = Joi.object({
  event: text,
  seconds: number,
  bufferMB: number,
  cacheGB: number,
  writtenGB: number,
  cardC: number,
  bodyC: number,
  acceptedMBps: number,
  demandMBps: number,
  throttled: Joi.boolean().required(),
  recording: Joi.boolean().required(),
  cardAt: number,
});

const refused = (status: Refusal['status'], code: string, path: string, message: string) =>
  err<Refusal>({ status, code, message, details: [{ path, message }] });

/** The write-path simulator and its risk runs. */
export const simulate = call({
  path: '/api/simulate',
  method: 'POST',
  summary: 'A take, or takes with rests: buffer, fast cache, temperatures, first dropped frame',
  heavy: true,
  maxBody: MAX_BODY,
  asked,
  answer: object({
    outcome: oneOf(['filled', 'dropped', 'body-cutoff', 'complete']),
    atSeconds: number,
    writtenGB: number,
    peakCardC: number,
    peakBodyC: number,
    firstThrottleAtSeconds: numberOrNull,
    cause: oneOrNull(['bus', 'flash', 'cache', 'heat', 'stall']),
    timeline: list(moment),
    risk: objectOrNull({
      dropProbability: number,
      cutoffProbability: number,
      failing: object({ share: number, low: number, high: number }),
      atSeconds: object({ p5: numberOrNull, p50: numberOrNull, p95: numberOrNull }),
    }),
  }),
  answerText: 'How it ends, and the moments that matter',
  refusals: {
    400: 'A field is out of range, or contradicts another',
    422: 'More events or runs than are worked out at once',
  },
  run({ risk: wanted, ...sim }) {
    const wrong = checkSimulation(sim);
    if (wrong) return refused(400, wrong.code, wrong.field, simRefusalText(wrong));
    const bounded = { ...sim, maxEvents: MAX_MOMENTS };
    const result = runOnce(bounded);
    if (result.cutShort) {
      const message = `The run met more than ${result.events} events. Ask for fewer stalls or a shorter take.`;
      return refused(422, 'too-many-events', 'takeSeconds', message);
    }
    const risk = wanted ? riskRuns(sim, { ...wanted, maxEvents: MAX_RISK_EVENTS }) : null;
    if (wanted && risk && risk.runs < wanted.runs) {
      const message = `${wanted.runs} runs of this take have more events than are worked out at once; ${risk.runs} were made. Ask for fewer, or for a shorter take.`;
      return refused(422, 'too-many-runs', 'risk.runs', message);
    }
    return ok(simulationView(result, causeOf(bounded, result), risk));
  },
});
