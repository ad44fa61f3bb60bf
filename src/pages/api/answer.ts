import { answer } from '../../server/calls/answer.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const GET = endpoint(answer);

export const HEAD = endpoint(answer);

export const ALL = onlyBy(answer.method);
