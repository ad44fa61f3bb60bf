import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createPool } from '../heavy/pool.ts';
import { clientFolder, createApp, type Handler } from './app.ts';
import { ownAddresses, ownCertificate } from './certificate.ts';

/** Longest wait for what is under way when the server is told to stop, milliseconds. */
const LAST_WORDS = 10_000;
/** How often connections that have nothing more to say are ended meanwhile, milliseconds. */
const IDLE_EVERY = 100;

export interface ServeOptions {
  readonly host: string;
  readonly port: number;
  readonly demo: boolean;
  readonly https: boolean;
  readonly log: boolean;
  /** Where a certificate that was made is kept. */
  readonly keep: string;
}

/** Where it can be reached, and what to know about its certificate. */
export interface Serving {
  readonly addresses: readonly string[];
  readonly fingerprint: string | null;
  readonly stop: () => Promise<void>;
}

/**
 * Connections that may wait to be taken, all that the system allows at the most. Above it the last step of a connection is
 * dropped: the client believes it is connected, and is reset half a minute later, whatever the server would have told it.
 */
const WAITING = 4096;

const isAnyHost = (host: string): boolean => host === '0.0.0.0' || host === '::';

/** Serves the built app that lies beside this file. */
export async function serve({ host, port, demo, https, log, keep }: ServeOptions): Promise<Serving> {
  const folder = fileURLToPath(new URL('.', import.meta.url));
  const { handler } = (await import(new URL('./entry.mjs', import.meta.url).href)) as { handler: Handler };
  const certificate = https ? await ownCertificate(join(keep, 'https')) : null;
  const work = createPool(new URL('./worker.mjs', import.meta.url));
  const app = await createApp({ client: clientFolder(folder), handler, work, demo, certificate, log });
  await app.listen({ host, port, backlog: WAITING });
  const bound = (app.server.address() as AddressInfo).port;
  const hosts = isAnyHost(host) ? ['127.0.0.1', ...ownAddresses()] : [host];
  return {
    addresses: hosts.map((one) => `${https ? 'https' : 'http'}://${one}:${bound}`),
    fingerprint: certificate?.fingerprint ?? null,
    async stop() {
      const late = setTimeout(() => process.exit(1), LAST_WORDS);
      late.unref();
      work.dismiss();
      // A connection that had its answer after the end began waits for another question, which it would not be answered.
      const idle = setInterval(() => app.server.closeIdleConnections(), IDLE_EVERY);
      await app.close();
      clearInterval(idle);
      await work.close();
      clearTimeout(late);
    },
  };
}
