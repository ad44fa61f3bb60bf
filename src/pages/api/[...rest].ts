import type { APIRoute } from 'astro';
import { refuse } from '../../server/json.ts';

export const ALL: APIRoute = ({ url }) =>
  refuse({
    status: 404,
    code: 'no-such-call',
    message: `There is no ${url.pathname} for this method. See /api/openapi.json.`,
    details: [],
  });
