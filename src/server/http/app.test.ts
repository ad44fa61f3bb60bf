import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { type AddressInfo, connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from './app.ts';

const client = mkdtempSync(join(tmpdir(), 'cool-reel-client-'));
let app: FastifyInstance;
beforeAll(async () => {
  mkdirSync(join(client, 'bodies'));
  writeFileSync(join(client, '404.html'), '<html><head></head><body>lost</body></html>');
  writeFileSync(join(client, 'bodies', 'index.html'), '<meta http-equiv="content-security-policy" content="x">');
  app = await createApp({
    client,
    demo: true,
    certificate: null,
    log: false,
    maxEventLoopDelay: 40,
    handler: async (_request, response) => void response.writeHead(200).end('{}'),
    work: { isFull: () => false, run: async () => 'busy' },
  });
  await app.ready();
});
afterAll(async () => {
  await app.close();
  rmSync(client, { recursive: true });
});

/** Keeps the event loop from turning, as nothing in this server should. */
function hold(milliseconds: number): void {
  const until = performance.now() + milliseconds;
  while (performance.now() < until);
}

describe('a server that cannot keep up', () => {
  it('refuses calls with a time to come back, and still answers whether it is well and sends its pages', async () => {
    let seen = 200;
    let body: unknown = null;
    let again: unknown = null;
    for (let tries = 0; tries < 40 && seen !== 503; tries += 1) {
      hold(120);
      await new Promise((resolve) => setTimeout(resolve, 20));
      const answer = await app.inject({ method: 'POST', url: '/api/match', payload: {} });
      [seen, again] = [answer.statusCode, answer.headers['retry-after']];
      body = seen === 503 ? answer.json() : null;
    }
    expect([seen, again]).toEqual([503, '5']);
    expect(body).toMatchObject({ error: { code: 'busy', details: [] } });
    expect((await app.inject('/api/health')).statusCode).toBe(200);
    expect((await app.inject('/bodies')).statusCode).toBe(200);
  });
});

/** Sends bytes over a connection of its own, and answers what came back until it ended. */
const said = (port: number, text: string): Promise<string> =>
  new Promise((resolve) => {
    let got = '';
    const socket = connect(port, '127.0.0.1', () => socket.write(text));
    socket.on('data', (part) => (got += part.toString()));
    socket.on('close', () => resolve(got));
    socket.on('error', () => resolve(`${got}reset`));
  });

describe('at its edge', () => {
  let port = 0;
  let small: FastifyInstance;
  beforeAll(async () => {
    small = await createApp({
      client,
      demo: true,
      certificate: null,
      log: false,
      connections: 5,
      handler: async (_request, response) => void response.writeHead(200).end('{}'),
      work: { isFull: () => false, run: async () => 'busy' },
    });
    await small.listen({ host: '127.0.0.1', port: 0 });
    port = (small.server.address() as AddressInfo).port;
  });
  afterAll(() => small.close());

  it('tells connections over its cap to come back, loses none to a reset, and answers again once there is room', async () => {
    const held = await Promise.all(
      Array.from(
        { length: 5 },
        () =>
          new Promise<Socket>((open) => {
            const socket: Socket = connect(port, '127.0.0.1', () => open(socket));
          }),
      ),
    );
    const ask = 'GET /api/health HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n';
    const rest = await Promise.all(Array.from({ length: 40 }, () => said(port, ask)));
    for (const answer of rest) {
      expect(answer).toMatch(/^HTTP\/1\.1 503 /);
      expect(answer).toContain('Retry-After: 5');
      expect(answer).toContain("frame-ancestors 'none'");
      expect(answer).not.toContain('reset');
    }
    for (const socket of held) socket.destroy();
    await expect.poll(() => said(port, ask), { timeout: 5000 }).toMatch(/^HTTP\/1\.1 200 /);
  });

  it.each([
    [
      'an expectation that is not understood',
      'GET / HTTP/1.1\r\nHost: x\r\nExpect: the-moon\r\n\r\n',
      417,
      'other-expectation',
    ],
    ['no host', 'GET / HTTP/1.1\r\n\r\n', 400, 'no-host'],
    ['what is no request', 'hello\r\n\r\n', 400, 'not-http'],
  ])('refuses %s in the one shape, with the headers of every answer', async (_, text, status, code) => {
    const answer = await said(port, text);
    expect(answer).toMatch(new RegExp(`^HTTP/1\\.1 ${status} `));
    expect(answer.toLowerCase()).toContain('content-security-policy');
    expect(JSON.parse(answer.slice(answer.indexOf('{'), answer.lastIndexOf('}') + 1))).toMatchObject({
      error: { code, details: [] },
    });
  });

  it.each(['/api/%2e%2e/day', '/api/..%2fday', '/api/.%2E/match', '/api/%2e/match'])(
    'takes %s for no call, whatever lies there',
    async (path) => {
      const answer = await said(port, `GET ${path} HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n`);
      expect(answer).toMatch(/^HTTP\/1\.1 404 /);
      expect(answer).toContain('"code":"no-such-call"');
      expect(answer).not.toMatch(/node_modules|\bat \//);
    },
  );
});

describe('files', () => {
  it('are those that were there when it started, and nothing beside them', async () => {
    const page = await app.inject('/bodies/');
    expect(page.headers['content-security-policy']).toBe("x; frame-ancestors 'none'");
    expect((await app.inject('/../package.json')).statusCode).toBe(404);
    expect((await app.inject('/nothing')).body).toContain('lost');
    expect((await app.inject('/start.json')).json()).toEqual({ demo: true });
  });
});
