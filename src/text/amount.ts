import type { AmountRefusal } from '../core/units/amount.ts';
import type { ParseRefusal } from '../core/units/parse.ts';
import { either, plain } from './quantity.ts';

const big = (value: number): string =>
  Math.abs(value) >= 1e6 ? value.toExponential(0).replace('+', '') : plain(value, 3);

/** Why a number was refused, with the limits. `what` names it: "The rate". */
export function amountText(what: string, refusal: AmountRefusal, unit = ''): string {
  if (refusal.code === 'not-finite') return `${what} must be a number. Enter digits.`;
  const limits = `${big(refusal.min)} to ${big(refusal.max)}${unit ? ` ${unit}` : ''}`;
  if (refusal.value <= 0) return `${what} must be above zero. Range: ${limits}.`;
  return refusal.value > refusal.max
    ? `${what} is too large: enter ${limits}, or check the unit.`
    : `${what} is too small (${limits}). Check the unit.`;
}

/** A number that may be either of two, a thousand times apart. */
export const openNumberText = (text: string, couldBe: readonly (string | number)[]): string =>
  `“${text}” may be ${either(couldBe.map(String))}. Which?`;

const UNITS = { rate: 'B/s', capacity: 'B', time: 's' } as const;

/** Why a typed quantity could not be read, and what it could have been. */
export function parseText(kind: 'rate' | 'capacity' | 'time', refusal: ParseRefusal): string {
  switch (refusal.code) {
    case 'no-number':
      return 'Start with a number.';
    case 'no-unit':
      return `Add the unit: ${either(refusal.couldBe)}.`;
    case 'bits-or-bytes':
      return `Bits or bytes? ${either(refusal.couldBe)}: eight times apart.`;
    case 'open-number':
      return openNumberText(refusal.text.trim(), refusal.couldBe);
    case 'unknown-unit':
      return `Unit not known. Write ${either(refusal.couldBe)}.`;
    default:
      return amountText(`The ${kind}`, refusal, UNITS[kind]);
  }
}
