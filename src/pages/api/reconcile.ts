import { reconcile } from '../../server/calls/reconcile.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(reconcile);

export const ALL = onlyBy(reconcile.method);
