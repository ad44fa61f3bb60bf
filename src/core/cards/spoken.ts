import { parseCapacity, parseDuration, parseRate } from '../units/parse.ts';
import type { Said } from './token.ts';

/** Numbers as they are said. */
const NUMBER_WORDS: Readonly<Record<string, number>> = {
  ...{ a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10 },
  ...{ eleven: 11, twelve: 12, fifteen: 15, twenty: 20, thirty: 30, forty: 40, fifty: 50, sixty: 60, ninety: 90 },
};
const SAID = Object.keys(NUMBER_WORDS).join('|');
/** Numbers that count cards: `a 256GB card` is not counted. */
const COUNTED = Object.keys(NUMBER_WORDS)
  .filter((word) => (NUMBER_WORDS[word] ?? 0) > 1)
  .join('|');
const DIGITS = String.raw`\d+(?:[.,]\d+)?`;

const numberOf = (text: string): number => NUMBER_WORDS[text.toLowerCase()] ?? Number(text.replace(',', '.'));

/** A pattern of spoken text and what it says; null where the numbers come to nothing, so that the rest is asked. */
type Spoken = readonly [pattern: string, say: (match: RegExpExecArray) => Said | null];

const minutes = (amount: number, unit: string, half: boolean): Said | null => {
  const each = /^h/i.test(unit) ? 60 : 1;
  const read = parseDuration(`${(amount + (half ? 0.5 : 0)) * each} min`);
  return read.ok ? { kind: 'time', value: read.value.value, loose: true, clock: null } : null;
};

const PREFIX: Readonly<Record<string, string>> = { k: 'k', m: 'M', g: 'G', t: 'T' };

/** `100 megabits per second`, `2 GB per minute`: the unit as it is written otherwise. */
function rate(amount: string, prefix: string, unit: string, per: string): Said | null {
  const read = parseRate(`${amount} ${PREFIX[prefix.charAt(0).toLowerCase()] ?? ''}${unit}/${per}`);
  return read.ok ? { kind: 'rate', ...read.value, loose: true } : null;
}

function capacity(amount: string, unit: string): Said | null {
  const read = parseCapacity(`${amount} ${unit.charAt(0).toUpperCase()}B`);
  return read.ok ? { kind: 'capacity', ...read.value, loose: true } : null;
}

const perOf = (word: string): string => (/^h/i.test(word) ? 'h' : /^m/i.test(word) ? 'min' : 's');
const SECONDS = 'seconds?|secs?|s|minutes?|min|hours?|h';
const PER = String.raw`\s*(?:per|a|\/)\s*`;

/**
 * What people say where a label or a manual has a sign: number words, units by their names, times with a half. Each comes
 * back marked as loosely read, so that the reading is shown.
 */
export const SPOKEN: readonly Spoken[] = [
  [
    String.raw`(${DIGITS})\s*(kilo|mega|giga|tera)(bits?|bytes?)${PER}(${SECONDS})`,
    ([, amount = '', prefix = '', unit = '', per = '']) => rate(amount, prefix, unit, perOf(per)),
  ],
  [
    String.raw`(${DIGITS})\s*([kmgt])(b|bits?|bytes?)\s*(?:per|a)\s*(${SECONDS})`,
    ([, amount = '', prefix = '', unit = '', per = '']) => rate(amount, prefix, unit, perOf(per)),
  ],
  // Bits are a stream's, and a stream is told by the second: nobody says so.
  [String.raw`(${DIGITS})\s*(mega|giga)bits?`, ([, amount = '', prefix = '']) => rate(amount, prefix, 'bit', 's')],
  [
    String.raw`(${DIGITS})\s*(gigs?|gigabytes?|teras?|terabytes?)`,
    ([, amount = '', unit = '']) => capacity(amount, unit),
  ],
  [String.raw`(\d+)([gt])`, ([, amount = '', unit = '']) => capacity(amount, unit)],
  [String.raw`half\s+an?\s+hour`, () => minutes(30, 'min', false)],
  [
    String.raw`(${SAID}|${DIGITS})\s+(?:and\s+a\s+half\s+)(hours?|minutes?|mins?)`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, true),
  ],
  [
    String.raw`(${SAID}|${DIGITS})\s+(hours?|minutes?|mins?)(\s+and\s+a\s+half)`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, true),
  ],
  [
    String.raw`(${SAID})\s+(hours?|minutes?|mins?)`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, false),
  ],
  [
    String.raw`(${COUNTED})(?=\s+${DIGITS}\s*(?:[gt]i?b|gigs?|teras?)(?![\w.]))`,
    ([, count = 'two']) => ({ kind: 'count', value: numberOf(count) }),
  ],
  [
    String.raw`(?:a\s+pair\s+of|(${SAID}|\d{1,2}))\s+cards`,
    ([, count = 'two']) => ({ kind: 'count', value: numberOf(count) }),
  ],
  [
    String.raw`back[\s-]?up|simultaneous(?:ly)?|redundant|both\s+(?:cards|slots)|to\s+both`,
    () => ({ kind: 'arrangement', arrangement: 'mirrored' }),
  ],
  [
    String.raw`overflow|spann?(?:ed|ing)|one\s+after\s+(?:the\s+other|another)|sequential(?:ly)?`,
    () => ({ kind: 'arrangement', arrangement: 'relay' }),
  ],
  // Two cards at once may mean any of them.
  [
    'dual(?:\\s+(?:cards?|slots?|recording))?',
    () => ({ kind: 'unread', problem: { code: 'which', couldBe: ['mirrored', 'relay', 'split'] } }),
  ],
];
