import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readNumber } from './number.ts';

const read = (text: string, decimal?: 'point' | 'comma') => {
  const found = readNumber(text, decimal);
  return found.ok ? found.value : found.error.code;
};

describe('a typed number', () => {
  it.each([
    ['1200', 1200],
    [' 12.5 ', 12.5],
    ['12,5', 12.5],
    ['.5', 0.5],
    [',5', 0.5],
    ['1 200', 1200],
    ['1’200', 1200],
    ["1'200.5", 1200.5],
    ['1_000_000', 1_000_000],
    ['1,200.5', 1200.5],
    ['1.000,5', 1000.5],
    ['1,200,000', 1_200_000],
    ['1.200.000', 1_200_000],
    ['1e3', 1000],
    ['1,5e3', 1500],
    ['-4', -4],
    ['−4', -4],
    ['23.976', 23.976],
    ['0,125', 0.125],
    ['1234,567', 1234.567],
    ['1e400', Number.POSITIVE_INFINITY],
  ])('%s is %d', (text, value) => {
    expect(read(text)).toBe(value);
  });

  it.each([
    '',
    'abc',
    '1,2,3',
    '1.2.3,4',
    '1,2,3.4',
    '12,34.5',
    '1..5',
    '1,,5',
    '--1',
    '5 MB',
    'NaN',
    '0x10',
    '1,200,00',
  ])('%j is none', (text) => {
    expect(read(text)).toBe('no-number');
  });

  it('is asked about where it may be a thousand times what it may also be', () => {
    expect(readNumber('1,234')).toEqual({
      ok: false,
      error: { code: 'open-number', text: '1,234', couldBe: [1234, 1.234] },
    });
    expect(read('1.234', 'comma')).toBe('open-number');
    expect(read('1,234', 'comma'), 'the sign of the language').toBe(1.234);
    expect(read('1.234', 'point')).toBe(1.234);
  });

  it('as any language of the browser writes it is read as it was meant, or asked about', () => {
    const locales = ['en-GB', 'de-DE', 'fr-FR', 'de-CH', 'pt-BR', 'sv-SE', 'hi-IN'] as const;
    let taken = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...locales),
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.integer({ min: 0, max: 4 }),
        (locale, whole, digits) => {
          const value = whole / 10 ** digits;
          const text = new Intl.NumberFormat(locale, { maximumFractionDigits: digits }).format(value);
          const parts = new Intl.NumberFormat(locale).formatToParts(1.5).find(({ type }) => type === 'decimal');
          const found = readNumber(text, parts?.value === ',' ? 'comma' : 'point');
          // Lakhs and crores are grouped by two, which is no number here: refused, not misread.
          if (!found.ok) return;
          taken += 1;
          expect(found.value).toBe(value);
        },
      ),
      { seed: 91, numRuns: 2000 },
    );
    expect(taken, 'numbers that were read').toBeGreaterThan(1200);
  });
});
