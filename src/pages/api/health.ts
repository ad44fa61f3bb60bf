import type { APIRoute } from 'astro';
import { version } from '../../../package.json';
import { json } from '../../server/json.ts';

export const GET: APIRoute = () => json({ ok: true, version });

export { noSuchCall as ALL } from '../../server/json.ts';
