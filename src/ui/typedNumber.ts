import type { Result } from '../core/result.ts';
import { type DecimalSign, type NumberRefusal, readNumber } from '../core/units/number.ts';

let sign: DecimalSign | null = null;

/** The sign that the person's language puts before the parts of a whole. */
export function decimalSign(): DecimalSign {
  if (sign) return sign;
  // On the server nothing is typed yet.
  if (typeof navigator === 'undefined') return 'point';
  const parts = new Intl.NumberFormat(navigator.language).formatToParts(1.5);
  sign = parts.find(({ type }) => type === 'decimal')?.value === ',' ? 'comma' : 'point';
  return sign;
}

interface Range {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
}

/** A number typed by this person. Where two readings are possible and only one lies in the range, it is that one. */
export function typedNumber(
  text: string,
  { min = -Infinity, max = Infinity }: Range = {},
): Result<number, NumberRefusal> {
  const read = readNumber(text, decimalSign());
  if (read.ok || read.error.code !== 'open-number') return read;
  const [only, other] = read.error.couldBe.filter((one) => one >= min && one <= max);
  return only !== undefined && other === undefined ? { ok: true, value: only } : read;
}
