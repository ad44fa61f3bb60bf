import type { Decimal } from '../../bodies/paste/numbers.ts';
import { numberOf } from './numbers.ts';

/** Which of two numbers of a date is the day, where the year stands behind them. */
export type DateOrder = 'day-first' | 'month-first';

const CLOCK =
  /^(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(?:([ap])\.?\s?m\.?)?\s*(Z|UTC|GMT|[+-]\d{2}:?\d{2}(?::?\d{2})?)?$/i;
// 2026-06-12 with its year in front, or 12.06.2026 with it behind.
const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ,]+(.*))?$/i;
const YEAR_LAST = /^(\d{1,2})([-/.])(\d{1,2})\2(\d{4}|\d{2})(?:[T ,]+(.*))?$/i;

const DAY_SECONDS = 86_400;

/** Whether a text is a clock time, with a date or alone. */
export const isClock = (text: string): boolean =>
  text.includes(':') && !Number.isNaN(momentOf(text, null, 'day-first'));
/** Whether a text is a date and nothing else. */
export const isDate = (text: string): boolean =>
  /^(?:\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}[-/.]\d{1,2}[-/.]\d{4})$/.test(text);

/** Seconds of a clock alone: hours, minutes and seconds, or minutes and seconds where there are two numbers without a date. */
function clockSeconds(text: string, isDated: boolean): number {
  const found = CLOCK.exec(text);
  if (!found) return Number.NaN;
  const [, a = '0', b = '0', c, half, zone] = found;
  const parts = [Number(a), Number(b), Number((c ?? '0').replace(',', '.'))] as const;
  if (half !== undefined && (parts[0] < 1 || parts[0] > 12)) return Number.NaN;
  if (parts[1] > 59 || parts[2] >= 61) return Number.NaN;
  if (c === undefined && half === undefined && !isDated) return parts[0] * 60 + parts[1];
  const hours = half === undefined ? parts[0] : (parts[0] % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  return hours * 3600 + parts[1] * 60 + parts[2] - zoneSeconds(zone);
}

/** Seconds that a zone lies before Greenwich. */
function zoneSeconds(zone: string | undefined): number {
  const [, sign, hours = '0', minutes = '0'] = /^([+-])(\d{2}):?(\d{2})/.exec(zone ?? '') ?? [];
  return (sign === '-' ? -1 : 1) * (Number(hours) * 3600 + Number(minutes) * 60);
}

const daySeconds = (year: number, month: number, day: number): number => {
  const at = Date.UTC(year, month - 1, day);
  const made = new Date(at);
  return made.getUTCMonth() === month - 1 && made.getUTCDate() === day ? at / 1000 : Number.NaN;
};

/** The date in front of a moment, seconds, and what stands behind it; null where there is no date. */
function dated(text: string, order: DateOrder): { readonly seconds: number; readonly clock: string } | null {
  const first = YEAR_FIRST.exec(text);
  if (first) {
    const [, year, month, day, clock = '00:00:00'] = first;
    return { seconds: daySeconds(Number(year), Number(month), Number(day)), clock };
  }
  const last = YEAR_LAST.exec(text);
  if (!last) return null;
  const [, one, , two, year = '', clock = '00:00:00'] = last;
  const [day, month] = order === 'day-first' ? [one, two] : [two, one];
  return { seconds: daySeconds(Number(year) + (year.length === 2 ? 2000 : 0), Number(month), Number(day)), clock };
}

/**
 * A moment, seconds: a number as it is, a clock time, or a date with one, with its zone where it is told.
 *
 * @returns seconds from midnight, or since 1970 where there is a date; NaN where it is no moment
 */
export function momentOf(text: string, decimal: Decimal | null, order: DateOrder): number {
  // A million rows of plain numbers go the short way.
  const plain = decimal === 'comma' ? Number.NaN : Number(text);
  if (plain !== 0 && !Number.isNaN(plain)) return plain;
  if (!text.includes(':') && !/^\d{1,4}[-/.]\d{1,2}[-/.]\d/.test(text)) return numberOf(text, decimal);
  const trimmed = text.trim().replace(/^\[|\]$/g, '');
  const date = dated(trimmed, order);
  return date === null ? clockSeconds(trimmed, false) : date.seconds + clockSeconds(date.clock, true);
}

/** Whether a moment carries its date, so that it needs no midnight. */
export const isDated = (text: string): boolean => dated(text.trim().replace(/^\[|\]$/g, ''), 'day-first') !== null;

/**
 * Which number of these dates is the day. `either`: both fit and would lie differently far apart.
 *
 * @param moments - in the order of the file
 */
export function dateOrderOf(moments: readonly string[]): DateOrder | 'either' {
  const fits = (order: DateOrder): boolean => moments.every((one) => !Number.isNaN(momentOf(one, null, order)));
  const [asDay, asMonth] = [fits('day-first'), fits('month-first')];
  if (asDay !== asMonth) return asDay ? 'day-first' : 'month-first';
  const span = (order: DateOrder): number =>
    momentOf(moments.at(-1) ?? '', null, order) - momentOf(moments[0] ?? '', null, order);
  // Within one day, or over the end of one that only one of them has, it makes no difference.
  const [one, other] = [span('day-first'), span('month-first')];
  if (one === other || !asDay) return 'day-first';
  const isOneNight = (seconds: number): boolean => seconds >= 0 && seconds < 2 * DAY_SECONDS;
  if (isOneNight(one) !== isOneNight(other)) return isOneNight(one) ? 'day-first' : 'month-first';
  return 'either';
}
