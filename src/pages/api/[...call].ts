export const prerender = false;

export { everyCall as ALL } from '../../server/endpoint.ts';
