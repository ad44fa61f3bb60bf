import type { Test } from '../kit/model.ts';
import { orderOfDates } from '../units/date.ts';

/** A take with its place in the log. */
export interface Placed {
  readonly test: Pick<Test, 'date'>;
  readonly at: number;
}

/**
 * Whether one take is known to have come after another: by their dates; within one day, and where neither has a date, by
 * their place in the log, which is entered as it happens. False where only one of them has a date: nobody knows then, and
 * what failed is not taken for over.
 */
export function cameAfter(one: Placed, other: Placed): boolean {
  const order = orderOfDates(one.test.date, other.test.date);
  const isByPlace = order === 'same-day' || (one.test.date === null && other.test.date === null);
  return order === 'after' || (isByPlace && one.at > other.at);
}
