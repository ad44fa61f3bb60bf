import type { Test } from '../kit/model.ts';
import { orderOfDates } from '../units/date.ts';

/** A take with its place in the log. */
export interface Placed {
  readonly test: Pick<Test, 'date'>;
  readonly at: number;
}

/**
 * Whether one take is known to have come after another: by their dates, and within one day by their place in the log, which
 * is entered as it happens. False where one of them has no date: nobody knows then, and what failed is not taken for over.
 */
export function cameAfter(one: Placed, other: Placed): boolean {
  const order = orderOfDates(one.test.date, other.test.date);
  return order === 'after' || (order === 'same-day' && one.at > other.at);
}
