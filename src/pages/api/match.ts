import { match } from '../../server/calls/match.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(match);

export const ALL = onlyBy(match.method);
