export const prerender = false;

export { noSuchCall as ALL } from '../../server/endpoint.ts';
