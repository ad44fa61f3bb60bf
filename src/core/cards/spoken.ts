import { parseCapacity, parseDuration } from '../units/parse.ts';
import { SIZE_UNIT, timePattern } from '../units/spelling.ts';
import type { Said } from './token.ts';
import { SPELLINGS } from './vocabulary.ts';

const DIGITS = String.raw`\d+(?:[.,]\d+)?`;
/** Number words are digits by the time they come here; `a` and `an` are one before a time alone. */
const SAID = `an?|${DIGITS}`;

const numberOf = (text: string): number => (/^an?$/i.test(text) ? 1 : Number(text.replace(',', '.')));

/** Parts of a whole as people say and write them. */
const SLASHED = String.raw`½|¼|¾|(?:1\/2|1\/4|3\/4)(?![\d/])`;
const PART = `half|quarter|(?:3|three)[\\s-]+quarters?|${SLASHED}`;
const PART_SAID = String.raw`(?:an?\s+)?(?:half|quarter)|(?:3|three)[\s-]+quarters?`;
/** Hours before a half: larger ones are a size that lost its unit. */
const WHOLE = String.raw`1?\d|2[0-4]`;

function partOf(text: string): number {
  if (/¾|3|three/i.test(text)) return 0.75;
  return /¼|1\/4|quarter/i.test(text) ? 0.25 : 0.5;
}

/** A word of a card's print. */
const MARK_WORD = `(?:${SPELLINGS.map(({ pattern }) => pattern).join('|')})`;

/** A pattern of spoken text and what it says; null where the numbers come to nothing, so that the rest is asked. */
type Spoken = readonly [pattern: string, say: (match: RegExpExecArray) => Said | null];

const minutes = (amount: number, unit: string): Said | null => {
  const each = /^h/i.test(unit) ? 60 : 1;
  const read = parseDuration(`${amount * each} min`);
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
  // How many 128s: cards are called by their size. How many 64s takes: those are seconds.
  [
    String.raw`(?<=\bhow\s+many\s+)(16|32|64|128|256|512)s(?=\s*(?:$|[,;.?!]|(?:for|of|at|with|on|do|will|would|is|are|to|cards?)(?!\w)|${MARK_WORD}(?!\w)))`,
    ([, amount = '']) => capacity(amount, 'g'),
  ],
  [String.raw`(\d+)([gt])`, ([, amount = '', unit = '']) => capacity(amount, unit)],
  [
    String.raw`(half\s+an?|an?)\s+([gt])(?:b|erabyte|igabyte)`,
    ([, amount = '', unit = '']) => capacity(/^half/i.test(amount) ? '0.5' : '1', unit),
  ],
  [
    String.raw`(?:an?\s+)?(${PART})(?:\s+of)?(?:\s+an?)?\s+([gt])(?:b|erabyte|igabyte)`,
    ([, part = '', unit = '']) => capacity(String(partOf(part)), unit),
  ],
  [
    String.raw`(?:an?\s+)?(${PART})(?:\s+of)?(?:\s+an?)?[\s-]+hour`,
    ([, part = '']) => minutes(partOf(part) * 60, 'min'),
  ],
  [String.raw`(\d{1,2})\s+quarter[\s-]+hours`, ([, count = '']) => minutes(Number(count) * 15, 'min')],
  // Two and a half hours, two hours and a quarter, an hour and three quarters, 2 1/2 hours, 2½ hours.
  [
    String.raw`(${SAID})\s+and\s+(${PART_SAID})\s+(${HOURS}|${MINUTES})`,
    ([, amount = '', part = '', unit = '']) => minutes(numberOf(amount) + partOf(part), unit),
  ],
  [
    String.raw`(?:(${SAID})\s+)?(${HOURS}|${MINUTES})\s+and\s+(${PART_SAID})`,
    ([, amount = 'a', unit = '', part = '']) => minutes(numberOf(amount) + partOf(part), unit),
  ],
  [
    String.raw`(?:(${WHOLE})(?:\s+(?=\d)|\s*(?=[½¼¾])))?(${SLASHED})\s*(${HOURS}|${MINUTES})`,
    ([, whole = '0', part = '', unit = '']) => minutes(Number(whole) + partOf(part), unit),
  ],
  [String.raw`(an?)\s+(${HOURS}|${MINUTES})`, ([, amount = '', unit = '']) => minutes(numberOf(amount), unit)],
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
  // Two V90, on 2 V60: behind anything printed the number is the numeral of a bus or a version, and from seven on a size.
  [
    String.raw`(?<=^\s*|[,;]\s*|\b(?:with|onto|on|have|got|use|using|take|own)\s+)([2-6])(?=\s+${MARK_WORD}(?![\w.]))`,
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
