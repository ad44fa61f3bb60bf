import { defineMiddleware } from 'astro:middleware';
import { createHash } from 'node:crypto';

const INLINE_SCRIPT = /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g;
const INLINE_STYLE = /<style[^>]*>([\s\S]*?)<\/style>/g;

const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

/** A style sheet that the chart library writes into the page for a legend we do not show; it takes no other way. */
const CHART_STYLE = "'sha256-aSysLrDECVdJ6L+jLf8CC5QKLmwRuk/OZiZk9mYky8A='";

/** One hash for each inline element of a kind, without repeats. */
const hashes = (html: string, pattern: RegExp): string =>
  [...new Set([...html.matchAll(pattern)].map((match) => hash(match[1] ?? '')))].join(' ');

/**
 * The policy of a page. What the framework puts inline (the starter of its islands and one rule for them) is allowed by
 * its hash, so that a cached page keeps working; style attributes are needed by server-rendered components.
 */
function policy(html: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' ${hashes(html, INLINE_SCRIPT)}`.trim(),
    `style-src 'self' ${CHART_STYLE} ${hashes(html, INLINE_STYLE)}`.trim(),
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
  // The development server injects scripts and styles of its own; the built app never runs without the policy.
  if (!import.meta.env.DEV) headers.set('Content-Security-Policy', policy(html));
  return new Response(html, { status: response.status, headers });
});
