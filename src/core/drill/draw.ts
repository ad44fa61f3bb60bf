import type { Random } from '../heat/writepath/random.ts';

/** One of several, each as likely. */
export const pick = <T>(random: Random, values: readonly T[]): T => values[Math.floor(random() * values.length)] as T;

/** The same values in another order. */
export function shuffled<T>(random: Random, values: readonly T[]): readonly T[] {
  const rest = [...values];
  for (let at = rest.length - 1; at > 0; at -= 1) {
    const other = Math.floor(random() * (at + 1));
    [rest[at], rest[other]] = [rest[other] as T, rest[at] as T];
  }
  return rest;
}
