import type { IncomingMessage, ServerResponse } from 'node:http';
import helmet from 'helmet';

/** Of everything that is no page: scripts and workers (the solver is WebAssembly), the service worker, answers of calls. */
const REST_POLICY = {
  'default-src': ["'none'"],
  'script-src': ["'self'", "'wasm-unsafe-eval'"],
  'connect-src': ["'self'"],
  'worker-src': ["'self'"],
  'base-uri': ["'none'"],
  'form-action': ["'none'"],
  'frame-ancestors': ["'none'"],
};

const PERMISSIONS = 'camera=(self), geolocation=(), microphone=(), payment=(), usb=()';

const guard = helmet({
  contentSecurityPolicy: { useDefaults: false, directives: REST_POLICY },
  // A phone that opens a crew laptop does so over plain HTTP, or with a certificate made on the spot: promising HTTPS for
  // a year would lock it out.
  strictTransportSecurity: false,
  xFrameOptions: { action: 'deny' },
});

/** The security headers of every answer, set before anything else looks at the request. */
export function secure(request: IncomingMessage, response: ServerResponse, next: () => void): void {
  response.setHeader('Permissions-Policy', PERMISSIONS);
  guard(request, response, next);
}

/** What `secure` sets, for answers that are written to a bare socket. */
export function securityHeaders(): Readonly<Record<string, string>> {
  const set: Record<string, string> = {};
  const response = {
    setHeader: (name: string, value: string) => {
      set[name] = value;
    },
    removeHeader: () => {},
  } as unknown as ServerResponse;
  secure({} as IncomingMessage, response, () => {});
  return set;
}
