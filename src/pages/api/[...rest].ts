export { noSuchCall as ALL } from '../../server/json.ts';
