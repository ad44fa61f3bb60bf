/**
 * How many random cases a test draws. `npm test` draws as many as have always found what was planted; `npm run deep` draws the
 * large numbers, and is run once before a piece of work ends.
 */
export const IS_DEEP = process.env.DEEP === '1';

/** The number of cases for this run: the few of every day, or the many. */
export const runs = (few: number, many: number): number => (IS_DEEP ? many : few);
