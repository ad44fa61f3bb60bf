import { shop } from '../../server/calls/shop.ts';
import { endpoint, onlyBy } from '../../server/endpoint.ts';

export const prerender = false;

export const POST = endpoint(shop);

export const ALL = onlyBy(shop.method);
