/** What separates whole from parts in a column of numbers. `open`: only `1,200` and its like, which may be either. */
export type Decimal = 'point' | 'comma';
export type DecimalSeen = Decimal | 'open' | 'mixed' | 'none';

/** The first run of digits and separators of a cell; blanks and apostrophes between digits only group them. */
export function numberIn(text: string): string | null {
  const found = /\d[\d.,]*(?:[\s'’\u00a0\u202f]\d{3}(?!\d)[\d.,]*)*/.exec(text)?.[0];
  return found === undefined ? null : found.replace(/[\s'’\u00a0\u202f]/g, '').replace(/[.,]+$/, '');
}

/** What one number tells of its separators. */
function told(number: string): Decimal | 'open' | 'none' {
  const points = number.split('.').length - 1;
  const commas = number.split(',').length - 1;
  if (points === 0 && commas === 0) return 'none';
  if (points > 0 && commas > 0) return number.lastIndexOf('.') > number.lastIndexOf(',') ? 'point' : 'comma';
  const [own, other] = points > 0 ? (['point', 'comma'] as const) : (['comma', 'point'] as const);
  // Twice the same separator only groups: 1,200,000.
  if (points > 1 || commas > 1) return other;
  const [whole = '', part = ''] = number.split(/[.,]/);
  return part.length === 3 && /^[1-9]\d{0,2}$/.test(whole) ? 'open' : own;
}

/**
 * What a whole column shows of its decimal sign.
 *
 * @example decimalOf(['1,200', '12,5']) // => 'comma'
 * @example decimalOf(['1,200', '800']) // => 'open'
 */
export function decimalOf(cells: readonly string[]): DecimalSeen {
  const seen = new Set(
    cells.flatMap((text) => {
      const number = numberIn(text);
      return number === null ? [] : [told(number)];
    }),
  );
  if (seen.has('point') && seen.has('comma')) return 'mixed';
  if (seen.has('point')) return 'point';
  if (seen.has('comma')) return 'comma';
  return seen.has('open') ? 'open' : 'none';
}

/** The number of a cell by its column's decimal sign; NaN where there is none. */
export function readNumber(text: string, decimal: Decimal): number {
  const number = numberIn(text);
  // Nothing here is ever below zero: a sign before the number is a slip to be told.
  if (number === null || /[-−]\s*[\d.,]/.test(text)) return Number.NaN;
  const grouped = decimal === 'point' ? number.replaceAll(',', '') : number.replaceAll('.', '').replace(',', '.');
  return Number(grouped);
}
