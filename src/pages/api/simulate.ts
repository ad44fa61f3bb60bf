import type { APIRoute } from 'astro';
import Joi from 'joi';
import { causeOf } from '../../core/writepath/cause.ts';
import { checkSimulation } from '../../core/writepath/checkSimulation.ts';
import { type RiskInput, riskRuns } from '../../core/writepath/risk.ts';
import { MAX_EVENTS, simulate } from '../../core/writepath/simulate.ts';
import type { Simulation } from '../../core/writepath/simulation.ts';
import { json, onlyBy, readBody, refuse } from '../../server/json.ts';
import { simRefusalText } from '../../text/simulation.ts';

/** Runs times takes answered in one call: about a second of work. */
const MAX_WORK = 20_000;

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
    runs: Joi.number().integer().min(1).max(MAX_WORK).required(),
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
  const result = simulate(sim);
  if (result.cutShort) {
    const message = `The run met more than ${MAX_EVENTS} events. Ask for fewer stalls or a shorter take.`;
    return refuse({ status: 422, code: 'too-many-events', message, details: [{ path: 'takeSeconds', message }] });
  }
  if (asked && asked.runs * result.timeline.length > MAX_WORK * 20) {
    const message = `${asked.runs} runs of a take with ${result.timeline.length} events is more than is worked out at once. Ask for fewer.`;
    return refuse({ status: 422, code: 'too-many-runs', message, details: [{ path: 'risk.runs', message }] });
  }
  const { outcome, atSeconds, writtenGB, peakCardC, peakBodyC, firstThrottleAtSeconds, timeline } = result;
  const risk = asked ? riskRuns(sim, asked) : null;
  return json({
    outcome,
    atSeconds,
    writtenGB,
    peakCardC,
    peakBodyC,
    firstThrottleAtSeconds,
    cause: causeOf(sim, result),
    timeline,
    risk: risk && {
      dropProbability: risk.dropProbability,
      cutoffProbability: risk.cutoffProbability,
      atSeconds: risk.atSeconds ?? { p5: null, p50: null, p95: null },
    },
  });
};

export const ALL = onlyBy('POST');
