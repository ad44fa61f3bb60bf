import type { APIRoute } from 'astro';
import { kitJsonSchema } from '../../kit/jsonSchema.ts';
import { json } from '../../server/json.ts';

export const GET: APIRoute = () => json(kitJsonSchema());

export { noSuchCall as ALL } from '../../server/json.ts';
