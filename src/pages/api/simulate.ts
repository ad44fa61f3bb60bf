import type { APIRoute } from 'astro';
import Joi from 'joi';
import { causeOf } from '../../core/heat/writepath/cause.ts';
import { checkSimulation } from '../../core/heat/writepath/checkSimulation.ts';
import { type RiskInput, riskRuns } from '../../core/heat/writepath/risk.ts';
import { simulate } from '../../core/heat/writepath/simulate.ts';
import type { Simulation } from '../../core/heat/writepath/simulation.ts';
import { json, onlyBy, readBody, refuse } from '../../server/json.ts';
import { simRefusalText } from '../../text/heat/simulation.ts';

const MAX_RUNS = 20_000;
/** Events of all risk runs of a call together: about a second of work. */
const MAX_RISK_EVENTS = 400_000;
/** Moments of a timeline: some ten megabytes of answer. */
const MAX_MOMENTS = 50_000;

const number = Joi.number().required();
const optional = Joi.number().allow(null);

const body = Joi.object({
  demandMBps: number,
  takeSeconds: number,
  restSeconds: optional,
  takes: optional,
  bufferMB: number,
  card: Joi.object({
    busMBps: number,
    burstMBps: number,
    cacheGB: number,
    sustainedMBps: number,
    usableGB: number,
    stallEveryGB: optional,
    stallSeconds: optional,
  }).required(),
  heat: Joi.object({
    ambientC: number,
    bodyHeatCapacityJPerK: number,
    bodyResistanceKPerW: number,
    recordingW: number,
    bodyLimitC: number,
    cardHeatCapacityJPerK: number,
    cardResistanceKPerW: number,
    idleW: number,
    energyNJPerByte: number,
    throttleAtC: number,
    resumeAtC: number,
    throttleFactor: number,
    startCardC: optional,
    startBodyC: optional,
  }).required(),
  risk: Joi.object({
    runs: Joi.number().integer().min(1).max(MAX_RUNS).required(),
    seed: Joi.number().integer().min(0).max(4_294_967_295).required(),
    spread: Joi.number().min(0).max(1).required(),
  }).allow(null),
});

type SimulateRequest = Simulation & { readonly risk?: RiskInput | null };

export const POST: APIRoute = async ({ request }) => {
  const read = await readBody<SimulateRequest>(request, body);
  if (!read.ok) return refuse(read.error);
  const { risk: asked, ...sim } = read.value;
  const refused = checkSimulation(sim);
  if (refused) {
    const message = simRefusalText(refused);
    return refuse({ status: 400, code: refused.code, message, details: [{ path: refused.field, message }] });
  }
  const bounded = { ...sim, maxEvents: MAX_MOMENTS };
  const result = simulate(bounded);
  if (result.cutShort) {
    const message = `The run met more than ${result.events} events. Ask for fewer stalls or a shorter take.`;
    return refuse({ status: 422, code: 'too-many-events', message, details: [{ path: 'takeSeconds', message }] });
  }
  const risk = asked ? riskRuns(sim, { ...asked, maxEvents: MAX_RISK_EVENTS }) : null;
  if (asked && risk && risk.runs < asked.runs) {
    const message = `${asked.runs} runs of this take have more events than are worked out at once; ${risk.runs} were made. Ask for fewer, or for a shorter take.`;
    return refuse({ status: 422, code: 'too-many-runs', message, details: [{ path: 'risk.runs', message }] });
  }
  const { outcome, atSeconds, writtenGB, peakCardC, peakBodyC, firstThrottleAtSeconds, timeline } = result;
  return json({
    outcome,
    atSeconds,
    writtenGB,
    peakCardC,
    peakBodyC,
    firstThrottleAtSeconds,
    cause: causeOf(bounded, result),
    timeline,
    risk: risk && {
      dropProbability: risk.dropProbability,
      cutoffProbability: risk.cutoffProbability,
      atSeconds: risk.atSeconds ?? { p5: null, p50: null, p95: null },
    },
  });
};

export const ALL = onlyBy('POST');
