import { label } from '../../server/calls/label.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(label);

export const ALL = onlyBy(label.method);
