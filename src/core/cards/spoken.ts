import { parseCapacity, parseDuration } from '../units/parse.ts';
import { SIZE_UNIT, timePattern } from '../units/spelling.ts';
import type { Said } from './token.ts';
import { SPELLINGS } from './vocabulary.ts';

const DIGITS = String.raw`\d+(?:[.,]\d+)?`;
/** Number words are digits by the time they come here; `a` and `an` are one before a time alone. */
const SAID = `an?|${DIGITS}`;

const numberOf = (text: string): number => (/^an?$/i.test(text) ? 1 : Number(text.replace(',', '.')));

/** A word of a card's print. */
const MARK_WORD = `(?:${SPELLINGS.map(({ pattern }) => pattern).join('|')})`;

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
  [
    String.raw`(half\s+an?|an?)\s+([gt])(?:b|erabyte|igabyte)`,
    ([, amount = '', unit = '']) => capacity(/^half/i.test(amount) ? '0.5' : '1', unit),
  ],
  [String.raw`(?:an?\s+)?half(?:\s+an?|\s+of\s+an)?[\s-]+hour`, () => minutes(30, 'min', false)],
  [String.raw`(?:an?\s+)?quarter(?:\s+of)?(?:\s+an)?\s+hour`, () => minutes(15, 'min', false)],
  [String.raw`3\s+quarters\s+of\s+an\s+hour`, () => minutes(45, 'min', false)],
  [
    String.raw`(${SAID})\s+(?:and\s+a\s+half\s+)(${HOURS}|${MINUTES})`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, true),
  ],
  [
    String.raw`(${SAID})\s+(${HOURS}|${MINUTES})(\s+and\s+a\s+half)`,
    ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, true),
  ],
  [String.raw`(an?)\s+(${HOURS}|${MINUTES})`, ([, amount = '', unit = '']) => minutes(numberOf(amount), unit, false)],
  [
    String.raw`(\d{1,2})(?=\s+${DIGITS}\s*${SIZE_UNIT}(?![\w.]))`,
    ([, count = '2']) => ({ kind: 'count', value: Number(count) }),
  ],
  [
    String.raw`(\d{1,2})(?:\s*[x×])?\s+(?:such\s+|of\s+(?:them|these|those)\s+)?cards`,
    ([, count = '2']) => ({ kind: 'count', value: Number(count) }),
  ],
  // Three V60 cards, 2 UHS-II cards: a number before the words of a card.
  [
    String.raw`(\d{1,2})\s*[x×]?(?=\s+(?:${MARK_WORD}\s+){1,5}cards(?!\w))`,
    ([, count = '2']) => ({ kind: 'count', value: Number(count) }),
  ],
  // On one V60: a card, whatever word follows. Behind anything printed a 1 is the numeral of its bus as much: it is asked.
  [String.raw`(?<=\b(?:on|onto|to|with|just|only)\s+)1(?=\s+${MARK_WORD}(?!\w))`, () => ({ kind: 'count', value: 1 })],
  [String.raw`both(?=\s+${DIGITS}\s*${SIZE_UNIT})`, () => ({ kind: 'count', value: 2 })],
  [
    String.raw`back[\s-]?up|simultaneous(?:ly)?|redundant|both\s+(?:cards|slots)|to\s+both`,
    () => ({ kind: 'arrangement', arrangement: 'mirrored' }),
  ],
  [
    String.raw`overflow|spann?(?:ed|ing)|one\s+after\s+(?:the\s+other|another)|sequential(?:ly)?`,
    () => ({ kind: 'arrangement', arrangement: 'relay' }),
  ],
  [
    String.raw`dual(?:[\s-]+(?:cards?|slots?|recording))?[\s-]+(?:back[\s-]?ups?|mirror(?:ed|ing)?)`,
    () => ({ kind: 'arrangement', arrangement: 'mirrored' }),
  ],
  // Two cards at once may mean any of them.
  [
    'dual(?:\\s+(?:cards?|slots?|recording))?',
    () => ({ kind: 'unread', problem: { code: 'which', couldBe: ['mirrored', 'relay', 'split'] } }),
  ],
];
