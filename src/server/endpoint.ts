import type { APIRoute } from 'astro';
import { err, ok, type Result } from '../core/result.ts';
import { answerTo, answerToBody, type Raw, tooLarge } from './answerTo.ts';
import type { Call } from './call.ts';
import { callAt } from './calls.ts';
import { doJob } from './heavy/doJob.ts';
import type { Done, Work } from './heavy/work.ts';
import { BUSY, CONTRACT_HINT, RETRY_AFTER, type Refusal, refusal, refusalBody } from './refusal.ts';

const HEADERS = { 'Content-Type': 'application/json; charset=utf-8', 'Cache-Control': 'no-store' } as const;

const json = (text: string, status: number, more: Record<string, string> = {}): Response =>
  new Response(text, { status, headers: { ...HEADERS, ...more } });

/** A refusal as it is sent; with `Retry-After` where asking again helps. */
const refuse = (refused: Refusal, more: Record<string, string> = {}): Response => {
  const again: Record<string, string> = refused.status === 503 ? { 'Retry-After': RETRY_AFTER } : {};
  return json(JSON.stringify(refusalBody(refused)), refused.status, { ...again, ...more });
};

/** The value of a query key that stands twice is a list, which no call takes. */
const queryOf = (query: URLSearchParams): Record<string, unknown> =>
  Object.fromEntries(
    [...new Set(query.keys())].map((key) => {
      const all = query.getAll(key);
      return [key, all.length > 1 ? all : all[0]];
    }),
  );

function contentRefusal({ headers }: Request): Refusal | null {
  const [type = '', ...parameters] = (headers.get('content-type') ?? '').toLowerCase().split(';');
  if (type.trim() !== 'application/json') return refusal(415, 'not-json', 'Send Content-Type: application/json.');
  const charset = parameters.map((one) => one.trim()).find((one) => one.startsWith('charset='));
  if (charset && !/^charset="?utf-?8"?$/.test(charset)) {
    return refusal(415, 'other-charset', 'JSON is UTF-8: send it so, without another charset.');
  }
  const encoding = (headers.get('content-encoding') ?? 'identity').toLowerCase().trim();
  return ['identity', 'gzip', 'x-gzip'].includes(encoding)
    ? null
    : refusal(415, 'other-encoding', `A body in ${encoding.slice(0, 40)} is not read. Send it plain, or as gzip.`);
}

/** Reads at most `max` bytes and stops there, whatever length the request claims. */
async function readBody(request: Request, max: number): Promise<Result<Raw, Refusal>> {
  if (Number(request.headers.get('content-length') ?? 0) > max) return err(tooLarge(max));
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    size += part.value.byteLength;
    if (size > max) {
      await reader?.cancel();
      return err(tooLarge(max));
    }
    chunks.push(part.value);
  }
  const encoding = request.headers.get('content-encoding') ?? '';
  return ok({ bytes: Uint8Array.from(Buffer.concat(chunks)), gzipped: /gzip/i.test(encoding) });
}

const takesGzip = (request: Request): boolean =>
  /\bgzip\b(?!\s*;\s*q=0(\.0*)?\s*(,|$))/i.test(request.headers.get('accept-encoding') ?? '');

const sendDone = ({ status, body, zipped }: Done): Response =>
  new Response(body as Uint8Array<ArrayBuffer>, {
    status,
    headers: { ...HEADERS, Vary: 'Accept-Encoding', ...(zipped && { 'Content-Encoding': 'gzip' }) },
  });

/** Without workers (the development server) the same is done in place. */
const IN_PLACE: Work = { isFull: () => false, run: doJob };

async function answerPost(call: Call, request: Request, work: Work): Promise<Response> {
  const wrong = contentRefusal(request);
  if (wrong) return refuse(wrong);
  // Told before its body is read: what cannot be worked out need not be sent.
  if (call.heavy && work.isFull()) return refuse(BUSY);
  const raw = await readBody(request, call.maxBody);
  if (!raw.ok) return refuse(raw.error);
  if (!call.heavy) {
    const { status, text } = await answerToBody(call, raw.value);
    return json(text, status);
  }
  const done = await work.run({ path: call.path, zip: takesGzip(request), ...raw.value }, request.signal);
  if (done === 'too-long') {
    return refuse(refusal(503, 'too-long', 'This took too long on this machine now. Ask for less, or again later.'));
  }
  return typeof done === 'string' ? refuse(BUSY) : sendDone(done);
}

/** The answer to a call that exists by another method alone. */
function otherMethod({ method }: Call, url: URL, request: Request): Response {
  const allowed = method === 'GET' ? 'GET, HEAD' : method;
  const message = `${url.pathname} answers to ${method} alone, not to ${request.method}. ${CONTRACT_HINT}`;
  return refuse(refusal(405, 'other-method', message), { Allow: allowed });
}

/** Every call of the list at its own address, as one endpoint of Astro's. */
export const everyCall: APIRoute = async ({ request, url, locals }) => {
  const call = callAt(url.pathname);
  if (call === null)
    return refuse(refusal(404, 'no-such-call', `There is no ${request.method} ${url.pathname}. ${CONTRACT_HINT}`));
  const isAsked = request.method === call.method || (call.method === 'GET' && request.method === 'HEAD');
  if (!isAsked) return otherMethod(call, url, request);
  if (call.method === 'POST') return answerPost(call, request, locals.work ?? IN_PLACE);
  const { status, text } = await answerTo(call, queryOf(url.searchParams));
  return json(text, status);
};
