import { gunzipSync } from 'node:zlib';
import type Joi from 'joi';
import { err, ok, type Result } from '../core/result.ts';
import { nesting } from '../kit/importKit.ts';
import { problemsOf } from '../kit/problems.ts';
import { problemText, unknownFieldText } from '../text/kit/problem.ts';
import type { Call } from './call.ts';
import { type Refusal, refusal, refusalBody } from './refusal.ts';

/** Deepest nesting read; a kit needs 7. Counted before parsing: a bomb is never unfolded. */
const MAX_DEPTH = 40;
/** Largest answer, characters. */
const MAX_ANSWER = 24_000_000;
/** Most places named in one refusal. */
const MAX_DETAILS = 50;

/** An answer as it is sent. */
export interface Sent {
  readonly status: number;
  readonly text: string;
}

/** What a body holds as it came over the wire. */
export interface Raw {
  readonly bytes: Uint8Array;
  readonly gzipped: boolean;
}

export const tooLarge = (max: number): Refusal =>
  refusal(413, 'too-large', `The body is larger than ${max / 1000} kB. Send less at once.`);

function inflated({ bytes, gzipped }: Raw, max: number): Result<string, Refusal> {
  if (!gzipped) return ok(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('utf8'));
  try {
    return ok(gunzipSync(bytes, { maxOutputLength: max }).toString('utf8'));
  } catch (thrown) {
    const isLarge = (thrown as { code?: string }).code === 'ERR_BUFFER_TOO_LARGE';
    return err(isLarge ? tooLarge(max) : refusal(400, 'not-gzip', 'The body says that it is gzip, and is not.'));
  }
}

function parsed(text: string): Result<unknown, Refusal> {
  if (nesting(text) > MAX_DEPTH) {
    return err(refusal(400, 'too-deep', `The body is nested deeper than ${MAX_DEPTH} levels.`));
  }
  try {
    return ok(JSON.parse(text));
  } catch {
    return err(refusal(400, 'not-json', 'The body is not JSON.'));
  }
}

/** The place of a key that validation passes over because it names no ordinary property. */
function protoIn(value: unknown, path = ''): string | null {
  if (value === null || typeof value !== 'object') return null;
  for (const [key, inner] of Object.entries(value)) {
    const here = path ? `${path}.${key}` : key;
    const found = key === '__proto__' ? here : protoIn(inner, here);
    if (found !== null) return found;
  }
  return null;
}

const notAsDescribed = (details: Refusal['details']) =>
  err<Refusal>({
    status: 400,
    code: 'invalid',
    details,
    message: `The request is not as described: ${details[0]?.message ?? ''}`,
  });

function validated<T>(value: unknown, schema: Joi.ObjectSchema<T>): Result<T, Refusal> {
  const path = protoIn(value);
  if (path !== null) return notAsDescribed([{ path, message: unknownFieldText('__proto__') }]);
  const checked = schema.validate(value, { abortEarly: false, convert: false });
  if (!checked.error) return ok(checked.value);
  const problems = problemsOf(checked.error).slice(0, MAX_DETAILS);
  return notAsDescribed(problems.map((problem) => ({ path: problem.path, message: problemText(problem) })));
}

const sent = (answer: Result<object, Refusal>): Sent => {
  if (!answer.ok) return { status: answer.error.status, text: JSON.stringify(refusalBody(answer.error)) };
  const text = JSON.stringify(answer.value);
  if (text.length <= MAX_ANSWER) return { status: 200, text };
  const message = `The answer would be ${Math.round(text.length / 1e6)} MB; ${MAX_ANSWER / 1e6} MB is the most. Ask for less at once.`;
  return sent(err(refusal(422, 'too-large-answer', message)));
};

/** Answers what was asked, already parsed: the query of a GET. */
export async function answerTo(call: Call, asked: unknown): Promise<Sent> {
  const value = call.asked ? validated(asked, call.asked) : ok(null);
  return sent(value.ok ? await call.run(value.value) : value);
}

/** Answers a body as it came. */
export async function answerToBody(call: Call, raw: Raw): Promise<Sent> {
  const text = inflated(raw, call.maxBody);
  const value = text.ok ? parsed(text.value) : text;
  return value.ok ? answerTo(call, value.value) : sent(value);
}
