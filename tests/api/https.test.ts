import { X509Certificate } from 'node:crypto';
import { rmSync, statSync } from 'node:fs';
import { get } from 'node:https';
import { join } from 'node:path';
import { connect, type PeerCertificate } from 'node:tls';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROOT, startServer } from '../../scripts/lib.mjs';

const KEPT = join(ROOT, '.cache', 'https');
let server: Awaited<ReturnType<typeof startServer>>;
beforeAll(async () => {
  rmSync(KEPT, { recursive: true, force: true });
  server = await startServer({ demo: false, args: ['--https'] });
});
afterAll(() => server.stop());

const certificate = (): Promise<PeerCertificate> =>
  new Promise((resolve, reject) => {
    const socket = connect(
      { port: Number(new URL(server.address).port), host: '127.0.0.1', rejectUnauthorized: false },
      () => {
        resolve(socket.getPeerCertificate());
        socket.end();
      },
    );
    socket.on('error', reject);
  });

describe('npm start -- --https', () => {
  it('serves with a certificate of its own, names its fingerprint and what the browser’s warning means', async () => {
    expect(server.address).toMatch(/^https:\/\/127\.0\.0\.1:\d+$/);
    const { fingerprint256, raw } = await certificate();
    expect(server.log()).toContain(fingerprint256);
    expect(server.log()).toMatch(/browser warns/);
    const read = new X509Certificate(raw);
    expect(read.checkIP('127.0.0.1')).toBe('127.0.0.1');
    expect(read.checkHost('localhost')).toBe('localhost');
    expect(Date.parse(read.validTo)).toBeGreaterThan(Date.now() + 300 * 86_400_000);
  });

  it('answers over it, with the same headers', async () => {
    const headers = await new Promise<Record<string, unknown>>((resolve, reject) => {
      get(`${server.address}/api/health`, { rejectUnauthorized: false }, (response) => {
        response.resume();
        resolve(response.headers);
      }).on('error', reject);
    });
    expect(headers['x-content-type-options']).toBe('nosniff');
    // A promise of HTTPS for a year would lock out a phone when the certificate is made anew.
    expect(headers['strict-transport-security']).toBeUndefined();
  });

  it('keeps the key to its owner, and the certificate for the next start', async () => {
    expect(statSync(join(KEPT, 'key.pem')).mode & 0o077).toBe(0);
    const again = await startServer({ demo: false, args: ['--https', '--quiet'] });
    expect(again.log()).toContain((await certificate()).fingerprint256);
    await again.stop();
  });

  it('says what there is when it is asked for something else', async () => {
    await expect(startServer({ demo: false, args: ['--htps'] })).rejects.toThrow(
      /What there is: --lan, --https, --quiet/,
    );
  });
});
