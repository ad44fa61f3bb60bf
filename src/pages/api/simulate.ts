import { simulate } from '../../server/calls/simulate.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(simulate);

export const ALL = onlyBy(simulate.method);
