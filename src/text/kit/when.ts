/** A moment as a person reads it: `27 Nov, 14:05`. */
export const whenText = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** A day as a person reads it: `27 November 2026`. */
export const dayText = (isoDate: string): string =>
  new Date(`${isoDate.slice(0, 10)}T12:00:00`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  });

/** A day in a narrow column: `27 Nov`, with the year where it is not this one. */
export function shortDayText(isoDate: string, thisYear: number): string {
  const date = new Date(`${isoDate.slice(0, 10)}T12:00:00`);
  if (Number.isNaN(date.getTime())) return isoDate.slice(0, 10);
  const year = date.getFullYear() === thisYear ? {} : ({ year: '2-digit' } as const);
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', ...year });
}
