import type { APIRoute } from 'astro';
import { indexText } from '../app/guide/search.ts';
import { passages } from '../text/guide/passages.ts';

export const prerender = true;

/** The index of the guide: made once, when the app is built. */
export const GET: APIRoute = () =>
  new Response(indexText(passages()), { headers: { 'Content-Type': 'application/json' } });
