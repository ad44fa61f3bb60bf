import { describe, expect, it } from 'vitest';
import { rateTrace } from './rateTrace.ts';

describe('a demand trace', () => {
  it.each([
    ['one number a line', '80\n120\n60\n', [80, 120, 60]],
    ['a heading and the last column of a table', 'second,MB/s\n0,80\n1,120\n', [80, 120]],
    ['semicolons, a byte-order mark and blank lines', '\ufeff0;80.5\r\n\r\n1;0\r\n', [80.5, 0]],
  ])('reads %s', (_, text, rates) => {
    expect(rateTrace(text)).toEqual({ ok: true, value: rates });
  });

  it.each([
    ['', { code: 'empty' }],
    ['MB/s\n', { code: 'empty' }],
    ['80\nfast\n', { code: 'not-a-rate', line: 2, text: 'fast' }],
    ['80\n-1\n', { code: 'not-a-rate', line: 2, text: '-1' }],
    ['80\nNaN\n', { code: 'not-a-rate', line: 2, text: 'NaN' }],
    ['1e9\n', { code: 'not-a-rate', line: 1, text: '1e9' }],
  ])('refuses %j with its place', (text, error) => {
    expect(rateTrace(text)).toEqual({ ok: false, error });
  });

  it('refuses more than six hours', () => {
    expect(rateTrace('1\n'.repeat(21_601))).toMatchObject({ ok: false, error: { code: 'too-long', max: 21_600 } });
  });
});
