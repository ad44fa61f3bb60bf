import { err, ok, type Result } from '../result.ts';
import type { Bytes, BytesPerSecond, PerMille, Seconds } from './brand.ts';

/** Why a number was refused as an amount: which limit it broke. */
export type AmountRefusal =
  | { readonly code: 'not-finite'; readonly value: number }
  | {
      readonly code: 'out-of-range';
      readonly value: number;
      readonly min: number;
      readonly max: number;
    };

/** Fastest stream or card the program will believe: 1 TB/s, far above any bus in the tables. */
const MAX_RATE = 1e12;
/** Largest capacity the program will believe: 1 PB, above the 128 TB of the largest capacity family. */
const MAX_CAPACITY = 1e15;

/**
 * Smallest whole number of at least `value`, forgiving the dust that decimal arithmetic leaves (1.536 × 125 000
 * must be 192 000, not 192 001).
 *
 * @param value - finite, ≥ 0
 */
export function wholeUp(value: number): number {
  return Number.isInteger(value) ? value : Math.ceil(value - Math.max(1e-6, value * 4e-15));
}

function inRange(value: number, min: number, max: number): Result<number, AmountRefusal> {
  if (!Number.isFinite(value)) return err({ code: 'not-finite', value });
  if (value < min || value > max) return err({ code: 'out-of-range', value, min, max });
  return ok(value);
}

/**
 * A rate in bytes per second, rounded up to a whole byte: a need is never understated.
 *
 * @param value - bytes per second; 1 to 10^12
 * @returns the rate; or `not-finite`, or `out-of-range`
 * @example rate(62_500_000) // => { ok: true, value: 62_500_000 }
 */
export function rate(value: number): Result<BytesPerSecond, AmountRefusal> {
  const checked = inRange(value, 1, MAX_RATE);
  return checked.ok ? ok(wholeUp(checked.value) as BytesPerSecond) : checked;
}

/**
 * A capacity in bytes, rounded down to a whole byte: room is never overstated.
 *
 * @param value - bytes; 1 to 10^15
 * @returns the capacity; or `not-finite`, or `out-of-range`
 */
export function capacity(value: number): Result<Bytes, AmountRefusal> {
  const checked = inRange(value, 1, MAX_CAPACITY);
  return checked.ok ? ok(Math.floor(checked.value + 1e-3) as Bytes) : checked;
}

/**
 * A length of time in seconds.
 *
 * @param value - seconds; above 0, at most 10 years
 * @returns the time; or `not-finite`, or `out-of-range`
 */
export function duration(value: number): Result<Seconds, AmountRefusal> {
  const checked = inRange(value, 1e-3, 315_576_000);
  return checked.ok ? ok(checked.value as Seconds) : checked;
}

/**
 * Headroom as whole thousandths.
 *
 * @param fraction - 0 to 1 (0.15 is 15 %)
 * @returns thousandths; or `not-finite`, or `out-of-range`
 * @example headroom(0.15) // => { ok: true, value: 150 }
 */
export function headroom(fraction: number): Result<PerMille, AmountRefusal> {
  const checked = inRange(fraction, 0, 1);
  return checked.ok ? ok(Math.round(checked.value * 1000) as PerMille) : checked;
}

/**
 * Whether a floor covers a need with headroom; inclusive and exact, in whole numbers throughout.
 *
 * @param floor - bytes per second, whole, to 10^12
 * @param need - bytes per second, whole, to 10^12
 * @param margin - thousandths, 0 to 1000
 * @example covers(115, 100, 150) // => true
 */
export function covers(floor: BytesPerSecond, need: BytesPerSecond, margin: PerMille): boolean {
  return floor * 1000 >= need * (1000 + margin);
}

/**
 * Whole times a divisor goes into a whole dividend, exact where floating-point division might round up.
 *
 * @param dividend - whole, 0 to 2^53 − 1
 * @param divisor - whole, ≥ 1
 */
export function wholeQuotient(dividend: number, divisor: number): number {
  const quotient = Math.floor(dividend / divisor);
  return quotient * divisor > dividend ? quotient - 1 : quotient;
}
