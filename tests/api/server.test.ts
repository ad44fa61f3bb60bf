import { connect } from 'node:net';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../../scripts/lib.mjs';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { type Client, openClient } from './client.ts';

let server: Client;
beforeAll(async () => {
  server = await openClient();
});
afterAll(() => server.close());

const ask = (path: string, init: RequestInit = {}) => server.ask(path, init);
const post = (path: string, body: BodyInit, headers: Record<string, string> = {}) =>
  ask(path, { method: 'POST', body, headers: { 'Content-Type': 'application/json', ...headers } });
const codeOf = async (response: Response): Promise<string> =>
  ((await response.json()) as { error: { code: string } }).error.code;
const policy = { take: 'once', headroom: 0.15 };

/** Text sent over a bare socket, and all that comes back: for what no HTTP client would send. */
const raw = (text: string, patience = 5000): Promise<string> =>
  new Promise((resolve, reject) => {
    const { port } = new URL(server.address);
    const socket = connect(Number(port), '127.0.0.1', () => socket.write(text));
    let answer = '';
    socket.setTimeout(patience, () => socket.destroy());
    socket.on('data', (chunk) => {
      answer += chunk;
    });
    socket.on('close', () => resolve(answer));
    socket.on('error', reject);
  });

const GUARDS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

describe('every answer', () => {
  it.each([
    ['/', 200],
    ['/bodies', 200],
    ['/bodies/', 200],
    ['/heat?body=dory', 200],
    ['/icon.svg', 200],
    ['/sw.js', 200],
    ['/manifest.webmanifest', 200],
    ['/start.json', 200],
    ['/nothing/here', 404],
    ['/_astro/nothing.js', 404],
    ['/_image?href=/icon.svg&w=9999', 404],
    ['/%ff', 404],
    ['/..%2f..%2fpackage.json', 404],
    ['/api/health', 200],
    ['/api/openapi.json', 200],
    ['/api/nothing', 404],
  ])('carries the security headers and the right status: %s', async (path, status) => {
    const response = await fetch(server.address + path);
    expect(response.status).toBe(status);
    for (const [name, value] of Object.entries(GUARDS)) expect(response.headers.get(name), name).toBe(value);
    const csp = response.headers.get('content-security-policy') ?? '';
    expect(csp).toContain("default-src 'none'");
    expect(csp).toContain("frame-ancestors 'none'");
    const scripts = csp.match(/script-src[^;]*/)?.[0] ?? '';
    // WebAssembly alone may be compiled, and by files other than pages.
    expect(scripts.replace("'wasm-unsafe-eval'", '')).not.toMatch(/unsafe|https?:|\*/);
    if (response.headers.get('content-type')?.includes('text/html')) expect(scripts).not.toContain('wasm');
  });

  it('has the app’s icons in the sizes its manifest says, and shortcuts to pages that are there', async () => {
    const { icons, shortcuts } = (await (await fetch(`${server.address}/manifest.webmanifest`)).json()) as {
      icons: { src: string; sizes: string; purpose: string }[];
      shortcuts: { url: string }[];
    };
    expect(icons.map(({ purpose }) => purpose)).toContain('maskable');
    for (const { src, sizes } of icons.filter(({ sizes: own }) => own !== 'any')) {
      const file = Buffer.from(await (await fetch(server.address + src)).arrayBuffer());
      // The width and height of a PNG stand in its first chunk [source: W3C, PNG specification, 11.2.2 IHDR].
      expect(`${file.readUInt32BE(16)}x${file.readUInt32BE(20)}`, src).toBe(sizes);
    }
    for (const { url } of shortcuts) expect((await fetch(server.address + url)).status, url).toBe(200);
    expect(shortcuts).toHaveLength(3);
    expect((await fetch(`${server.address}/icon-touch.png`)).headers.get('content-type')).toBe('image/png');
  });

  it('even one to what is no request at all', async () => {
    const answer = await raw('NONSENSE\r\n\r\n');
    expect(answer).toMatch(/^HTTP\/1\.1 400 Bad Request\r\n/);
    for (const [name, value] of Object.entries(GUARDS))
      expect(answer.toLowerCase()).toContain(`${name}: ${value}`.toLowerCase());
    expect(answer).toContain('"code":"not-http"');
    const large = await raw(`GET / HTTP/1.1\r\nHost: a\r\nX: ${'x'.repeat(40_000)}\r\n\r\n`);
    expect(large).toMatch(/^HTTP\/1\.1 431 /);
    expect(large).toContain('"code":"headers-too-large"');
  });

  it('of a page says where it may be framed in its header, and carries the rest in itself for static hosts', async () => {
    const response = await fetch(`${server.address}/cards`);
    const header = response.headers.get('content-security-policy') ?? '';
    const own = /content-security-policy" content="([^"]+)"/.exec(await response.text())?.[1] ?? '';
    expect(own).toContain("script-src 'self' 'sha256-");
    expect(header).toBe(`${own}; frame-ancestors 'none'`);
  });
});

describe('files', () => {
  it.each(['br', 'gzip'])(
    'are sent as %s where the browser takes it, and keep for good where their name says what is in them',
    async (encoding) => {
      const page = await (await fetch(server.address)).text();
      const [script = ''] = /\/_astro\/client[^"]+\.js/.exec(page) ?? [];
      const response = await fetch(server.address + script, { headers: { 'Accept-Encoding': encoding } });
      expect(response.headers.get('content-encoding')).toBe(encoding);
      expect(response.headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
      expect(response.headers.get('vary')?.toLowerCase()).toContain('accept-encoding');
      expect(
        (await fetch(server.address, { headers: { 'Accept-Encoding': encoding } })).headers.get('cache-control'),
      ).toBe('no-cache');
    },
  );

  it('are not sent again where the browser has them', async () => {
    const etag = (await fetch(`${server.address}/icon.svg`)).headers.get('etag') ?? '';
    const again = await raw(`GET /icon.svg HTTP/1.1\r\nHost: a\r\nIf-None-Match: ${etag}\r\nConnection: close\r\n\r\n`);
    expect(again).toMatch(/^HTTP\/1\.1 304 /);
  });
});

describe('methods', () => {
  it.each(['TRACE', 'PROPFIND', 'DELETE', 'PUT', 'POST', 'OPTIONS', 'PATCH'])(
    '%s is refused by pages and files, with what they answer to',
    async (method) => {
      for (const path of ['/', '/bodies', '/icon.svg', '/nothing']) {
        const answer = await raw(
          `${method} ${path} HTTP/1.1\r\nHost: a\r\nContent-Length: 0\r\nConnection: close\r\n\r\n`,
        );
        expect(answer, path).toMatch(/^HTTP\/1\.1 405 /);
        expect(answer, path).toMatch(/\r\nallow: GET, HEAD\r\n/i);
      }
    },
  );

  it('TRACE and others are refused by calls in their own shape', async () => {
    for (const method of ['TRACE', 'PROPFIND', 'DELETE']) {
      const answer = await raw(
        `${method} /api/match HTTP/1.1\r\nHost: a\r\nContent-Length: 0\r\nConnection: close\r\n\r\n`,
      );
      expect(answer, method).toMatch(/^HTTP\/1\.1 405 /);
      expect(answer, method).toMatch(/\r\nallow: [^\r]*POST/i);
      expect(answer, method).toContain('"code":"other-method"');
    }
  });

  it('HEAD is answered wherever GET is, without a body', async () => {
    for (const path of ['/', '/bodies', '/icon.svg', '/api/health', '/api/answer?q=V90', '/api/openapi.json']) {
      const [head, get] = await Promise.all([
        fetch(server.address + path, { method: 'HEAD' }),
        fetch(server.address + path),
      ]);
      expect([head.status, head.headers.get('content-type')], path).toEqual([
        get.status,
        get.headers.get('content-type'),
      ]);
      expect(await head.text()).toBe('');
    }
  });
});

describe('addresses', () => {
  it('of calls are answered without a redirect, however they are written', async () => {
    for (const path of ['/api/health/', '//api//health', '/api/health///', '/api/health/?x=1']) {
      const response = await fetch(server.address + path, { redirect: 'manual' });
      expect([response.status, await response.json()], path).toEqual([200, { ok: true, version: expect.any(String) }]);
    }
  });

  it('that cannot be decoded are refused in the shape of the calls', async () => {
    const response = await fetch(`${server.address}/api/%ff`);
    expect([response.status, await codeOf(response)]).toEqual([400, 'bad-address']);
    const query = await ask('/api/answer?q=%ff');
    expect([query.status, await codeOf(query)]).toEqual([400, 'not-understood']);
  });

  it('with a key that stands twice are refused by its name', async () => {
    const response = await ask('/api/answer?q=V90&q=V60');
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({ error: { code: 'invalid', details: [{ path: 'q' }] } });
  });
});

describe('bodies', () => {
  const label = JSON.stringify({ text: '128GB SDXC II V60' });

  it('are JSON and nothing that only begins like it', async () => {
    for (const type of [
      'application/jsonx',
      'application/json-patch+json',
      'text/json',
      'application/x-www-form-urlencoded',
      '',
    ]) {
      const response = await post('/api/label', label, { 'Content-Type': type });
      expect([response.status, await codeOf(response)], type).toEqual([415, 'not-json']);
    }
    expect((await post('/api/label', label, { 'Content-Type': 'Application/JSON; charset=UTF-8' })).status).toBe(200);
    const other = await post('/api/label', label, { 'Content-Type': 'application/json; charset=latin1' });
    expect([other.status, await codeOf(other)]).toEqual([415, 'other-charset']);
  });

  it.each(['/api/label', '/api/match'])('may be gzip, bounded by what comes out of it: %s', async (path) => {
    const gzip = { 'Content-Encoding': 'gzip' };
    const good = path === '/api/label' ? label : JSON.stringify({ kit: demo, policy });
    const plain = await (await post(path, good)).json();
    const zipped = await post(path, gzipSync(good), gzip);
    expect([zipped.status, await zipped.json()]).toEqual([200, plain]);
    const bomb = await post(path, gzipSync('['.repeat(30_000_000)).subarray(0, 15_900), gzip);
    expect(bomb.status).toBeGreaterThanOrEqual(400);
    const honest = await post(path, gzipSync(JSON.stringify({ text: 'x'.repeat(3_000_000) })), gzip);
    expect([honest.status, await codeOf(honest)]).toEqual([413, 'too-large']);
    const lie = await post(path, good, gzip);
    expect([lie.status, await codeOf(lie)]).toEqual([400, 'not-gzip']);
    const brotli = await post(path, good, { 'Content-Encoding': 'br' });
    expect([brotli.status, await codeOf(brotli)]).toEqual([415, 'other-encoding']);
  });

  it('are refused where they are nested deeper than anything needs, before they are unfolded', async () => {
    const deep = (levels: number) => '['.repeat(levels) + ']'.repeat(levels);
    for (const body of [
      `{"kit":{"format":"cool-reel-kit","version":${deep(5000)}},"policy":{}}`,
      `{"kit":${'{"a":'.repeat(60_000)}1${'}'.repeat(60_000)},"policy":{}}`,
    ]) {
      const response = await post('/api/match', body);
      expect([response.status, await codeOf(response)]).toEqual([400, 'too-deep']);
    }
    // Brackets within text are no nesting.
    expect((await post('/api/label', JSON.stringify({ text: '[{'.repeat(200) }))).status).toBe(200);
  });

  it.each(['constructor', '__proto__', 'toString', 'hasOwnProperty', 'prototype'])(
    'with a key %s get the ordinary refusal',
    async (key) => {
      const response = await post('/api/label', `{"text":"V60","${key}":{"a":1}}`);
      expect(response.status).toBe(400);
      const query = await ask(`/api/answer?q=V90&${key}=1`);
      expect([query.status, await codeOf(query)]).toEqual([400, 'invalid']);
      expect((await post('/api/simulate', `{"${key}":1}`)).status).toBe(400);
    },
  );

  it('that never arrive are given up, in the same shape', { timeout: 40_000 }, async () => {
    const answer = await raw(
      'POST /api/label HTTP/1.1\r\nHost: a\r\nContent-Type: application/json\r\nContent-Length: 100\r\n\r\n{',
      35_000,
    );
    expect(answer).toMatch(/^HTTP\/1\.1 408 /);
    expect(answer).toContain('"code":"too-slow"');
    expect(answer.toLowerCase()).toContain('x-content-type-options: nosniff');
  });
});

describe('heavy calls', () => {
  // Every card another print: much work.
  const cards = Array.from({ length: 160 }, (_, at) => ({
    ...demo.cards[at % demo.cards.length],
    id: `c${at}`,
    label: `C${at}`,
    readMBps: at + 1,
  }));
  const [body] = demo.bodies;
  const modes = Array.from({ length: 8 }, (_, at) => ({ ...body?.modes[0], id: `m${at}`, name: `Mode ${at}` }));
  const { counters: _, ...rest } = body as typeof body & { counters?: unknown };
  const dear = JSON.stringify({ kit: { ...demo, bodies: [{ ...rest, modes }], cards, tests: [], takes: [] }, policy });

  it('are refused with a time to come back when too many wait, while light ones are answered', async () => {
    const all = Array.from({ length: 40 }, () => post('/api/match', dear));
    const health = await ask('/api/health');
    const line = await post('/api/label', JSON.stringify({ text: '128GB SDXC II V60' }));
    expect([health.status, line.status]).toEqual([200, 200]);
    const answers = await Promise.all(all);
    const refused = answers.filter(({ status }) => status === 503);
    const answered = answers.filter(({ status }) => status === 200);
    expect(refused.length).toBeGreaterThan(0);
    expect(answered.length).toBeGreaterThan(1);
    expect(refused.length + answered.length).toBe(40);
    for (const one of refused) {
      expect(one.headers.get('retry-after')).toBe('5');
      expect(await codeOf(one)).toBe('busy');
    }
  });

  it('are dropped when whoever asked has gone: nobody waits behind them', async () => {
    const gone = new AbortController();
    const all = Array.from({ length: 40 }, () =>
      fetch(`${server.address}/api/match`, {
        method: 'POST',
        body: dear,
        signal: gone.signal,
        headers: { 'Content-Type': 'application/json' },
      }).catch(() => null),
    );
    await new Promise((resolve) => setTimeout(resolve, 400));
    gone.abort();
    await Promise.all(all);
    await new Promise((resolve) => setTimeout(resolve, 200));
    const start = performance.now();
    const next = await post('/api/match', JSON.stringify({ kit: { ...demo, cards: demo.cards.slice(0, 2) }, policy }));
    expect(next.status).toBe(200);
    // Behind a full queue it would have been refused, or have waited for all of it.
    expect(performance.now() - start).toBeLessThan(5000);
  });

  it('answer as gzip where that is taken, and plain where not, the same', async () => {
    const small = JSON.stringify({ kit: { ...demo, cards: demo.cards.slice(0, 4) }, policy });
    const zipped = await post('/api/match', small, { 'Accept-Encoding': 'gzip' });
    const plain = await post('/api/match', small, { 'Accept-Encoding': 'gzip;q=0' });
    expect([zipped.headers.get('content-encoding'), plain.headers.get('content-encoding')]).toEqual(['gzip', null]);
    expect(await zipped.json()).toEqual(await plain.json());
  });
});

describe('the log', () => {
  it('has one line a request, without what somebody asked', async () => {
    const own = await startServer({ demo: false });
    await fetch(`${own.address}/api/answer?q=secret`);
    await fetch(`${own.address}/cards`);
    await own.stop();
    const lines = own
      .log()
      .split('\n')
      .filter((line) => line.includes('"method"'));
    expect(lines.map((line) => JSON.parse(line) as object)).toEqual([
      expect.objectContaining({ method: 'GET', path: '/api/answer', status: 400, ms: expect.any(Number) }),
      expect.objectContaining({ method: 'GET', path: '/cards', status: 200 }),
    ]);
    expect(own.log()).not.toContain('secret');
  });
});

describe('starting and stopping', () => {
  it('lets what is under way finish before it stops', async () => {
    const own = await startServer({ demo: false });
    const body = JSON.stringify({ kit: demo, policy });
    const asked = fetch(`${own.address}/api/match`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body,
    });
    await new Promise((resolve) => setTimeout(resolve, 30));
    const stopped = own.stop();
    const response = await asked;
    expect(response.status).toBe(200);
    expect(((await response.json()) as { cells: unknown[] }).cells.length).toBeGreaterThan(100);
    await stopped;
    await expect(fetch(`${own.address}/api/health`)).rejects.toThrow();
  });

  it('tells a first visit whether it begins with the demo', async () => {
    expect(await (await fetch(`${server.address}/start.json`)).json()).toEqual({ demo: false });
    const own = await startServer({ demo: true });
    expect(await (await fetch(`${own.address}/start.json`)).json()).toEqual({ demo: true });
    await own.stop();
  });
});
