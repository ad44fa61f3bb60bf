import { wear } from '../../server/calls/wear.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(wear);

export const ALL = onlyBy(wear.method);
