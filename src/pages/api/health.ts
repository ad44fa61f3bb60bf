import { health } from '../../server/calls/health.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const GET = endpoint(health);

export const HEAD = endpoint(health);

export const ALL = onlyBy(health.method);
