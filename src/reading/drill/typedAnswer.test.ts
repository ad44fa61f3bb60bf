import { describe, expect, it } from 'vitest';
import { readAnswer } from './typedAnswer.ts';

describe('a typed answer', () => {
  it.each([
    ['50', 'MB/s', 50],
    ['50 MB/s', 'MB/s', 50],
    ['400 Mb/s', 'MB/s', 50],
    ['400 Mbps', 'MB/s', 50],
    ['50 MB/s', 'Mb/s', 400],
    ['0.05 GB/s', 'MB/s', 50],
    ['12,5', 'MB/s', 12.5],
    [' 1 200 ', 'Mb/s', 1200],
    ['1,200.5', 'Mb/s', 1200.5],
    ['~85', 'min', 85],
    ['about 85', 'min', 85],
    ['85 min', 'min', 85],
    ['1h25', 'min', 85],
    ['1:25', 'min', 85],
    ['5100 s', 'min', 85],
    ['1.275 GB', 'GB', 1.275],
    ['1275 MB', 'GB', 1.275],
    ['1.2 TB', 'GB', 1200],
  ] as const)('%s, asked in %s, is %s', (text, unit, value) => {
    const read = readAnswer(text, unit);
    expect(read.ok && read.value).toBeCloseTo(value, 9);
  });

  it.each([
    ['', { code: 'empty' }],
    ['   ', { code: 'empty' }],
    ['~', { code: 'empty' }],
    ['fifty', { code: 'no-answer', text: 'fifty' }],
    ['400 m', { code: 'no-answer', text: '400 m' }],
    ['50 minutes', { code: 'no-answer', text: '50 minutes' }],
    ['NaN', { code: 'no-answer', text: 'NaN' }],
    ['Infinity', { code: 'no-answer', text: 'Infinity' }],
    ['1e999', { code: 'no-answer', text: '1e999' }],
    ['-50', { code: 'not-positive' }],
    ['0', { code: 'not-positive' }],
    ['1,200', { code: 'open', couldBe: [1200, 1.2] }],
  ] as const)('%j is asked about and judged by nothing', (text, error) => {
    expect(readAnswer(text, 'MB/s')).toEqual({ ok: false, error });
  });

  it('is read by the sign of the person’s language', () => {
    expect(readAnswer('1,200', 'Mb/s', 'comma')).toEqual({ ok: true, value: 1.2 });
    expect(readAnswer('1.200', 'Mb/s', 'comma')).toMatchObject({ ok: false, error: { code: 'open' } });
  });
});
