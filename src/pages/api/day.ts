import { day } from '../../server/calls/day.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(day);

export const ALL = onlyBy(day.method);
