import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { seeded } from '../../src/core/heat/writepath/random.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { aRun } from '../support/aRun.ts';
import { runs } from '../support/runs.ts';
import { type Client, openClient } from './client.ts';

const REQUESTS = runs(2000, 20_000);
/** At the same time; fewer than the server lets wait, so that nearly all are worked out. */
const AT_ONCE = 6;

let server: Client;
beforeAll(async () => {
  server = await openClient();
});
afterAll(() => server.close());

const random = seeded(20_261_127);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const chance = (share: number): boolean => random() < share;

const ODD: readonly unknown[] = [
  ...[null, true, false, 0, -0, -1, 1.5, 1e308, -1e308, 5e-324, 2 ** 53, 9e15, '', ' ', '1,200', 'NaN', '∞', '\u0000'],
  ...['\ud800', 'constructor', '__proto__', '=1+1', 'x'.repeat(600), [], {}, [[]], [null], { constructor: 1 }],
];
const KEYS = [
  'constructor',
  '__proto__',
  'toString',
  'length',
  'valueOf',
  'version',
  'kit',
  'text',
  'heat',
  '',
  '0',
  'a.b',
  '$ref',
];
const WORDS = [
  '600',
  'Mb/s',
  'MB/s',
  '25p',
  'on',
  '256GB',
  'V90',
  'II',
  'for',
  '2h',
  'x',
  '2',
  '×',
  '4K',
  'raw',
  '3:1',
  'dual',
  'plays',
  'at',
  '%',
  '-5',
  '1e9',
  '1,200',
  'CFexpress',
  'type',
  'B',
  '🎞',
  'ﬁ',
  '\u202e',
  '\u0000',
  '٣',
];
const TARGETS = [
  '/api/answer',
  '/api/label',
  '/api/match',
  '/api/simulate',
  '/api/reconcile',
  '/api/trace',
  '/api/day',
  '/api/health',
  '/api/openapi.json',
];
const TYPES = [
  'application/json',
  'application/json',
  'application/json',
  'text/plain',
  '',
  'application/json; charset=utf-16',
  'a/b/c',
  '*/*',
];
const METHODS = ['GET', 'POST', 'POST', 'POST', 'PUT', 'DELETE', 'HEAD', 'PATCH', 'OPTIONS'];

const line = (): string =>
  Array.from({ length: Math.floor(random() * 12) }, () => pick(WORDS)).join(pick([' ', '', '  ', '\t', '/']));

/** Half of a pair has no escape. */
const escaped = (text: string): string => encodeURIComponent(text.replace(/[\ud800-\udfff]/g, ''));

type Plain = Record<string, unknown>;

/** One or two places of a good request changed into something else, left out, or added. */
function spoiled(value: unknown, depth = 0): unknown {
  if (value === null || typeof value !== 'object' || depth > 6 || chance(0.08)) return pick(ODD);
  const keys = Object.keys(value);
  if (keys.length === 0) return pick(ODD);
  const copy: Plain | unknown[] = Array.isArray(value) ? [...value] : { ...value };
  const key = pick(keys);
  const fate = Array.isArray(copy) ? 1 : random();
  if (fate < 0.1 && !Array.isArray(copy)) delete copy[key];
  else if (fate < 0.2)
    Object.defineProperty(copy, pick(KEYS), { value: pick(ODD), enumerable: true, configurable: true, writable: true });
  else (copy as Plain)[key] = spoiled((value as Plain)[key], depth + 1);
  return copy;
}

const small = { ...demo, cards: demo.cards.slice(0, 3), tests: [] };
const GOOD: Readonly<Record<string, () => unknown>> = {
  '/api/label': () => ({ text: line() || 'V90' }),
  '/api/match': () => ({ kit: small, policy: { take: 'once', headroom: 0.15 } }),
  '/api/reconcile': () => ({
    capacityGB: 512,
    nominalMBps: 300,
    outcome: pick(['filled', 'dropped']),
    seconds: 900,
    fileGB: chance(0.5) ? 100 : null,
  }),
  '/api/trace': () =>
    chance(0.5)
      ? { rows: Array.from({ length: 20 }, (_, at) => [at, chance(0.2) ? 0 : 90, chance(0.5) ? 40 : null]) }
      : { text: Array.from({ length: 20 }, (_, at) => `${at},${pick([90, 91.5, 'x', 0])}`).join('\n') },
  '/api/day': () => ({
    kit: small,
    plan: chance(0.3) ? 'race-day' : demo.plans[0],
    policy: { take: 'once', headroom: 0.15 },
  }),
  '/api/shop': () => ({
    kit: small,
    needs: demo.needs,
    offers: chance(0.5) ? null : demo.prices.slice(0, 6),
    useOwned: chance(0.5),
    policy: { take: pick(['once', 'repeatable']), headroom: 0.15 },
  }),
  '/api/best': () => ({
    kit: { ...demo, bodies: demo.bodies.slice(0, 1), cards: demo.cards.slice(0, 3), plans: [], keptTakes: [] },
    policy: { take: pick(['once', 'repeatable']), headroom: 0.15 },
    minutes: pick([5, 60]),
    ambientC: 20,
    stretchMinutes: chance(0.5) ? null : 10,
  }),
  '/api/wear': () => ({
    capacityGB: 32,
    rateMbps: [6, 10],
    hoursPerDay: 24,
    rated: chance(0.5) ? null : { hours: 6000, atMbps: [8, 12] },
    cycles: chance(0.5) ? null : [500, 3000],
    writeAmplification: [1, 2],
    price: chance(0.5) ? null : 14,
  }),
  '/api/simulate': () => ({ ...aRun({}), risk: chance(0.3) ? { runs: 20, seed: 1, spread: 0.2 } : null }),
};

/** JSON text; now and then cut off, with brackets too many, or nested without end. */
function bodyOf(path: string): string {
  const good = (GOOD[path] ?? GOOD['/api/label'])?.();
  const text = JSON.stringify(chance(0.1) ? good : spoiled(chance(0.3) ? spoiled(good) : good)) ?? 'null';
  if (chance(0.03)) return text.slice(0, Math.floor(random() * text.length));
  if (chance(0.02)) return text.replace(/null|\d+/, '['.repeat(30_000) + ']'.repeat(30_000));
  if (chance(0.02)) return text + pick(['}', ']', ',', '\u0000', 'x']);
  return text;
}

function request(): { readonly path: string; readonly init: RequestInit } {
  const target = chance(0.9) ? pick(TARGETS) : `/api/${escaped(line().slice(0, 20))}`;
  const query = chance(0.5)
    ? `?q=${chance(0.1) ? pick(['%ff', '%', '%00', '+&q=1', '&q=a&q=b']) : escaped(line())}`
    : '';
  const method = target === '/api/answer' && chance(0.8) ? 'GET' : pick(METHODS);
  const headers: Record<string, string> = { 'Content-Type': chance(0.85) ? 'application/json' : pick(TYPES) };
  if (method === 'GET' || method === 'HEAD') return { path: target + query, init: { method, headers } };
  const text = bodyOf(target);
  if (!chance(0.15)) return { path: target + query, init: { method, headers, body: text } };
  headers['Content-Encoding'] = pick(['gzip', 'gzip', 'br', 'deflate', 'identity', 'gzip, gzip', 'nonsense']);
  const zipped = gzipSync(text);
  return {
    path: target + query,
    init: { method, headers, body: chance(0.7) ? zipped : zipped.subarray(0, zipped.length / 2) },
  };
}

it(`answers ${REQUESTS} requests of all kinds without a fault, each as the contract says`, {
  timeout: 240_000,
}, async () => {
  const met = new Map<number, number>();
  let left = REQUESTS;
  const client = async (): Promise<void> => {
    while (left > 0) {
      left -= 1;
      const { path, init } = request();
      const call = path.split('?')[0] ?? '';
      // HEAD has no body to check, and the contract does not know calls that are none.
      const isKnown = TARGETS.includes(call) && init.method !== 'HEAD' && !call.endsWith('.json');
      const response = await (isKnown ? server.ask(path, init) : fetch(server.address + path, init));
      met.set(response.status, (met.get(response.status) ?? 0) + 1);
      const text = await response.text();
      if (response.status >= 500 && response.status !== 503)
        throw new Error(`${response.status} for ${JSON.stringify({ path, init })}`);
      if (/node_modules|at .*\.m?js:\d/.test(text))
        throw new Error(`a stack trace for ${JSON.stringify({ path, init })}`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, client));
  expect((await fetch(`${server.address}/api/health`)).status).toBe(200);
  // It met what it was made to meet: good answers, and refusals of every kind.
  expect([...met.keys()].sort()).toEqual(expect.arrayContaining([200, 400, 404, 405, 415]));
  expect(met.get(200)).toBeGreaterThan(REQUESTS / 20);
  expect(met.get(503) ?? 0).toBeLessThan(REQUESTS / 20);
});
