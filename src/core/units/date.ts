import { err, ok, type Result } from '../result.ts';

/** A day, or a moment of it: 2027-05-10, 2027-05-10T09:41, with seconds and the zone where they are known [S: ISO 8601, from memory]. */
export const ISO_DATE =
  /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])(?:[T ](?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d(?:\.\d{1,9})?)?(?:Z|[+-]\d{2}:?\d{2})?)?$/;

const DAYS_IN = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** Days of a month by the calendar in force since 1582; 0 where there is no such month. */
function daysIn(year: number, month: number): number {
  const isLeap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
  return month === 2 && isLeap ? 29 : (DAYS_IN[month - 1] ?? 0);
}

/** Whether a text is a day that exists, or a moment of one, as the kit file writes them. */
export function isIsoDate(text: string): boolean {
  if (!ISO_DATE.test(text)) return false;
  const [year = 0, month = 0, day = 0] = text.slice(0, 10).split('-').map(Number);
  return day <= daysIn(year, month);
}

/** Why a text is no day: none at all, or one of two, both given. */
export type DateRefusal =
  | { readonly code: 'no-date'; readonly text: string }
  | { readonly code: 'open-date'; readonly text: string; readonly couldBe: readonly [string, string] };

/** The first letters by which the names of a month begin, English, German, French and Spanish. */
const MONTHS: readonly (readonly string[])[] = [
  ['jan', 'jän', 'ene'],
  ['feb', 'fév', 'fev'],
  ['mar', 'mär'],
  ['apr', 'avr', 'abr'],
  ['may', 'mai'],
  ['jun', 'juin'],
  ['jul', 'juil'],
  ['aug', 'août', 'aou', 'ago'],
  ['sep', 'set'],
  ['oct', 'okt'],
  ['nov'],
  ['dec', 'dez', 'déc', 'dic'],
];

const monthOf = (word: string): number =>
  MONTHS.findIndex((names) => names.some((name) => word.toLowerCase().startsWith(name))) + 1;

const iso = (year: string, month: string | number, day: string): string =>
  `${year}-${String(month).padStart(2, '0')}-${day.padStart(2, '0')}`;

const YEAR_FIRST = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})$/;
const TOGETHER = /^(\d{4})(\d{2})(\d{2})$/;
/** With dots the day stands first, wherever people write so. */
const DOTTED = /^(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})$/;
const SLASHED = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/;
const DAY_WORD = /^(\d{1,2})(?:st|nd|rd|th|\.)?\s+(?:de\s+)?(\p{L}+)\.?,?\s+(?:de\s+)?(\d{4})$/u;
const WORD_DAY = /^(\p{L}+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})$/u;

const checked = (text: string, day: string): Result<string, DateRefusal> =>
  isIsoDate(day) ? ok(day) : err({ code: 'no-date', text });

/**
 * A day as people write it: `2027-05-10`, `10.05.2027`, `24/05/2027`, `10 May 2027`, also with a time behind an ISO day.
 *
 * @returns the day as the kit file writes it; `open-date` with both where the first two numbers may be day or month;
 *   `no-date` where it is none, one that does not exist, or a year of two digits
 * @example readDate('24.06.2026') // => { ok: true, value: '2026-06-24' }
 * @example readDate('05/06/2026') // => { ok: false, error: { code: 'open-date', text: '05/06/2026', couldBe: ['2026-06-05', '2026-05-06'] } }
 */
export function readDate(written: string): Result<string, DateRefusal> {
  const text = written.trim();
  if (ISO_DATE.test(text)) return checked(text, text.replace(' ', 'T'));
  const first = YEAR_FIRST.exec(text) ?? TOGETHER.exec(text);
  if (first) return checked(text, iso(first[1] ?? '', first[2] ?? '', first[3] ?? ''));
  const dotted = DOTTED.exec(text);
  if (dotted) return checked(text, iso(dotted[3] ?? '', dotted[2] ?? '', dotted[1] ?? ''));
  const named = DAY_WORD.exec(text);
  if (named) return checked(text, iso(named[3] ?? '', monthOf(named[2] ?? ''), named[1] ?? ''));
  const american = WORD_DAY.exec(text);
  if (american) return checked(text, iso(american[3] ?? '', monthOf(american[1] ?? ''), american[2] ?? ''));
  const slashed = SLASHED.exec(text);
  if (!slashed) return err({ code: 'no-date', text });
  const [, a = '', b = '', year = ''] = slashed;
  const both = [iso(year, b, a), iso(year, a, b)] as const;
  const able = both.filter(isIsoDate);
  if (able.length === 2 && both[0] !== both[1]) return err({ code: 'open-date', text, couldBe: both });
  return checked(text, able[0] ?? text);
}

/** Days since the first of January 1970 by the calendar in force since 1582. */
function dayNumber(text: string): number {
  const [year = 0, month = 0, day = 0] = text.slice(0, 10).split('-').map(Number);
  let days = day - 1;
  for (let before = 1; before < month; before += 1) days += daysIn(year, before);
  const leaps = (to: number): number => Math.floor(to / 4) - Math.floor(to / 100) + Math.floor(to / 400);
  return (year - 1970) * 365 + leaps(year - 1) - leaps(1969) + days;
}

const ZONED = /[T ](\d{2}):(\d{2})(?::(\d{2}(?:\.\d+)?))?(?:Z|([+-])(\d{2}):?(\d{2}))$/;

/** Seconds since 1970 of a moment whose zone is told; null without one. */
function instant(text: string): number | null {
  const match = ZONED.exec(text);
  if (!match) return null;
  const [, hours = '0', minutes = '0', seconds = '0', sign = '+', zoneHours = '0', zoneMinutes = '0'] = match;
  const zone = (Number(zoneHours) * 60 + Number(zoneMinutes)) * (sign === '-' ? -1 : 1);
  return dayNumber(text) * 86_400 + (Number(hours) * 60 + Number(minutes) - zone) * 60 + Number(seconds);
}

/**
 * Which of two moments came first. Days alone tell between days; within one day only times of one kind do (both with their
 * zone, or both without).
 *
 * @returns `same-day` where the day is the same and no more is known; `unknown` where one of them is not dated
 */
export function orderOfDates(a: string | null, b: string | null): 'before' | 'after' | 'same-day' | 'unknown' {
  if (a === null || b === null || !isIsoDate(a) || !isIsoDate(b)) return 'unknown';
  const [dayA, dayB] = [a.slice(0, 10), b.slice(0, 10)];
  const [momentA, momentB] = [instant(a), instant(b)];
  if (momentA !== null && momentB !== null && momentA !== momentB) return momentA < momentB ? 'before' : 'after';
  if (dayA !== dayB) return dayA < dayB ? 'before' : 'after';
  const isPlain = momentA === null && momentB === null && a.length > 10 && b.length > 10;
  if (!isPlain || a === b) return 'same-day';
  return a.replace(' ', 'T') < b.replace(' ', 'T') ? 'before' : 'after';
}
