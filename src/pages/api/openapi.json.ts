import type { APIRoute } from 'astro';
import { version } from '../../../package.json';
import { json, onlyBy } from '../../server/json.ts';
import { openApi } from '../../server/openapi.ts';

export const GET: APIRoute = () => json(openApi(version));

export const ALL = onlyBy('GET');
