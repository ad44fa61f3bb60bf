import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
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

describe('files', () => {
  it('are those that were there when it started, and nothing beside them', async () => {
    const page = await app.inject('/bodies/');
    expect(page.headers['content-security-policy']).toBe("x; frame-ancestors 'none'");
    expect((await app.inject('/../package.json')).statusCode).toBe(404);
    expect((await app.inject('/nothing')).body).toContain('lost');
    expect((await app.inject('/start.json')).json()).toEqual({ demo: true });
  });
});
