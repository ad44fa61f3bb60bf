import { readNumber } from '../units/number.ts';
import { type ParseRefusal, parseCapacity, parseDuration, parseRate } from '../units/parse.ts';
import { OPEN_UNIT, RATE_UNIT, SIZE_UNIT, timePattern } from '../units/spelling.ts';
import { SPOKEN } from './spoken.ts';
import { nearestMarks, nearestWords } from './suggest.ts';
import type { Said, Token, UnreadProblem } from './token.ts';
import { type LabelWord, SPELLINGS } from './vocabulary.ts';

/** Longest text read; longer is cut by the callers with a message, never read in part. */
export const MAX_TEXT = 500;

/** Null: it is nothing of this kind after all, and the next reader is asked. */
type Reader = readonly [pattern: RegExp, say: (match: RegExpExecArray) => Said | null];

const NUM = String.raw`(?:[+-]?(?:\d+(?:[.,]\d+)*|\.\d+)(?:e[+-]?\d+)?|[+-]?infinity|nan)`;
const END = String.raw`(?![\w.])`;
const re = (source: string): RegExp => new RegExp(source, 'iuy');
const [HOURS, MINUTES, SECONDS] = (['h', 'min', 's'] as const).map(timePattern);
/** Behind a peak of small print, where nobody doubts it: megabytes. */
const PEAK_UNIT = String.raw`(?:\s?mb\/?s)?`;

const unread = (problem: UnreadProblem): Said => ({ kind: 'unread', problem });

function refused(field: 'rate' | 'capacity' | 'time', refusal: ParseRefusal): Said {
  switch (refusal.code) {
    case 'not-finite':
    case 'out-of-range':
      return unread({ code: 'amount', field, refusal });
    case 'bits-or-bytes':
    case 'no-unit':
    case 'open-number':
      return unread({ code: refusal.code, couldBe: refusal.couldBe });
    case 'unknown-unit':
      return unread({ code: 'unknown', couldBe: refusal.couldBe });
    case 'no-number':
      return unread({ code: 'unknown', couldBe: [] });
  }
}

const rateSaid = ([text]: RegExpExecArray): Said => {
  const read = parseRate(text);
  return read.ok ? { kind: 'rate', ...read.value } : refused('rate', read.error);
};

/** Small print of a card: always bytes, always a peak. */
function printedSaid(amount: string): Said | null {
  const read = parseRate(`${amount} MB/s`);
  return read.ok ? { kind: 'rate', ...read.value, printed: true } : null;
}

const capacitySaid = ([text]: RegExpExecArray): Said => {
  const read = parseCapacity(text);
  return read.ok ? { kind: 'capacity', ...read.value } : refused('capacity', read.error);
};

const timeSaid = ([text]: RegExpExecArray): Said => {
  const read = parseDuration(text);
  if (!read.ok) return refused('time', read.error);
  const clock = /^\d{1,3}:[0-5]\d$/.test(text) ? parseDuration(text, 'minutes') : null;
  return { kind: 'time', ...read.value, clock: clock?.ok ? clock.value.value : null };
};

/** A number that must lie in a range to mean anything here; outside it the text is refused with that range. */
const number = (value: number, min: number, max: number, said: Said): Said => {
  if (value >= min && value <= max) return said;
  const code = Number.isFinite(value) ? 'out-of-range' : 'not-finite';
  const refusal = code === 'not-finite' ? ({ code, value } as const) : ({ code, value, min, max } as const);
  return unread({ code: 'amount', field: 'number', refusal });
};

/** What a word of the vocabulary says; a mark that does not exist is told with those near it. */
function wordSaid(word: LabelWord): Said {
  return word.kind === 'no-such-mark'
    ? unread({ code: 'no-such-mark', couldBe: nearestMarks(word.series, word.value) })
    : word;
}

function speedSaid(text: string): Said {
  const read = readNumber(text);
  if (read.ok) return number(read.value, 1, 20_000, { kind: 'fps', value: read.value });
  return read.error.code === 'open-number'
    ? unread({ code: 'open-number', couldBe: read.error.couldBe.map((one) => `${one} fps`) })
    : number(Number(text), 1, 20_000, { kind: 'fps', value: Number(text) });
}

const CODEC_WORDS = [
  [String.raw`long[\s-]?gop|ipb`, 'long-gop'],
  [String.raw`(?:all[\s-]?)?intra|all-?i`, 'intra'],
  ['raw', 'raw'],
] as const;

/** Names of pictures say nothing about the rate, and several sizes answer to each. */
const PICTURE_NAMES: readonly (readonly [string, readonly string[]])[] = [
  ['(?:uhd|2160p|4k)', ['3840x2160', '4096x2160']],
  ['6k', ['6144x3456', '6016x4016']],
  ['8k', ['7680x4320', '8192x4320']],
  ['12k', ['12288x6480']],
  ['(?:1080[pi]|f?hd)', ['1920x1080']],
  ['720p', ['1280x720']],
];

/** A word of a label, as it may stand between the number on a card and the word card. */
const LABEL_WORD = String.raw`(?:\d+\s?${SIZE_UNIT}|${SPELLINGS.map(({ pattern }) => pattern).join('|')})`;

const READERS: readonly Reader[] = [
  [re(String.raw`[\s,;·|?!/*]+`), () => ({ kind: 'word', word: 'filler' })],
  // Peaks as small print has them: R300 W260, R:800MB/s.
  [re(String.raw`[rw]\s?:?\s?(\d{2,5})${PEAK_UNIT}${END}`), (m) => printedSaid(m[1] ?? '')],
  // The same in words. A camera writes and never reads: what is written counts as a peak only beside what is read.
  [re(String.raw`reads?\s*:?\s*(?:up\s+to\s*)?(\d{2,5})${PEAK_UNIT}${END}`), (m) => printedSaid(m[1] ?? '')],
  [
    re(
      String.raw`(?<=reads?\s*:?\s*(?:up\s+to\s*)?\d{2,5}${PEAK_UNIT}[\s,;/]*(?:and\s+)?)writes?\s*:?\s*(?:up\s+to\s*)?(\d{2,5})${PEAK_UNIT}${END}`,
    ),
    (m) => printedSaid(m[1] ?? ''),
  ],
  // A 170MB/s card, a 300MB/s V90 card: the big number on it, and never what a camera writes. Bits are a camera's.
  [
    re(String.raw`(\d{2,5})\s?mb\/s(?=\s+(?:${LABEL_WORD}\s+){0,4}cards?(?![\w]))`),
    (m) => (m[0].includes('B') ? printedSaid(m[1] ?? '') : null),
  ],
  // Behind its version the letter belongs to a form that was read already.
  [re(String.raw`(?<=express\s+\d\.0\s+)(?:type[\s-]*)?[abc]${END}`), () => ({ kind: 'word', word: 'filler' })],
  ...SPOKEN.map(([source, say]): Reader => [re(`(?:${source})${END}`), say]),
  [
    re(String.raw`(\d{1,2})\s*[x×](?=\s*\d+(?:[.,]\d+)?\s*${SIZE_UNIT}${END})`),
    (m) => ({ kind: 'count', value: Number(m[1]) }),
  ],
  // A size and its frame rate written as one: 4K60, UHD25p.
  [re(String.raw`(?<=[468]k|12k|uhd|hd)@?(\d{2,3})\s?(?:p|fps)?${END}`), (m) => speedSaid(m[1] ?? '')],
  [
    re(String.raw`(\d{2,6})\s?[x×*]\s?(\d{2,6})${END}`),
    (m) => {
      const [width, height] = [Number(m[1]), Number(m[2])];
      return number(Math.max(width, height), 16, 65_536, { kind: 'picture', width, height });
    },
  ],
  [re(String.raw`${NUM}\s*${RATE_UNIT}${END}`), rateSaid],
  [re(String.raw`\d:\d:\d${END}`), () => ({ kind: 'word', word: 'filler' })],
  [
    re(String.raw`(\d+(?:\.\d+)?):1(?![\d:])`),
    (m) => number(Number(m[1]), 1, 100, { kind: 'ratio', value: Number(m[1]) }),
  ],
  [re(String.raw`\d{1,3}:[0-5]\d:[0-5]\d${END}`), timeSaid],
  [re(String.raw`\d{1,3}:[0-5]\d${END}`), timeSaid],
  [re(String.raw`\d+(?:[.,]\d+)?\s*(?:${MINUTES}|m)\s*\d{1,2}\s*${SECONDS}${END}`), timeSaid],
  [re(String.raw`\d+(?:[.,]\d+)?\s*(?:${HOURS}|h(?=\d))(?:\s*\d{1,2}\s*(?:${MINUTES}|m)?)?${END}`), timeSaid],
  [re(String.raw`\d+(?:[.,]\d+)?\s*${MINUTES}(?:\s*\d{1,2}\s*${SECONDS})?${END}`), timeSaid],
  [re(String.raw`\d+(?:[.,]\d+)?\s*${SECONDS}${END}`), timeSaid],
  [re(String.raw`${NUM}\s*(?:${HOURS}|${MINUTES})${END}`), timeSaid],
  [re(String.raw`(\d+)\s*-?\s*bit${END}`), (m) => number(Number(m[1]), 1, 32, { kind: 'bits', value: Number(m[1]) })],
  [re(String.raw`${NUM}\s*${OPEN_UNIT}${END}`), rateSaid],
  [re(String.raw`${NUM}\s*${SIZE_UNIT}${END}`), capacitySaid],
  ...PICTURE_NAMES.map(
    ([source, couldBe]): Reader => [
      re(String.raw`${source}(?:${END}|(?=@?\d{2,3}\s?(?:p|fps)?${END}))`),
      () => ({ kind: 'picture-name', couldBe }),
    ],
  ),
  [re(String.raw`@?(${NUM})\s*(?:p|fps)${END}`), (m) => speedSaid(m[1] ?? '')],
  [re(String.raw`(\d+)\s*[x×]${END}`), (m) => number(Number(m[1]), 1, 1e7, { kind: 'times', value: Number(m[1]) })],
  ...SPELLINGS.map(({ pattern, read }): Reader => [re(`(?:${pattern})${END}`), (m) => wordSaid(read(m))]),
  ...CODEC_WORDS.map(([source, codec]): Reader => [re(`(?:${source})${END}`), () => ({ kind: 'codec', codec })]),
  [re(`mirror(?:ed)?${END}`), () => ({ kind: 'arrangement', arrangement: 'mirrored' })],
  [re(`relay${END}`), () => ({ kind: 'arrangement', arrangement: 'relay' })],
  [re(`split${END}`), () => ({ kind: 'arrangement', arrangement: 'split' })],
  [re(`single${END}`), () => ({ kind: 'arrangement', arrangement: 'single' })],
  [re(`on${END}`), () => ({ kind: 'word', word: 'on' })],
  [re(`for${END}`), () => ({ kind: 'word', word: 'for' })],
  [re(`(?:at${END}|@)`), () => ({ kind: 'word', word: 'at' })],
  [re(`in${END}`), () => ({ kind: 'word', word: 'in' })],
  [re(`captur(?:ed?|ing)${END}`), () => ({ kind: 'word', word: 'captured' })],
  [re(`record(?:ed|ing)?${END}`), () => ({ kind: 'word', word: 'recorded' })],
  [re(`play(?:s|ed|back|ing)?${END}`), () => ({ kind: 'word', word: 'plays' })],
  [re(`(?:a|an|the|card|slot|with|and|to|of|type|write|read|max|up)${END}`), () => ({ kind: 'word', word: 'filler' })],
  [re(`${NUM}${END}`), (m) => bareNumber(m[0])],
];

function bareNumber(text: string): Said {
  const read = parseRate(text);
  if (read.ok) return { kind: 'rate', ...read.value };
  if (read.error.code !== 'no-unit') return refused('rate', read.error);
  const amount = readNumber(text);
  const plain = amount.ok ? String(amount.value) : text;
  return unread({ code: 'no-unit', couldBe: [`${plain} Mb/s`, `${plain} MB/s`, `${plain} GB`, `${plain} min`] });
}

const WORD = /[^\s,;·|?!/*]+/y;

function readAt(text: string, start: number): Token {
  for (const [pattern, say] of READERS) {
    pattern.lastIndex = start;
    const match = pattern.exec(text);
    const said = match && match[0].length > 0 ? say(match) : null;
    if (match && said) return { start, end: start + match[0].length, text: match[0], ...said };
  }
  WORD.lastIndex = start;
  const word = WORD.exec(text)?.[0] ?? text.slice(start, start + 1);
  return {
    start,
    end: start + word.length,
    text: word,
    kind: 'unread',
    problem: { code: 'unknown', couldBe: nearestWords(word) },
  };
}

/**
 * Cuts a typed line into what it says, left to right, every character in exactly one token. Nothing is guessed: what
 * is not understood becomes an `unread` token in its place. Only the first 500 characters are read.
 */
export function tokenize(text: string): readonly Token[] {
  const tokens: Token[] = [];
  // Letters and digits of full width are those of half: each stands in one place, as it did.
  const line = text
    .slice(0, MAX_TEXT)
    .replace(/[\uff01-\uff5e]/g, (wide) => String.fromCharCode(wide.charCodeAt(0) - 0xfee0));
  let at = 0;
  while (at < line.length) {
    const token = readAt(line, at);
    tokens.push(token);
    at = token.end;
  }
  return tokens.filter((token) => !(token.kind === 'word' && token.word === 'filler'));
}
