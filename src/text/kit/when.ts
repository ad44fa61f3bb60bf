/** A moment as a person reads it: `27 Nov, 14:05`. */
export const whenText = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
