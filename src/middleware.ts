import { createHash } from 'node:crypto';
import { defineMiddleware } from 'astro:middleware';

const INLINE_SCRIPT = /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g;

const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

/**
 * The policy of a page. Inline scripts (the framework's island starter) are allowed by their hash, so that a cached
 * page keeps working; style attributes are needed by server-rendered components, style elements are not allowed.
 */
function policy(html: string): string {
  const hashes = [...html.matchAll(INLINE_SCRIPT)].map((match) => hash(match[1] ?? ''));
  return [
    "default-src 'none'",
    `script-src 'self' ${[...new Set(hashes)].join(' ')}`.trim(),
    "style-src 'self'",
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'X-Frame-Options': 'DENY',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
  'Permissions-Policy': 'camera=(), geolocation=(), microphone=(), payment=()',
} as const;

export const onRequest = defineMiddleware(async (_context, next) => {
  const response = await next();
  const headers = new Headers(response.headers);
  for (const [name, value] of Object.entries(HEADERS)) headers.set(name, value);
  if (!headers.get('content-type')?.includes('text/html')) {
    headers.set('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
    return new Response(response.body, { status: response.status, headers });
  }
  const html = await response.text();
  headers.set('Content-Security-Policy', import.meta.env.DEV ? 'default-src * \'unsafe-inline\' \'unsafe-eval\' data: blob:' : policy(html));
  return new Response(html, { status: response.status, headers });
});
