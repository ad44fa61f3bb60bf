import fc from 'fast-check';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { isIsoDate, orderOfDates, readDate } from './date.ts';

const day = fc
  .record({
    year: fc.integer({ min: 1900, max: 2199 }),
    month: fc.integer({ min: 0, max: 13 }),
    day: fc.integer({ min: 0, max: 32 }),
  })
  .map(({ year, month, day: of }) => `${year}-${String(month).padStart(2, '0')}-${String(of).padStart(2, '0')}`);

describe('a day', () => {
  // Reference: luxon, which asks the calendar of the engine.
  it('exists where luxon has it, and not where it has none', () => {
    fc.assert(
      fc.property(day, (text) => {
        expect(isIsoDate(text)).toBe(DateTime.fromISO(text).isValid);
      }),
      { seed: 81, numRuns: 2000, examples: [['2028-02-29'], ['2100-02-29'], ['2000-02-29'], ['2027-02-29']] },
    );
  });

  it.each([
    ['2026-06-24', '2026-06-24'],
    ['2026-6-4', '2026-06-04'],
    ['2026/06/24', '2026-06-24'],
    ['20260624', '2026-06-24'],
    ['24.06.2026', '2026-06-24'],
    ['5.6.2026', '2026-06-05'],
    ['24/06/2026', '2026-06-24'],
    ['06/24/2026', '2026-06-24'],
    ['6/6/2026', '2026-06-06'],
    ['24 June 2026', '2026-06-24'],
    ['June 24, 2026', '2026-06-24'],
    ['24. Juni 2026', '2026-06-24'],
    ['3. März 2026', '2026-03-03'],
    ['24 juin 2026', '2026-06-24'],
    ['24 de junio de 2026', '2026-06-24'],
    ['2026-06-24 09:41', '2026-06-24T09:41'],
    ['2026-06-24T09:41:00+02:00', '2026-06-24T09:41:00+02:00'],
  ])('is read from %s', (text, expected) => {
    expect(readDate(text)).toEqual({ ok: true, value: expected });
  });

  it('that may be two is asked about with both', () => {
    expect(readDate('05/06/2026')).toEqual({
      ok: false,
      error: { code: 'open-date', text: '05/06/2026', couldBe: ['2026-06-05', '2026-05-06'] },
    });
  });

  it.each(['', 'yesterday', '24.06.26', '31.02.2026', '2026-02-30', '2026-13-01', '32/01/2026', '24 Foo 2026', '2026'])(
    'is none in “%s”',
    (text) => {
      expect(readDate(text)).toMatchObject({ ok: false, error: { code: 'no-date' } });
    },
  );
});

describe('the order of two', () => {
  it.each([
    ['2026-05-01', '2026-05-02', 'before'],
    ['2026-05-02', '2026-05-01T23:00', 'after'],
    ['2026-05-02', '2026-05-02', 'same-day'],
    ['2026-05-02', '2026-05-02T09:00', 'same-day'],
    ['2026-05-02T08:00', '2026-05-02T09:00', 'before'],
    ['2026-05-02T23:30-04:00', '2026-05-03T01:00+02:00', 'after'],
    ['2026-05-02T08:00Z', '2026-05-02T09:00', 'same-day'],
    [null, '2026-05-02', 'unknown'],
    ['24.06.2026', '10.05.2027', 'unknown'],
  ] as const)('%s against %s: %s', (a, b, order) => {
    expect(orderOfDates(a, b)).toBe(order);
    const back = { before: 'after', after: 'before', 'same-day': 'same-day', unknown: 'unknown' } as const;
    expect(orderOfDates(b, a)).toBe(back[order]);
  });
});
