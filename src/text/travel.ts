/**
 * Signs that change how a text is shown or read without being seen: controls of a terminal, of writing direction, half letters.
 * What joins letters and emoji stays.
 */
const UNSEEN = /[\p{Cc}\p{Cs}\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069\ufeff]/gu;

/** A text as it leaves the app for a calendar, a table or a code: line ends of one kind, and nothing in it that is not seen. */
export const travelling = (text: string): string =>
  text
    .replace(/\r\n?|[\u0085\u2028\u2029]/g, '\n')
    .replace(UNSEEN, (sign) => (sign === '\n' || sign === '\t' ? sign : ''));

/** In one line. */
export const travellingLine = (text: string): string => travelling(text).replace(/\s+/g, ' ').trim();
