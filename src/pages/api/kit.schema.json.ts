import type { APIRoute } from 'astro';
import { kitJsonSchema } from '../../kit/jsonSchema.ts';
import { json, onlyBy } from '../../server/json.ts';

export const GET: APIRoute = async () => json(await kitJsonSchema());

export const ALL = onlyBy('GET');
