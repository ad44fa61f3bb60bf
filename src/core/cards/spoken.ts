import { parseCapacity, parseDuration } from '../units/parse.ts';
import { SIZE_UNIT, timePattern } from '../units/spelling.ts';
import type { Said } from './token.ts';

/** Numbers as they are said. */
const NUMBER_WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  ninety: 90,
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

function capacity(amount: string, unit: string): Said | null {
  const read = parseCapacity(`${amount} ${unit.charAt(0).toUpperCase()}B`);
  return read.ok ? { kind: 'capacity', ...read.value, loose: true } : null;
}

const HOURS = timePattern('h');
const MINUTES = timePattern('min');

/**
 * What people say where a label or a manual has a sign: number words, times with a half. Each comes
 * back marked as loosely read, so that the reading is shown.
 */
export const SPOKEN: readonly Spoken[] = [
  [String.raw`(\d+)([gt])`, ([, amount = '', unit = '']) => capacity(amount, unit)],
  [String.raw`half\s+an?\s+hour`, () => minutes(30, 'min', false)],
  [
    String.raw`(${SAID}|${DIGITS})\s+(?:and\s+a\s+half\s+)(${HOURS}|${MINUTES})`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, true),
  ],
  [
    String.raw`(${SAID}|${DIGITS})\s+(${HOURS}|${MINUTES})(\s+and\s+a\s+half)`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, true),
  ],
  [
    String.raw`(${SAID})\s+(${HOURS}|${MINUTES})`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, false),
  ],
  [
    String.raw`(${COUNTED})(?=\s+${DIGITS}\s*${SIZE_UNIT}(?![\w.]))`,
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
