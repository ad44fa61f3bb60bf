import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse, STATUS_CODES } from 'node:http';
import { createServer as createSecureServer, Server as SecureServer } from 'node:https';
import type { Socket } from 'node:net';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import underPressure from '@fastify/under-pressure';
import Fastify, { type FastifyInstance, type FastifyReply, type FastifyRequest, LogController } from 'fastify';
import type { Work } from '../heavy/work.ts';
import { CONTRACT_HINT, RETRY_AFTER, type Refusal, refusal, refusalBody } from '../refusal.ts';
import type { Certificate } from './certificate.ts';
import { builtFiles, type SentFile } from './files.ts';
import { secure, securityHeaders } from './headers.ts';
import { inTurns } from './turns.ts';

/** Astro's handler in the middleware mode of its adapter. */
export type Handler = (
  request: IncomingMessage,
  response: ServerResponse,
  next: () => void,
  locals: { readonly work: Work },
) => Promise<void>;

export interface AppParts {
  /** The folder of the built pages and files. */
  readonly client: string;
  readonly handler: Handler;
  readonly work: Work;
  /** Whether a first visit begins with the demo kit. */
  readonly demo: boolean;
  readonly certificate: Certificate | null;
  /** Whether each request is written to the log. */
  readonly log: boolean;
  /** Calls are refused while the event loop lags by this much, milliseconds. */
  readonly maxEventLoopDelay?: number;
  /** Connections that are answered at once. */
  readonly connections?: number;
}

/** Limits of the wire, milliseconds and counts. */
const WIRE = {
  headersTimeout: 5000,
  requestTimeout: 10_000,
  keepAliveTimeout: 10_000,
  /** How often the two above are looked at. */
  connectionsCheckingInterval: 1000,
  /** Silence on a socket; the longest answer takes half of it. */
  silence: 60_000,
  /** Answered; those above are told to come back. */
  connections: 1000,
  /** Held at once: above it a connection is dropped without a word, since a word costs room, too. */
  mostConnections: 3000,
  /** What lay unread while this machine stood still is read within this time. */
  catchingUp: 250,
  /** With this share of the connections open at once, what arrives late is late for the crowd and not for its sender. */
  crowd: 0.1,
};

const TOO_BUSY = refusal(503, 'busy', 'The server cannot keep up just now. Ask again in a few seconds.');

const NO_HOST = refusal(400, 'no-host', 'The request names no Host. HTTP/1.1 wants one.');
const NO_EXPECTATION = refusal(417, 'other-expectation', 'Only Expect: 100-continue is understood.');

const START_FILE = '/start.json';
/** Answered before all that waits: who asks wants to know whether the server answers at all. */
const HEALTH = '/api/health';
const isCall = (path: string): boolean => path === '/api' || path.startsWith('/api/');
const pathOf = (url: string): string => url.split('?', 1)[0] ?? '/';

/** How calls are written: letters, and no code or dots that could mean another address. */
const isPlain = (path: string): boolean => /^[\w/-]+(?:\.json)?$/.test(path);

/** Calls are asked without doubled or trailing slashes, so that none is answered with a redirect. */
function tidied(url: string): string {
  const path = pathOf(url);
  const single = path.replace(/\/{2,}/g, '/');
  return isCall(single) ? single.replace(/(.)\/+$/, '$1') + url.slice(path.length) : single + url.slice(path.length);
}

const CLIENT_ERRORS: Readonly<Record<string, Refusal>> = {
  HPE_HEADER_OVERFLOW: refusal(431, 'headers-too-large', 'The headers of the request are too large.'),
  ERR_HTTP_REQUEST_TIMEOUT: refusal(408, 'too-slow', 'The request did not arrive in time. Send it again.'),
};

const isLate = (error: NodeJS.ErrnoException): boolean => error.code === 'ERR_HTTP_REQUEST_TIMEOUT';

/** Writes a refusal to a socket of which no request was read, and ends it. */
function endWith(socket: Socket, refused: Refusal): void {
  const body = JSON.stringify(refusalBody(refused));
  const headers = {
    ...securityHeaders(),
    'Content-Type': 'application/json; charset=utf-8',
    'Content-Length': String(Buffer.byteLength(body)),
    ...(refused.status === 503 ? { 'Retry-After': RETRY_AFTER } : {}),
    Connection: 'close',
  };
  const lines = Object.entries(headers).map(([name, value]) => `${name}: ${value}\r\n`);
  socket.end(`HTTP/1.1 ${refused.status} ${STATUS_CODES[refused.status]}\r\n${lines.join('')}\r\n${body}`);
}

/**
 * A request that is none, or that did not arrive: answered on the bare socket.
 *
 * @param wasCrowded whether there was a crowd while it was waited for: then the server is late, and says that
 */
function refuseOnSocket(error: NodeJS.ErrnoException, socket: Socket, wasCrowded: boolean): void {
  if (!socket.writable || error.code === 'ECONNRESET') {
    socket.destroy();
    return;
  }
  const why = wasCrowded && isLate(error) ? TOO_BUSY : CLIENT_ERRORS[error.code ?? ''];
  endWith(socket, why ?? refusal(400, 'not-http', 'This is not a request that can be read.'));
}

/** What Node would refuse by itself, without our headers and in no shape: written as every refusal is. */
function refuseBare(request: IncomingMessage, response: ServerResponse, refused: Refusal): void {
  secure(request, response, () => {
    response.writeHead(refused.status, { 'Content-Type': 'application/json; charset=utf-8', Connection: 'close' });
    response.end(JSON.stringify(refusalBody(refused)));
  });
}

interface Heard {
  /** Notes that a request was read from its socket. */
  readonly note: (request: IncomingMessage) => void;
  /**
   * Looks once more at a socket of which too little was read in time. On a machine that stood still (asleep, or given to others) the
   * clock of the connections goes off before what arrived meanwhile is read, and whoever asked in time would be told to be late.
   *
   * @param refuse what is done where still no whole request was read
   */
  readonly elseRefuse: (socket: Socket, refuse: () => void) => void;
}

/** The last request of each socket. */
function listening(): Heard {
  const last = new WeakMap<Socket, IncomingMessage>();
  return {
    note: (request) => last.set(request.socket, request),
    elseRefuse: (socket, refuse) => {
      const before = last.get(socket);
      const wasWhole = before?.complete ?? false;
      const look = (): void => {
        const now = last.get(socket);
        const isHeard = now !== before || (!wasWhole && now?.complete === true);
        if (!isHeard) refuse();
      };
      // Timers run before sockets are read; what is due in the same turn would find as little as the first look did.
      setTimeout(() => setImmediate(look), WIRE.catchingUp);
    },
  };
}

interface Crowd {
  /** Whether a socket is one of those that were told to come back. */
  readonly isTold: (socket: Socket) => boolean;
  /** Whether many were there at once while a socket was open, or shortly before. */
  readonly wasAround: (socket: Socket) => boolean;
}

/**
 * Connections above the cap are told to come back. Those that are told hold their place until they have ended, so that the
 * server itself is never asked to hold more than it can.
 */
function tellTheRest(server: Server, cap: number): Crowd {
  const told = new WeakSet<Socket>();
  let open = 0;
  let crowdedAt = Number.NEGATIVE_INFINITY;
  const openedAt = new WeakMap<Socket, number>();
  const note = (): void => {
    if (open > cap * WIRE.crowd) crowdedAt = performance.now();
  };
  server.on(server instanceof SecureServer ? 'secureConnection' : 'connection', (socket: Socket) => {
    open += 1;
    openedAt.set(socket, performance.now());
    note();
    socket.once('close', () => {
      note();
      open -= 1;
    });
    if (open <= cap) return;
    told.add(socket);
    // One that hangs up meanwhile needs no answer.
    socket.on('error', () => socket.destroy());
    endWith(socket, TOO_BUSY);
    // What it sends is read and thrown away, for as long as a request may take: closed on bytes that come later, a connection is
    // reset and its answer lost.
    setTimeout(() => socket.destroy(), WIRE.requestTimeout).unref();
  });
  return {
    isTold: (socket) => told.has(socket),
    wasAround: (socket) => {
      note();
      return crowdedAt > (openedAt.get(socket) ?? performance.now()) - WIRE.requestTimeout;
    },
  };
}

const refuse = (reply: FastifyReply, refused: Refusal): FastifyReply => {
  return reply.code(refused.status).header('Cache-Control', 'no-store').send(refusalBody(refused));
};

const sendFile = (reply: FastifyReply, { file, policy, cacheControl }: SentFile): FastifyReply => {
  if (policy) reply.header('Content-Security-Policy', policy);
  return reply.header('Cache-Control', cacheControl).sendFile(file);
};

/** Sends the page for addresses that lead nowhere. */
function lostPage(client: string, page: SentFile | undefined): (reply: FastifyReply) => FastifyReply {
  const html = page ? readFileSync(join(client, page.file)) : Buffer.from('There is no such page.');
  const headers = {
    'Content-Type': 'text/html; charset=utf-8',
    'Cache-Control': 'no-cache',
    ...(page?.policy && { 'Content-Security-Policy': page.policy }),
  };
  return (reply) => reply.code(404).headers(headers).send(html);
}

const logLine = (request: FastifyRequest, reply: FastifyReply): void => {
  request.log.info({
    method: request.method,
    // Without its query: a question may hold what somebody typed.
    path: pathOf(request.originalUrl),
    status: reply.raw.statusCode,
    ms: Math.round(reply.elapsedTime),
    from: request.ip,
  });
};

/** The HTTP server: built files first, the calls by Astro, one refusal shape, one line of log and the same headers for all. */
export async function createApp(parts: AppParts): Promise<FastifyInstance> {
  const {
    client,
    handler,
    work,
    demo,
    certificate,
    log,
    maxEventLoopDelay = 1000,
    connections = WIRE.connections,
  } = parts;
  const files = builtFiles(client);
  const lost = lostPage(client, files.get('/404.html'));
  const app = Fastify({
    logger: log && { base: null },
    logController: new LogController({ disableRequestLogging: true }),
    forceCloseConnections: 'idle',
    routerOptions: { maxParamLength: 5000 },
    rewriteUrl: ({ url }) => tidied(url ?? '/'),
    // An address that cannot be decoded is one that leads nowhere.
    frameworkErrors: (_error, request, reply) => {
      if (isCall(request.url))
        refuse(reply as unknown as FastifyReply, refusal(400, 'bad-address', 'The address cannot be read.'));
      else lost(reply as unknown as FastifyReply);
    },
    // Answered by the server below, in the shape of every refusal.
    clientErrorHandler: () => undefined,
    serverFactory: (answer) => {
      const { headersTimeout, requestTimeout, keepAliveTimeout, connectionsCheckingInterval } = WIRE;
      const options = {
        headersTimeout,
        requestTimeout,
        keepAliveTimeout,
        connectionsCheckingInterval,
        // Refused below, with our headers.
        requireHostHeader: false,
      };
      const guarded = (request: IncomingMessage, response: ServerResponse): void => {
        if (crowd.isTold(request.socket)) return;
        heard.note(request);
        if (request.httpVersion === '1.1' && request.headers.host === undefined) refuseBare(request, response, NO_HOST);
        else if (pathOf(request.url ?? '') === HEALTH) secure(request, response, () => answer(request, response));
        else turns(() => secure(request, response, () => answer(request, response)));
      };
      const turns = inTurns();
      const heard = listening();
      const server = certificate
        ? createSecureServer({ ...options, key: certificate.key, cert: certificate.cert }, guarded)
        : createServer(options, guarded);
      const crowd = tellTheRest(server, connections);
      server.maxConnections = Math.max(WIRE.mostConnections, connections);
      server.on('checkExpectation', (request, response) => refuseBare(request, response, NO_EXPECTATION));
      server.setTimeout(WIRE.silence);
      server.on('clientError', (error, stream) => {
        const socket = stream as Socket;
        const refuse = (): void => refuseOnSocket(error, socket, crowd.wasAround(socket));
        if (isLate(error)) heard.elseRefuse(socket, refuse);
        else refuse();
      });
      return server;
    },
  });

  await app.register(underPressure, {
    maxEventLoopDelay,
    pressureHandler(request, reply) {
      const path = pathOf(request.url);
      if (!isCall(path) || path === HEALTH) return undefined;
      reply.code(TOO_BUSY.status).header('Retry-After', RETRY_AFTER);
      // What is returned is sent; the package's types do not say so.
      return refusalBody(TOO_BUSY) as unknown as undefined;
    },
  });
  await app.register(fastifyStatic, {
    root: client,
    serve: false,
    preCompressed: true,
    cacheControl: false,
    decorateReply: true,
  });

  app.addHook('onRequest', async (request, reply) => {
    const path = pathOf(request.url);
    const isWorkedOut = isCall(path) && !files.has(path);
    // What a call answers to, it says itself; TRACE would not even reach it.
    const isRead = request.method === 'GET' || request.method === 'HEAD';
    if (isWorkedOut ? request.method === 'TRACE' : !isRead) {
      const allowed = isWorkedOut ? 'GET, HEAD, POST' : 'GET, HEAD';
      const message = `${path} answers to ${allowed} alone, not to ${request.method}.`;
      return refuse(reply.header('Allow', allowed), refusal(405, 'other-method', message));
    }
    if (!isWorkedOut) return;
    // An address that could mean another is no call, whatever lies there.
    if (!isPlain(path))
      return refuse(reply, refusal(404, 'no-such-call', `There is no ${request.method} ${path}. ${CONTRACT_HINT}`));
    // Before the framework looks at what is sent: a call reads its own body, and knows how much of it to read.
    reply.hijack();
    await handler(request.raw, reply.raw, () => reply.raw.writeHead(404).end(), { work });
  });
  app.addHook('onResponse', async (request, reply) => logLine(request, reply));

  app.get(START_FILE, (_request, reply) => reply.header('Cache-Control', 'no-cache').send({ demo }));
  app.setErrorHandler((error, request, reply) => {
    // What the framework itself refuses: a range that is none, a length that is no number.
    if (((error as { statusCode?: number }).statusCode ?? 500) < 500)
      return refuse(reply, refusal(400, 'bad-request', 'The request cannot be read.'));
    request.log.error(error);
    return refuse(reply, refusal(500, 'fault', 'The server made a mistake. Nothing was changed.'));
  });
  app.setNotFoundHandler((request, reply) => {
    const file = files.get(pathOf(request.url));
    if (file) return sendFile(reply, file);
    return lost(reply);
  });
  return app;
}

/** Where the built pages lie beside the built server. */
export const clientFolder = (server: string): string => join(server, '..', 'client');
