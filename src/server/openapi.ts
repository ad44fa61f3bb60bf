import { jsonSchemaOf } from '../kit/jsonSchema.ts';
import { type Call, MAX_BODY } from './call.ts';
import { CALLS } from './calls.ts';
import { REFUSAL } from './refusal.ts';

/** A document that is written once, when the app is built, and sent as a file. */
export const documentOf = (value: object): Response =>
  new Response(JSON.stringify(value), { headers: { 'Content-Type': 'application/json' } });

const content = (schema: object) => ({ 'application/json': { schema } });
const answer = (description: string, schema: object) => ({ description, content: content(schema) });
const refused = (description: string) => answer(description, { $ref: '#/components/schemas/Refusal' });

/** Refusals that any call of a kind may give. */
function common({ method, heavy, maxBody }: Call): Record<number, string> {
  if (method === 'GET') return {};
  const read = {
    413: `A body over ${maxBody / 1000} kB`,
    415: 'Another content type than application/json, another charset than UTF-8, or a body neither plain nor gzip',
  };
  return heavy ? { ...read, 503: 'Too much waits already; `Retry-After` says when to ask again' } : read;
}

const nameOf = ({ path }: Call): string => {
  const last = path.slice('/api/'.length);
  return last.charAt(0).toUpperCase() + last.slice(1);
};

const refOf = (call: Call) => ({ $ref: `#/components/schemas/${nameOf(call)}` });

async function asked(call: Call): Promise<object> {
  if (!call.asked) return {};
  const schema = jsonSchemaOf((await call.described?.()) ?? call.asked);
  if (call.method === 'POST') return { requestBody: { required: true, content: content(schema) } };
  const { properties = {}, required = [] } = schema as {
    properties?: Record<string, object>;
    required?: readonly string[];
  };
  const parameters = Object.entries(properties).map(([name, one]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema: one,
  }));
  return { parameters };
}

async function operation(call: Call): Promise<object> {
  const refusals = { ...common(call), ...call.refusals };
  return {
    operationId: nameOf(call),
    summary: call.summary,
    ...(await asked(call)),
    responses: {
      200: answer(call.answerText, refOf(call)),
      ...Object.fromEntries(Object.entries(refusals).map(([status, text]) => [status, refused(text)])),
    },
  };
}

/** Documents that are written when the app is built. */
const DOCUMENTS = {
  '/api/openapi.json': 'This document',
  '/api/kit.schema.json': 'The kit file as JSON Schema, draft 2020-12',
} as const;

/**
 * The contract of every call the server answers, OpenAPI 3.1, made from the schemas that validate. Refusals of any call:
 * 404 no such call, 405 another method (`Allow` names those that are), 408 a body that does not arrive, 500 a fault of
 * the server's own, 503 too busy.
 */
export async function openApi(version: string) {
  const operations = await Promise.all(
    CALLS.map(async (call) => [call.path, { [call.method.toLowerCase()]: await operation(call) }] as const),
  );
  const documents = Object.entries(DOCUMENTS).map(
    ([path, summary]) => [path, { get: { summary, responses: { 200: answer(summary, { type: 'object' }) } } }] as const,
  );
  return {
    openapi: '3.1.0',
    info: {
      title: 'Cool Reel',
      version,
      description:
        `Stateless. Units are in the key names; unknown numbers are null. Bodies are JSON of at most ${MAX_BODY / 1e6} MB. ` +
        'Whatever is refused is refused in one shape, Refusal; 404, 405, 408 and 503 can meet any call.',
    },
    paths: Object.fromEntries([...operations, ...documents]),
    components: {
      schemas: {
        Refusal: jsonSchemaOf(REFUSAL),
        ...Object.fromEntries(CALLS.map((call) => [nameOf(call), jsonSchemaOf(call.answer)])),
      },
    },
  };
}
