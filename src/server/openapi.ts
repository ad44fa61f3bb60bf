import { VERDICTS } from '../core/match/verdict.ts';
import { BUS_KEYS } from '../core/standards/buses.ts';
import { FAMILY_KEYS } from '../core/standards/families.ts';
import { FORM_KEYS } from '../core/standards/forms.ts';
import { kitJsonSchema } from '../kit/jsonSchema.ts';
import { ASSUMED_WORDS } from '../text/assumed.ts';

const orNull = (type: string) => ({ type: [type, 'null'] });
const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const content = (schema: object) => ({ 'application/json': { schema } });
const answer = (description: string, schema: object) => ({ description, content: content(schema) });
const refused = (description: string) => answer(description, ref('Error'));
const object = (properties: Record<string, object>) => ({ type: 'object', properties });
const list = (items: object) => ({ type: 'array', items });

const minutes = object({
  label: orNull('number'),
  planned: orNull('number'),
  counter: orNull('number'),
  measured: orNull('number'),
});

const cell = object({
  bodyId: { type: 'string' },
  modeId: { type: 'string' },
  cardId: { type: 'string' },
  slotId: orNull('string'),
  verdict: { enum: VERDICTS },
  tone: { enum: ['cool', 'warm', 'hot', 'mute', 'none'] },
  needMBps: orNull('number'),
  floorMBps: orNull('number'),
  busMBps: orNull('number'),
  minutes,
  dropSeconds: orNull('number'),
  provenSeconds: orNull('number'),
  seats: {
    type: ['array', 'null'],
    items: object({
      slotId: { type: 'string' },
      cardId: orNull('string'),
      verdict: { enum: [...VERDICTS, null] },
    }),
  },
  reasons: list(object({ rule: { type: 'string' }, outcome: { type: 'string' }, text: { type: 'string' } })),
  moves: list(object({ code: { type: 'string' }, text: { type: 'string' } })),
});

const schemas = {
  Error: object({
    error: object({
      code: { type: 'string' },
      message: { type: 'string' },
      details: list(object({ path: { type: 'string' }, message: { type: 'string' } })),
    }),
  }),
  Answer: object({
    need: {
      ...object({ bitsPerSecond: { type: 'number' }, bytesPerSecond: { type: 'number' } }),
      type: ['object', 'null'],
    },
    playsSeconds: orNull('number'),
    card: { type: ['object', 'null'] },
    verdict: { enum: [...VERDICTS, null] },
    minutes: object({ label: orNull('number'), planned: orNull('number') }),
    steps: list({ type: 'string' }),
  }),
  Label: object({
    form: { enum: [...FORM_KEYS, null] },
    capacityGB: orNull('number'),
    family: { enum: [...FAMILY_KEYS, null] },
    bus: { enum: [...BUS_KEYS, null] },
    floorMBps: orNull('number'),
    marks: list(object({ mark: { type: 'string' }, promisesMBps: { type: 'number' }, meaning: { type: 'string' } })),
    problems: list(object({ code: { type: 'string' }, message: { type: 'string' } })),
  }),
  Match: object({ cells: list(cell) }),
  Simulated: object({
    outcome: { enum: ['filled', 'dropped', 'body-cutoff', 'complete'] },
    atSeconds: { type: 'number' },
    writtenGB: { type: 'number' },
    peakCardC: { type: 'number' },
    peakBodyC: { type: 'number' },
    firstThrottleAtSeconds: orNull('number'),
    cause: { enum: ['bus', 'flash', 'cache', 'heat', 'stall', null] },
    timeline: list({ type: 'object' }),
    risk: { type: ['object', 'null'] },
  }),
};

const numbers = (names: string, optional: string) => ({
  ...object(
    Object.fromEntries([
      ...names.split(' ').map((name) => [name, { type: 'number' }]),
      ...optional.split(' ').map((name) => [name, orNull('number')]),
    ]),
  ),
  required: names.split(' '),
});

const run = numbers('demandMBps takeSeconds bufferMB', 'restSeconds takes');
const simulation = {
  ...run,
  required: [...run.required, 'card', 'heat'],
  properties: {
    ...run.properties,
    card: numbers('busMBps burstMBps cacheGB sustainedMBps usableGB', 'stallEveryGB stallSeconds'),
    heat: numbers(
      'ambientC bodyHeatCapacityJPerK bodyResistanceKPerW recordingW bodyLimitC cardHeatCapacityJPerK ' +
        'cardResistanceKPerW idleW energyNJPerByte throttleAtC resumeAtC throttleFactor',
      'startCardC startBodyC',
    ),
    risk: object({ runs: { type: 'integer' }, seed: { type: 'integer' }, spread: { type: 'number' } }),
  },
};

const policy = object({
  take: { enum: ['once', 'repeatable'] },
  headroom: { type: 'number', minimum: 0, maximum: 1 },
});

/** The contract of every call the server answers, OpenAPI 3.1. */
export function openApi(version: string) {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Cool Reel',
      version,
      description: 'Stateless. Units are in the key names; unknown numbers are null.',
    },
    paths: {
      '/api/health': {
        get: {
          summary: 'Whether the server answers',
          responses: { 200: answer('It does', object({ ok: { const: true }, version: { type: 'string' } })) },
        },
      },
      '/api/openapi.json': { get: { summary: 'This document', responses: { 200: { description: 'OpenAPI 3.1' } } } },
      '/api/kit.schema.json': {
        get: { summary: 'The kit file as JSON Schema', responses: { 200: { description: 'JSON Schema 2020-12' } } },
      },
      '/api/answer': {
        get: {
          summary: 'The quick check: one line of need, card, arrangement and time',
          parameters: [{ name: 'q', in: 'query', required: true, schema: { type: 'string', maxLength: 500 } }],
          responses: {
            200: answer(`The answer, at ${ASSUMED_WORDS.headroom} headroom`, ref('Answer')),
            400: refused('Not understood; `details[].path` is the place, q[start..end]'),
          },
        },
      },
      '/api/label': {
        post: {
          summary: 'Reads what is printed on a card',
          requestBody: {
            required: true,
            content: content({ ...object({ text: { type: 'string', maxLength: 500 } }), required: ['text'] }),
          },
          responses: {
            200: answer('What it says', ref('Label')),
            400: refused('Not a label request'),
            413: refused('Over 1 MB'),
          },
        },
      },
      '/api/match': {
        post: {
          summary: 'Every mode of a kit on every card',
          requestBody: {
            required: true,
            content: content({ ...object({ kit: kitJsonSchema(), policy }), required: ['kit', 'policy'] }),
          },
          responses: {
            200: answer('One cell a mode and card', ref('Match')),
            400: refused('The kit or policy is not valid; places in details'),
            413: refused('Over 1 MB'),
            422: refused('Over 20,000 cells'),
          },
        },
      },
      '/api/simulate': {
        post: {
          summary: 'A take, or takes with rests: buffer, fast cache, temperatures, first dropped frame',
          requestBody: { required: true, content: content(simulation) },
          responses: {
            200: answer('How it ends, and the moments that matter', ref('Simulated')),
            400: refused('A field is out of range, or contradicts another'),
            413: refused('Over 1 MB'),
            422: refused('More events or runs than are worked out at once'),
          },
        },
      },
    },
    components: { schemas },
  };
}
