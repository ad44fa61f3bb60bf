import type { APIRoute } from 'astro';
import { version } from '../../../package.json';
import { json } from '../../server/json.ts';
import { openApi } from '../../server/openapi.ts';

export const GET: APIRoute = () => json(openApi(version));

export { noSuchCall as ALL } from '../../server/json.ts';
