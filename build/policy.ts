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
 * its hash; style attributes are needed by components that were rendered at build time.
 */
const policy = (html: string): string =>
  [
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
  ].join('; ');

/** The page with its policy in it: it holds on any static host, and offline. */
export const withPolicy = (html: string): string =>
  html.replace(
    /<meta charset="utf-8"[^>]*>/i,
    (charset) => `${charset}<meta http-equiv="content-security-policy" content="${policy(html)}">`,
  );
