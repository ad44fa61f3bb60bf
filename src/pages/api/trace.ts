import { trace } from '../../server/calls/trace.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(trace);

export const ALL = onlyBy(trace.method);
