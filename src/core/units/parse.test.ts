import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseCapacity, parseDuration, parseRate } from './parse.ts';

const rateOf = (text: string): number | string => {
  const read = parseRate(text);
  return read.ok ? read.value.value : read.error.code;
};

describe('parseRate', () => {
  it.each([
    ['500 Mb/s', 62_500_000],
    ['500Mbps', 62_500_000],
    ['500 Mbit/s', 62_500_000],
    ['500 Mbits/s', 62_500_000],
    ['500 Mbit', 62_500_000],
    ['1.2 Gbit', 150_000_000],
    ['500 megabits', 62_500_000],
    ['75 Mo/s', 75_000_000],
    ['1,5 GB/Min.', 25_000_000],
    ['5 GB/minute', 83_333_334],
    ['600 Mbit/second', 75_000_000],
    ['2 gibibytes per hour', 596_524],
    ['62.5 MB/s', 62_500_000],
    ['62.5MBps', 62_500_000],
    ['1.536 Mb/s', 192_000],
    ['1.275 GB/min', 21_250_000],
    ['36 GB/h', 10_000_000],
    ['1 MiB/s', 1_048_576],
    ['1 GiB/s', 1_073_741_824],
    ['2 kB/s', 2000],
    ['8 kb/s', 1000],
    ['1 Gb/s', 125_000_000],
    ['1 TB/s', 1e12],
  ])('reads %s', (text, expected) => {
    expect(rateOf(text)).toBe(expected);
  });

  it('reads 100 mbps as megabits and marks the reading as loose', () => {
    expect(parseRate('100 mbps')).toEqual({ ok: true, value: { value: 12_500_000, written: 'bits', loose: true } });
    expect(parseRate('100 Mbps')).toMatchObject({ value: { loose: false } });
  });

  it.each([
    '100 m',
    '100 M',
    '100 Mb',
    '100 mb',
    '100 MB',
    '100 MBPS',
    '100 Mo',
    '100 Mbytes',
    '100 megs',
    '100 megs a second',
    '100 meg/s',
  ])('asks bits or bytes for %s and never guesses', (text) => {
    expect(parseRate(text)).toMatchObject({
      ok: false,
      error: { code: 'bits-or-bytes', couldBe: ['100 Mb/s', '100 MB/s'] },
    });
  });

  it.each([
    ['100', 'no-unit'],
    ['Mb/s', 'no-number'],
    ['', 'no-number'],
    ['100 parsecs', 'unknown-unit'],
    ['0 Mb/s', 'out-of-range'],
    ['-5 Mb/s', 'out-of-range'],
    ['NaN Mb/s', 'not-finite'],
    ['Infinity Mb/s', 'not-finite'],
    ['1.01 TB/s', 'out-of-range'],
    ['1e400 Mb/s', 'not-finite'],
  ])('refuses %s as %s', (text, code) => {
    expect(rateOf(text)).toBe(code);
  });

  it('gives back what was written, for every whole Mb/s and MB/s', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8_000_000 }), (n) => {
        expect(rateOf(`${n} Mb/s`)).toBe(n * 125_000);
        if (n <= 1_000_000) expect(rateOf(`${n} MB/s`)).toBe(n * 1_000_000);
      }),
      { seed: 11, numRuns: 300 },
    );
  });
});

describe('parseCapacity', () => {
  it.each([
    ['256GB', 256e9],
    ['256 gb', 256e9],
    ['1TB', 1e12],
    ['1 TiB', 1_099_511_627_776],
    ['238.4 GiB', Math.floor(238.4 * 1024 ** 3)],
  ])('reads %s', (text, expected) => {
    const read = parseCapacity(text);
    expect(read.ok && read.value.value).toBe(expected);
  });

  it('marks a small b as a loose spelling', () => {
    expect(parseCapacity('256gb')).toMatchObject({ value: { loose: true } });
    expect(parseCapacity('256GB')).toMatchObject({ value: { loose: false } });
  });

  it.each([
    ['256', 'no-unit'],
    ['256 XB', 'unknown-unit'],
    ['0 GB', 'out-of-range'],
    ['-1 GB', 'out-of-range'],
    ['2000 TB', 'out-of-range'],
    ['NaN GB', 'not-finite'],
  ])('refuses %s as %s', (text, code) => {
    expect(parseCapacity(text)).toMatchObject({ ok: false, error: { code } });
  });
});

describe('parseDuration', () => {
  it.each([
    ['90 min', 5400],
    ['2h', 7200],
    ['2 hours', 7200],
    ['2h30', 9000],
    ['1h 30m', 5400],
    ['1.5 h', 5400],
    ['45 s', 45],
    ['3 min 50 s', 230],
    ['1:30', 5400],
  ])('reads %s', (text, expected) => {
    const read = parseDuration(text);
    expect(read.ok && read.value.value).toBe(expected);
  });

  it('shows how 1:30 was read, since it could be minutes and seconds', () => {
    expect(parseDuration('1:30')).toMatchObject({ value: { loose: true } });
  });

  it.each([
    ['100 m', 'unknown-unit'],
    ['100', 'no-unit'],
    ['0 min', 'out-of-range'],
    ['-3 h', 'out-of-range'],
    ['soon', 'no-number'],
  ])('refuses %s as %s', (text, code) => {
    expect(parseDuration(text)).toMatchObject({ ok: false, error: { code } });
  });
});
