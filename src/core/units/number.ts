import { err, ok, type Result } from '../result.ts';

/** Which sign a person's language puts before the parts of a whole: `12.5` or `12,5`. */
export type DecimalSign = 'point' | 'comma';

/** Why a typed number was not read. */
export type NumberRefusal =
  | { readonly code: 'no-number'; readonly text: string }
  /** It may be a thousand times what it may also be: both readings, the larger first. */
  | { readonly code: 'open-number'; readonly text: string; readonly couldBe: readonly [number, number] };

const SPACES = /(\d)[\s'’_\u00a0\u202f](?=\d{3}(?!\d))/g;
const SHAPE = /^([+\-−]?)(\d[\d.,]*|[.,]\d+)(e[+-]?\d+)?$/i;

const numberOf = (sign: string, digits: string, exponent: string): number =>
  Number(`${sign === '-' || sign === '−' ? '-' : ''}${digits}${exponent}`);

/** Whether every group behind the first has three digits, as grouped thousands do. */
const isGrouped = (digits: string, sign: string): boolean => {
  const [first = '', ...rest] = digits.split(sign);
  return /^[1-9]\d{0,2}$/.test(first) && rest.length > 0 && rest.every((group) => /^\d{3}$/.test(group));
};

/** The digits with a point, or both readings of them; null where they are no number. */
function plainDigits(digits: string, decimal: DecimalSign): string | readonly [string, string] | null {
  const points = digits.split('.').length - 1;
  const commas = digits.split(',').length - 1;
  if (points === 0 && commas === 0) return digits;
  if (points > 0 && commas > 0) {
    const [group, part] = digits.lastIndexOf('.') > digits.lastIndexOf(',') ? [',', '.'] : ['.', ','];
    const at = digits.indexOf(part);
    const whole = digits.slice(0, at);
    if (digits.indexOf(part, at + 1) >= 0 || !isGrouped(whole, group)) return null;
    return `${whole.replaceAll(group, '')}.${digits.slice(at + 1)}`;
  }
  const sign = points > 0 ? '.' : ',';
  // Twice the same sign only groups: 1,200,000.
  if (points + commas > 1) return isGrouped(digits, sign) ? digits.replaceAll(sign, '') : null;
  const asPart = digits.replace(',', '.');
  const own = (sign === '.') === (decimal === 'point');
  return !own && isGrouped(digits, sign) ? [digits.replace(sign, ''), asPart] : asPart;
}

/**
 * A number as people write it: `1200`, `1 200`, `1,200.5`, `1.200,5`, `12,5`, `1e3`. The sign that the person's language
 * puts before parts is taken as that; the other one before exactly three digits may be either, and is asked about: a number
 * is never taken a thousandfold wrong in silence.
 *
 * @param decimal - the sign of the person's language; a point where nothing is known of it
 * @returns the number, any sign, possibly infinite by its exponent; or `no-number`, or `open-number` with both readings
 * @example readNumber('1.000,5') // => { ok: true, value: 1000.5 }
 * @example readNumber('1,234') // => { ok: false, error: { code: 'open-number', text: '1,234', couldBe: [1234, 1.234] } }
 */
export function readNumber(text: string, decimal: DecimalSign = 'point'): Result<number, NumberRefusal> {
  const match = SHAPE.exec(text.trim().replace(SPACES, '$1'));
  if (!match) return err({ code: 'no-number', text });
  const [, sign = '', digits = '', exponent = ''] = match;
  const plain = plainDigits(digits, decimal);
  if (plain === null) return err({ code: 'no-number', text });
  if (typeof plain === 'string') return ok(numberOf(sign, plain, exponent));
  const [whole, part] = plain;
  return err({
    code: 'open-number',
    text,
    couldBe: [numberOf(sign, whole, exponent), numberOf(sign, part, exponent)],
  });
}
