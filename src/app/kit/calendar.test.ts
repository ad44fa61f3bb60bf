import { describe, expect, it } from 'vitest';
import { type CalendarEntry, calendarText } from './calendar.ts';

const entry = (change: Partial<CalendarEntry> = {}): CalendarEntry => ({
  id: 'a',
  title: 'Swap',
  description: 'As planned',
  start: [2027, 6, 12, 8, 30],
  lasts: { minutes: 1 },
  calls: { minutes: 5 },
  ...change,
});

describe('a calendar', () => {
  it('escapes backslash, semicolon and comma wherever a text stands (RFC 5545 §3.3.11), its own name included', async () => {
    const text = await calendarText('Race; day, \\ two', [entry({ title: 'A; B, C \\ D', description: 'x; y, z' })]);
    expect(text).toContain('X-WR-CALNAME:Race\\; day\\, \\\\ two');
    expect(text).toContain('SUMMARY:A\\; B\\, C \\\\ D');
    expect(text).toContain('DESCRIPTION:x\\; y\\, z');
    expect(text).toContain('DESCRIPTION:A\\; B\\, C \\\\ D');
  });

  it('holds no control character, and no line that a name brought along', async () => {
    const odd = 'Race\rBEGIN:VEVENT\0\u202e\u2028END:VCALENDAR';
    const text = await calendarText(odd, [entry({ id: 'a\r\nX:1', title: odd, description: odd })]);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\p{Cc}\u202e\u2028]/u);
    expect(text.split('\r\n').filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
    expect(text.split('\r\n').filter((line) => line === 'END:VCALENDAR')).toHaveLength(1);
    expect(text).toContain('UID:aX1@cool-reel');
  });
});
