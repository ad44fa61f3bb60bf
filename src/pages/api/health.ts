import type { APIRoute } from 'astro';
import { version } from '../../../package.json';
import { json, onlyBy } from '../../server/json.ts';

export const GET: APIRoute = () => json({ ok: true, version });

export const ALL = onlyBy('GET');
