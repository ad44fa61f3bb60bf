import type { Decimal } from '../../bodies/paste/numbers.ts';

/** A number by the file’s decimal sign; NaN where a text is none. The common form goes the short way. */
export function numberOf(text: string, decimal: Decimal | null): number {
  if (decimal !== 'comma') {
    const plain = Number(text);
    // A blank cell is no zero.
    if (plain !== 0 && !Number.isNaN(plain)) return plain;
    if (plain === 0) return text.trim() === '' ? Number.NaN : 0;
  }
  const trimmed = text
    .trim()
    .replace(/\s*(?:[a-zµ°%].*)$/i, '')
    .replace(/(?<=\d)[\s'’\u00a0\u202f](?=\d{3})/g, '');
  if (!/^[-+−]?[\d.,]*\d[\d.,]*(?:e[-+]?\d+)?$/i.test(trimmed)) return Number.NaN;
  const plain = decimal === 'comma' ? trimmed.replaceAll('.', '').replace(',', '.') : trimmed.replaceAll(',', '');
  return Number(plain.replace('−', '-'));
}
