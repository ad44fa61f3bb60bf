import type { APIRoute } from 'astro';
import type Joi from 'joi';
import { err, ok, type Result } from '../core/result.ts';
import { problemsOf } from '../kit/problems.ts';
import { problemText } from '../text/kit/problem.ts';

/** Largest body read, bytes. */
const MAX_BODY = 1_000_000;

/** One thing wrong with a request: its place and what to do. */
interface Detail {
  readonly path: string;
  readonly message: string;
}

export interface ApiError {
  readonly status: 400 | 404 | 405 | 413 | 415 | 422;
  readonly code: string;
  readonly message: string;
  readonly details: readonly Detail[];
}

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), {
    status,
    headers: { 'Content-Type': 'application/json; charset=utf-8', 'Cache-Control': 'no-store' },
  });

/** The one shape in which every endpoint refuses. */
export const refuse = ({ status, code, message, details }: ApiError): Response =>
  json({ error: { code, message, details } }, status);

const tooLarge: ApiError = {
  status: 413,
  code: 'too-large',
  message: 'The body is larger than 1 MB. Send fewer bodies and cards at once.',
  details: [],
};

/** Reads at most `MAX_BODY` bytes and stops there, whatever length the request claims. */
async function readText(request: Request): Promise<Result<string, ApiError>> {
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY) return err(tooLarge);
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    size += part.value.byteLength;
    if (size > MAX_BODY) {
      await reader?.cancel();
      return err(tooLarge);
    }
    chunks.push(part.value);
  }
  return ok(Buffer.concat(chunks).toString('utf8'));
}

/** Reads and validates a JSON body. */
export async function readBody<T>(request: Request, schema: Joi.Schema): Promise<Result<T, ApiError>> {
  if (!request.headers.get('content-type')?.toLowerCase().startsWith('application/json')) {
    return err({ status: 415, code: 'not-json', message: 'Send Content-Type: application/json.', details: [] });
  }
  const text = await readText(request);
  if (!text.ok) return text;
  let value: unknown;
  try {
    value = JSON.parse(text.value);
  } catch {
    return err({ status: 400, code: 'not-json', message: 'The body is not JSON.', details: [] });
  }
  return validate<T>(value, schema);
}

export function validate<T>(value: unknown, schema: Joi.Schema): Result<T, ApiError> {
  const checked = schema.validate(value, { abortEarly: false, convert: false });
  if (!checked.error) return ok(checked.value as T);
  const details = problemsOf(checked.error)
    .slice(0, 50)
    .map((problem) => ({ path: problem.path, message: problemText(problem) }));
  return err({
    status: 400,
    code: 'invalid',
    message: `The request is not as described: ${details[0]?.message ?? ''}`,
    details,
  });
}

/** The answer to a call that exists by another method alone. */
export const onlyBy =
  (method: 'GET' | 'POST'): APIRoute =>
  ({ url, request }) => {
    const response = refuse({
      status: 405,
      code: 'other-method',
      message: `${url.pathname} answers to ${method} alone, not to ${request.method}. See /api/openapi.json.`,
      details: [],
    });
    response.headers.set('Allow', method);
    return response;
  };

/** The answer to a call that does not exist. */
export const noSuchCall: APIRoute = ({ url, request }) =>
  refuse({
    status: 404,
    code: 'no-such-call',
    message: `There is no ${request.method} ${url.pathname}. See /api/openapi.json.`,
    details: [],
  });
