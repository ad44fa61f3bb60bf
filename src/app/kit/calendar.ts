import type { DateArray, EventAttributes } from 'ics';
import { travelling, travellingLine } from '../../text/travel.ts';

/** An entry of a calendar that calls beforehand. */
export interface CalendarEntry {
  /** What it is called among the entries of this app. */
  readonly id: string;
  readonly title: string;
  readonly description: string;
  /** Year, month, day, and in UTC hour and minute where it has a time. */
  readonly start: DateArray;
  readonly lasts: { readonly minutes: number } | { readonly days: number };
  readonly calls: { readonly minutes: number } | { readonly weeks: number };
}

/** Names of calendars and texts of alarms are texts like all others (RFC 5545 §3.3.11); the library escapes all but these. */
const escaped = (text: string): string => travellingLine(text).replace(/[\\;,]/g, '\\$&');

/** A calendar as a file. */
export async function calendarText(name: string, entries: readonly CalendarEntry[]): Promise<string> {
  const { createEvents } = await import('ics');
  const calName = escaped(name);
  const events = entries.map(
    ({ id, title, description, start, lasts, calls }): EventAttributes => ({
      uid: `${id.replace(/[^\w-]/g, '')}@cool-reel`,
      title: travellingLine(title),
      description: travelling(description),
      calName,
      start,
      ...(start.length > 3 ? { startInputType: 'utc' as const, startOutputType: 'utc' as const } : {}),
      duration: lasts,
      alarms: [{ action: 'display', description: escaped(title), trigger: { before: true, ...calls } }],
    }),
  );
  const { error, value } = createEvents(events, { productId: 'cool-reel', calName });
  if (error || value == null) throw error ?? new Error('no calendar');
  return value;
}
