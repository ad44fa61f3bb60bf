/** What forms of a test ask the core: whether its numbers can be true, and the rate it is of. */
export { readTest } from '../../core/match/testReading.ts';
export { toMegabytes } from '../../core/units/convert.ts';
