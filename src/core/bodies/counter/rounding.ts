import type { CounterRounding } from '../../kit/model.ts';

/** What is taken for granted where nobody told: a counter that shows whole minutes drops the rest. Common practice, no source [A]. */
export const ASSUMED_ROUNDING: CounterRounding = 'down';

/** How far below the minutes it shows a counter may truly stand, and how far above, minutes. */
const REACH: Readonly<Record<CounterRounding, readonly [number, number]>> = {
  down: [0, 1],
  nearest: [-0.5, 0.5],
  up: [-1, 0],
};

/**
 * What a counter that shows some minutes may truly have left.
 *
 * @param shown - whole minutes, 0 or more
 * @returns minutes, least and most; least is 0 where it would be less
 */
export function minutesLeft(shown: number, rounding: CounterRounding): { readonly low: number; readonly high: number } {
  const [below, above] = REACH[rounding];
  return { low: Math.max(0, shown + below), high: shown + above };
}
