import { readNumber } from '../units/number.ts';
import { type ParseRefusal, parseCapacity, parseDuration, parseRate } from '../units/parse.ts';
import { OPEN_UNIT, RATE_UNIT, SIZE_UNIT, timePattern } from '../units/spelling.ts';
import { numberWordsAt } from './numberWords.ts';
import { SAYINGS } from './sayings.ts';
import { SPOKEN } from './spoken.ts';
import { nearestMarks, nearestWords } from './suggest.ts';
import type { Said, Token, UnreadProblem } from './token.ts';
import { type LabelWord, SPELLINGS } from './vocabulary.ts';

/** Longest text read; longer is cut by the callers with a message, never read in part. */
export const MAX_TEXT = 500;

/** Null: it is nothing of this kind after all, and the next reader is asked. */
type Reader = readonly [pattern: RegExp, say: (match: RegExpExecArray) => Said | null];

const NUM = String.raw`(?:[+-]?(?:\d+(?:[.,]\d+)*|\.\d+)(?:e[+-]?\d+)?|[+-]?infinity|nan)`;
/** Behind a word: nothing that goes on with it, as in `I'm`. */
const END = String.raw`(?![\w.]|'\w)`;
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

/**
 * A rate. Nobody states megabits or megabytes to three decimals: `1,600` and `1.600` are sixteen hundred, and the other
 * reading is kept beside. Gigabits are stated so.
 */
const rateSaid = ([text]: RegExpExecArray): Said => {
  const grouped = /^(\d{1,3})[.,](\d{3})(\s*[km].*)$/i.exec(text);
  if (grouped) {
    const [, high = '', low = '', unit = ''] = grouped;
    const read = parseRate(`${high}${low}${unit}`);
    if (read.ok && high !== '0')
      return { kind: 'rate', ...read.value, loose: true, other: `${Number(`${high}.${low}`)} ${unit.trim()}` };
  }
  const read = parseRate(text);
  return read.ok ? { kind: 'rate', ...read.value } : refused('rate', read.error);
};

/** `200 to 400 Mb/s`: the larger for the need, the smaller shown. */
const rangeSaid = ([, first = '', firstUnit = '', second = '', unit = '']: RegExpExecArray): Said | null =>
  rangeOf(`${first} ${firstUnit || unit}`, `${second} ${unit}`);

function rangeOf(one: string, other: string): Said | null {
  const [low, high] = [parseRate(one), parseRate(other)];
  if (!low.ok || !high.ok) return high.ok ? null : refused('rate', high.error);
  const [small, large] = low.value.value < high.value.value ? [low.value, high.value] : [high.value, low.value];
  return { kind: 'rate', ...large, loose: true, low: small.value };
}

const AVERAGE = String.raw`(?:on\s+)?(?:average|avg\.?|typical(?:ly)?)`;
const PEAK = String.raw`(?:max(?:imum|\.)?|peaks?|peaking)`;
const ONE_RATE = String.raw`(\d+(?:[.,]\d+)?)\s*(${RATE_UNIT})?`;
/** Between two rates of one stream. */
const AND = String.raw`[\s,;\/(]+(?:(?:and|with|but)\s+)?`;

/** An average and a peak of one stream, each word before its rate or behind it; and which of the two rates is the peak. */
const AVERAGE_AND_PEAK: readonly (readonly [source: string, peakFirst: boolean])[] = [
  ...[false, true].flatMap((peakFirst) => {
    const [one, other] = peakFirst ? [PEAK, AVERAGE] : [AVERAGE, PEAK];
    const [before, behind] = [String.raw`${one}\s+(?:of\s+)?${ONE_RATE}`, String.raw`${ONE_RATE}\s*${one}`];
    const [next, last] = [
      String.raw`${other}\s+(?:(?:of|at|up\s+to)\s+)?${ONE_RATE}`,
      String.raw`${ONE_RATE}\s*${other}`,
    ];
    const both = [before + AND + next, before + AND + last, behind + AND + last, behind + AND + next];
    return both.map((source) => [source, peakFirst] as const);
  }),
  [String.raw`${ONE_RATE}(?:\s*${AVERAGE})?${AND}peak(?:s|ing)?\s+(?:(?:of|to|at|up\s+to)\s+)+${ONE_RATE}`, false],
];

/** The peak, with the average shown; both with a unit, or one with that of the other. A peak below its average is none: both are asked. */
function peakSaid([, ...rates]: readonly string[], peakFirst: boolean): Said | null {
  const [first = '', firstUnit = '', second = '', secondUnit = ''] = rates;
  const unit = firstUnit || secondUnit;
  if (unit === '') return null;
  const [one, other] = [`${first} ${firstUnit || unit}`, `${second} ${secondUnit || unit}`];
  const [average, peak] = (peakFirst ? [other, one] : [one, other]).map(parseRate);
  if (!average?.ok || !peak?.ok || peak.value.value < average.value.value) return null;
  return rangeOf(one, other);
}

/** `2 x 45 min`: all of them together. */
function timesTime([, count = '', time = '']: RegExpExecArray): Said | null {
  const read = parseDuration(time);
  if (!read.ok) return refused('time', read.error);
  const all = parseDuration(`${(read.value.value * Number(count)) / 60} min`);
  return all.ok ? { kind: 'time', value: all.value.value, loose: true, clock: null } : refused('time', all.error);
}

/** `60-90 min`: the longer. */
function timeRange([, first = '', second = '', unit = '']: RegExpExecArray): Said | null {
  const [low, high] = [parseDuration(`${first} ${unit}`), parseDuration(`${second} ${unit}`)];
  if (!low.ok || !high.ok) return null;
  return {
    kind: 'time',
    value: Math.max(low.value.value, high.value.value) as typeof high.value.value,
    loose: true,
    clock: null,
  };
}

/** One picture's size, which is told in megabytes. */
function pictureSize([, amount = '', unit = '']: RegExpExecArray): Said | null {
  const read = parseCapacity(`${amount} ${unit.charAt(0).toUpperCase()}B`);
  return read.ok ? { kind: 'picture-size', value: read.value.value } : null;
}

/** Small print of a card: always bytes, always a peak. */
function printedSaid(amount: string, side?: 'read' | 'write'): Said | null {
  const read = parseRate(`${amount} MB/s`);
  return read.ok ? { kind: 'rate', ...read.value, printed: true, ...(side && { side }) } : null;
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
  // Which size a maker means by another name, no table tells.
  [String.raw`\d{1,2}(?:\.\d)?k`, []],
  ['(?:1080[pi]|f?hd)', ['1920x1080']],
  ['720p', ['1280x720']],
];

/** A word of a label, as it may stand between the number on a card and the word card. */
const LABEL_WORD = String.raw`(?:\d+\s?${SIZE_UNIT}|${SPELLINGS.map(({ pattern }) => pattern).join('|')})`;

const TIME_TEXT = String.raw`\d+(?:[.,]\d+)?\s*(?:${HOURS}(?:\s*\d{1,2}\s*(?:${MINUTES}|m)?)?|${MINUTES})`;
const TAKES = `(?:takes?|clips?|sets?|songs?|sessions?|halves|interviews?|talks?|parts?|rolls?|recordings?|blocks?|runs?|shows?|games?|acts?)`;
const PICTURES = String.raw`(?:(?:raw|jpe?g)\s+)?(?:pictures?|photos?|photographs?|stills?|images?|jpe?gs?|raws|raw\s+files|frames)`;
const CAMERAS = '(?:cameras?|bodies|cams?|camcorders?)';
/** Speeds that cameras have: what may stand behind a picture's name without a sign of its own. */
const SPEED = `(?:23[.,](?:98|976)|24|25|29[.,]97|30|48|50|59[.,]94|60|72|75|90|96|100|119[.,]88|120|144|150|180|200|240|300)`;
/** A number with a unit of its own behind it is that, whatever stands before it. */
const NO_UNIT = String.raw`(?!\s*(?:${RATE_UNIT}|${OPEN_UNIT}|${SIZE_UNIT}|${HOURS}|${MINUTES}|${SECONDS}|[x×*:]|-?bit|[a-z]*\s*(?:gb|tb))(?!\w))`;
/** Most cards that a small number with a × counts: what is printed as a rating is larger by far. */
const MOST_COUNTED = 20;
const ARROW = `(?:→|->|=>|>)`;

const READERS: readonly Reader[] = [
  [re(String.raw`\s+`), () => ({ kind: 'word', word: 'filler' })],
  [re(String.raw`[,;·|?!/*()\[\]{}"“”„«»]+`), () => ({ kind: 'word', word: 'pause' })],
  [re(String.raw`(?:[-–—:&]+|\.+)(?=\s|$)`), () => ({ kind: 'word', word: 'pause' })],
  [re('[~≈]'), () => ({ kind: 'say', say: 'about' })],
  [re(String.raw`(?<=\d\s*(?:p|fps)?\s*)${ARROW}(?=\s*\d)`), () => ({ kind: 'word', word: 'pause' })],
  [re(String.raw`(\d{2,3}(?:[.,]\d+)?)\s*(?:p|fps)?(?=\s*${ARROW}\s*\d)`), (m) => speedSaid(m[1] ?? '')],
  [
    re(String.raw`(?<=\d\s*(?:p|fps)?\s*${ARROW}\s*)(\d{2,3}(?:[.,]\d+)?)\s*(?:p|fps)?${END}`),
    (m) => speedSaid(m[1] ?? ''),
  ],
  // Peaks as small print has them: R300 W260, R:800MB/s.
  [
    re(String.raw`([rw])\s?:?\s?(\d{2,5})${PEAK_UNIT}${END}`),
    ([, side = '', amount = '']) => printedSaid(amount, /r/i.test(side) ? 'read' : 'write'),
  ],
  // Both with one unit: 300/260MB/s is what is read and what is written.
  [re(String.raw`(\d{2,5})(?=\s?\/\s?\d{2,5}\s?mb\/s${END})`), (m) => printedSaid(m[1] ?? '', 'read')],
  [
    re(String.raw`(?<=(?<![\d.,])\d{2,5}\s?\/\s?)(\d{2,5})\s?mb\/s${END}`),
    (m) => (m[0].includes('b') && !m[0].includes('B') ? null : printedSaid(m[1] ?? '', 'write')),
  ],
  // The same in words. A camera writes and never reads: what is written counts as a peak only beside what is read.
  [re(String.raw`reads?\s*:?\s*(?:up\s+to\s*)?(\d{2,5})${PEAK_UNIT}${END}`), (m) => printedSaid(m[1] ?? '', 'read')],
  [
    re(
      String.raw`(?<=reads?\s*:?\s*(?:up\s+to\s*)?\d{2,5}${PEAK_UNIT}[\s,;/]*(?:and\s+)?)writes?\s*:?\s*(?:up\s+to\s*)?(\d{2,5})${PEAK_UNIT}${END}`,
    ),
    (m) => printedSaid(m[1] ?? '', 'write'),
  ],
  // The card says 95 MB/s: what is printed on it.
  [
    re(
      String.raw`cards?\s+(?:says|reads|states|claims|writes|does|is\s+rated(?:\s+at)?)\s+(?:up\s+to\s+)?(\d{2,5})\s?mb\/s(?:\s+on\s+it)?${END}`,
    ),
    (m) => (m[0].includes('B') ? printedSaid(m[1] ?? '') : null),
  ],
  // A 170MB/s card, a 300MB/s V90 card: the big number on it, and never what a camera writes. Bits are a camera's.
  [
    re(String.raw`(\d{2,5})\s?mb\/s(?=\s+(?:${LABEL_WORD}\s+){0,4}cards?(?![\w]))`),
    (m) => (m[0].includes('B') ? printedSaid(m[1] ?? '') : null),
  ],
  // Behind its version the letter belongs to a form that was read already.
  [re(String.raw`(?<=express\s+\d\.0\s+)(?:type[\s-]*)?[abc]${END}`), () => ({ kind: 'word', word: 'filler' })],
  [
    re(String.raw`(${NUM})\s*(?:frames?|pictures?)\s*(?:per|a|\/)\s*(?:${SECONDS})${END}`),
    (m) => speedSaid(m[1] ?? ''),
  ],
  [re(String.raw`(\d{1,2})\s*(?:[x×*]|times)\s*(${TIME_TEXT})(?:\s*${TAKES})?${END}`), timesTime],
  [re(String.raw`(\d{1,3})\s+${TAKES}\s+(?:of|at|à)\s+(${TIME_TEXT})(?:\s+each)?${END}`), timesTime],
  [re(String.raw`(\d{1,3})\s+(${TIME_TEXT})\s+${TAKES}${END}`), timesTime],
  [
    re(
      String.raw`(?:between\s+)?(\d+(?:[.,]\d+)?)\s*(?:-|–|—|to|and|\.\.)\s*(\d+(?:[.,]\d+)?)\s*(${HOURS}|${MINUTES})${END}`,
    ),
    (m) => (/and/i.test(m[0]) && !/between/i.test(m[0]) ? null : timeRange(m)),
  ],
  [
    re(
      String.raw`(?:between\s+|from\s+)?(\d+(?:[.,]\d+)?)\s*(${RATE_UNIT})?\s*(?:-|–|—|to|and|\.\.)\s*(\d+(?:[.,]\d+)?)\s*(${RATE_UNIT})${END}`,
    ),
    (m) => (/and/i.test(m[0]) && !/between/i.test(m[0]) ? null : rangeSaid(m)),
  ],
  ...AVERAGE_AND_PEAK.map(([source, peakFirst]): Reader => [re(`${source}${END}`), (m) => peakSaid(m, peakFirst)]),
  [re(String.raw`(${NUM})\s*(m|g)(?:b|o|egabytes?|igabytes?)\s+${PICTURES}${END}`), pictureSize],
  // Behind a number of them: 5000 photos of 24 MB.
  [
    re(String.raw`(?<=${PICTURES}\s+(?:of|at|with)\s+)(${NUM})\s*(m|g)(?:b|o|egabytes?|igabytes?)(?:\s+each)?${END}`),
    pictureSize,
  ],
  [re(String.raw`${PICTURES}\s+(?:of|at)\s+(${NUM})\s*(m|g)(?:b|o|egabytes?|igabytes?)${END}`), pictureSize],
  [
    re(String.raw`(\d{1,7})\s+${PICTURES}${END}`),
    (m) => number(Number(m[1]), 1, 1e7, { kind: 'pictures', value: Number(m[1]) }),
  ],
  [re(String.raw`(?:[x×]\s*)?(\d{1,2})\s*(?:[x×]\s*)?${CAMERAS}${END}`), (m) => camerasSaid(Number(m[1]))],
  // Behind it the word camera says what the number counts.
  [re(String.raw`(\d{1,2})\s*[x×]?\s+(?=${NUM}\s*${RATE_UNIT}\s+${CAMERAS}(?!\w))`), (m) => camerasSaid(Number(m[1]))],
  [
    re(String.raw`(\d{1,2})\s*(?:[x×*]|times)\s*(?=${NUM}\s*${RATE_UNIT}${END})`),
    (m) => number(Number(m[1]), 1, 99, { kind: 'repeat', value: Number(m[1]) }),
  ],
  ...SPOKEN.map(([source, say]): Reader => [re(`(?:${source})${END}`), say]),
  ...SAYINGS.map(([source, say]): Reader => [re(`(?:${source})(?!\\w)`), () => ({ kind: 'say', say })]),
  [
    re(
      String.raw`(?:the\s+)?${CAMERAS}(?:'s)?(?!\w)|body(?!\w)|\d{1,2}\s+(?:card\s+)?slots(?!\w)|(?:recorder|phone|drone)s?(?!\w)`,
    ),
    () => ({ kind: 'say', say: 'body' }),
  ],
  [
    re(
      String.raw`(?:reads?|takes?|accepts?|supports?|has|have|speaks?|uses?|with|does|is|are|only|can\s+(?:read|take|use|do))(?=\s+(?:an?\s+|the\s+)?(?:only\s+)?(?:${LABEL_WORD})(?!\w))`,
    ),
    (m) => (/only/i.test(m[0]) ? null : { kind: 'say', say: 'takes' }),
  ],
  [
    re(String.raw`(\d{1,2})\s*[x×](?=\s*\d+(?:[.,]\d+)?\s*${SIZE_UNIT}${END})`),
    (m) => ({ kind: 'count', value: Number(m[1]) }),
  ],
  // A size and its frame rate written as one, or beside each other: 4K60, UHD25p, 1080p24, 4K 60.
  [re(String.raw`(?<=\dk|uhd|hd|(?:1080|2160|720)[pi])@?(\d{2,3})\s?(?:p|fps)?${END}`), (m) => speedSaid(m[1] ?? '')],
  [
    re(
      String.raw`(?<=(?:\dk|uhd|hd|(?:1080|2160|720)[pi])(?:\s+|\s*@\s*|\s+at\s+|\s*\/\s*))(${SPEED})\s?(?:p|fps)?${END}${NO_UNIT}`,
    ),
    (m) => speedSaid(m[1] ?? ''),
  ],
  [
    re(String.raw`(\d{2,6})\s?[x×*]\s?(\d{2,6})${END}`),
    (m) => {
      const [width, height] = [Number(m[1]), Number(m[2])];
      return number(Math.max(width, height), 16, 65_536, { kind: 'picture', width, height });
    },
  ],
  [re(String.raw`${NUM}\s*${RATE_UNIT}${END}`), rateSaid],
  // A rate told in another unit.
  [re(String.raw`(?:in|as|into)\s+${RATE_UNIT}${END}`), () => ({ kind: 'say', say: 'per-minute' })],
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
      re(String.raw`${source}(?:(?![\w.])|(?=@?\d{2,3}\s?(?:p|fps)?${END}))`),
      () => ({ kind: 'picture-name', couldBe }),
    ],
  ),
  [re(String.raw`@?(${NUM})\s*(?:p|fps)${END}`), (m) => speedSaid(m[1] ?? '')],
  [
    re(String.raw`(\d+)\s*[x×]${END}`),
    ([, amount = '']) =>
      Number(amount) <= MOST_COUNTED
        ? number(Number(amount), 1, MOST_COUNTED, { kind: 'count', value: Number(amount) })
        : number(Number(amount), 1, 1e7, { kind: 'times', value: Number(amount) }),
  ],
  [
    // Behind a card's own words: behind a time or a rate it would multiply that.
    re(String.raw`(?<=[\dbi]\s*)[x×]\s*(\d{1,2})${END}`),
    ([, amount = '']) => number(Number(amount), 1, MOST_COUNTED, { kind: 'count', value: Number(amount) }),
  ],
  ...SPELLINGS.map(({ pattern, read }): Reader => [re(`(?:${pattern})${END}`), (m) => wordSaid(read(m))]),
  ...CODEC_WORDS.map(([source, codec]): Reader => [re(`(?:${source})${END}`), () => ({ kind: 'codec', codec })]),
  [re(`mirror(?:ed)?${END}`), () => ({ kind: 'arrangement', arrangement: 'mirrored' })],
  [re(`relay${END}`), () => ({ kind: 'arrangement', arrangement: 'relay' })],
  [re(`split${END}`), () => ({ kind: 'arrangement', arrangement: 'split' })],
  [re(`single${END}`), () => ({ kind: 'arrangement', arrangement: 'single' })],
  [re(`on(?:to)?${END}`), () => ({ kind: 'word', word: 'on' })],
  [re(`for${END}`), () => ({ kind: 'word', word: 'for' })],
  [re(`(?:at${END}|@)`), () => ({ kind: 'word', word: 'at' })],
  [re(`(?:in(?:to|side)?)${END}`), () => ({ kind: 'word', word: 'in' })],
  [
    re(
      String.raw`captur(?:ed?|es|ing)${END}|(?:shot|shoot(?:s|ing)?|film(?:s|ed|ing)?|overcrank(?:ed|ing)?|sensor)(?=\s+(?:at|in|to)\s+\d)`,
    ),
    () => ({ kind: 'word', word: 'captured' }),
  ],
  [re(String.raw`recorded${END}|record(?:s|ing)?(?=\s+(?:at|in)\s+\d)`), () => ({ kind: 'word', word: 'recorded' })],
  [
    re(
      String.raw`play(?:s|ed|back|ing)?(?:\s+back)?${END}|conform(?:s|ed|ing)?(?=\s+(?:to|at|in)\s+\d)|slowed(?:\s+down)?(?=\s+to\s+\d)|(?:deliver(?:ed|ing|s)?|export(?:ed|ing|s)?|edit(?:ed|ing)?|interpreted|timeline|project)(?=\s+(?:at|in|to|as|is)\s+\d)|(?<=\d\s*(?:p|fps)?\s+)(?:timeline|project|playback)${END}`,
    ),
    () => ({ kind: 'word', word: 'plays' }),
  ],
  // Which of the slots says nothing of them.
  [
    re(String.raw`(?:card\s+)?slots?\s+#?[1-4]${END}${NO_UNIT}|(?:1st|2nd|first|second)\s+(?:card\s+)?slot${END}`),
    () => ({ kind: 'word', word: 'pause' }),
  ],
  [re(`(?:slots?|sockets?|ports?|bays?)${END}`), () => ({ kind: 'word', word: 'slot' })],
  [re(`cards?${END}`), () => ({ kind: 'word', word: 'card' })],
  [re(`(?:with|and)${END}`), () => ({ kind: 'word', word: 'pause' })],
  [
    re(
      `(?:a|an|the|to|of|type|write|read|max|maximum|up(?=\\s+(?:to|with)(?!\\w))|(?<=(?:keep|hold)s?\\s+)up|max\\.)${END}`,
    ),
    () => ({ kind: 'word', word: 'filler' }),
  ],
  // What is cheapest only prices tell; what is the least that holds is answered.
  [
    re(
      String.raw`(?:the\s+)?(?:cheapest|least\s+expensive|most\s+affordable)(?=\s+(?:${LABEL_WORD}|cards?|mark|class)(?!\w))`,
    ),
    () => unread({ code: 'which', couldBe: ['the smallest'] }),
  ],
  // Which VPG, what V: asks for a card, as `which class` does.
  [re(String.raw`(?<=\b(?:which|what)\s+)(?:v|u|vpg)${END}`), () => ({ kind: 'word', word: 'pause' })],
  // How colour is kept says nothing of the rate.
  [
    re(String.raw`(?<=(?:bit|\dk\s?\d{0,3}p?|hd)\s+)(?:422|420|444)${END}|(?:422|420|444)(?=\s+\d{1,2}-?bit(?!\w))`),
    () => ({ kind: 'word', word: 'pause' }),
  ],
  [re(String.raw`(?:h\.?26[45]|hevc|avc)${END}`), () => ({ kind: 'word', word: 'pause' })],
  [re(`${NUM}${END}`), (m) => bareNumber(m[0])],
];

const camerasSaid = (count: number): Said | null => (count > 0 ? { kind: 'cameras', value: count } : null);

function bareNumber(text: string): Said {
  const read = parseRate(text);
  if (read.ok) return { kind: 'rate', ...read.value };
  if (read.error.code !== 'no-unit') return refused('rate', read.error);
  const amount = readNumber(text);
  const plain = amount.ok ? String(amount.value) : text;
  return unread({ code: 'no-unit', couldBe: [`${plain} Mb/s`, `${plain} MB/s`, `${plain} GB`, `${plain} min`] });
}

const WORD = /[^\s,;·|?!/*()[\]{}"“”„«»]+/y;

/** What a number alone may be by what stands behind it. */
const COUNTS: readonly Token['kind'][] = ['count', 'cameras', 'repeat'];

function byReaders(text: string, start: number): Token | null {
  for (const [pattern, say] of READERS) {
    pattern.lastIndex = start;
    const match = pattern.exec(text);
    const said = match && match[0].length > 0 ? say(match) : null;
    if (match && said) return { start, end: start + match[0].length, text: match[0], ...said };
  }
  return null;
}

/** Number words are read as their digits would be, where something stands behind them that a number counts. */
function byNumberWords(text: string, start: number): Token | null {
  const words = numberWordsAt(text, start);
  if (words === null) return null;
  const digits = String(words.value);
  const read = byReaders(text.slice(0, start) + digits + text.slice(words.end), start);
  if (read === null || read.kind === 'unread') return null;
  if (read.end <= start + digits.length && !COUNTS.includes(read.kind)) return null;
  const end = words.end + read.end - start - digits.length;
  const token: Token = { ...read, end, text: text.slice(start, end) };
  return 'loose' in token ? { ...token, loose: true } : token;
}

function readAt(text: string, start: number): Token {
  const read = byNumberWords(text, start) ?? byReaders(text, start);
  if (read) return read;
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
  const written = text
    .slice(0, MAX_TEXT)
    .replace(/[\uff01-\uff5e]/g, (wide) => String.fromCharCode(wide.charCodeAt(0) - 0xfee0));
  // The end of a sentence belongs to no word of it.
  const line = written.replace(/[’‘]/g, "'").replace(/[.:…](?=\s|$)/g, ' ');
  let at = 0;
  while (at < line.length) {
    const token = readAt(line, at);
    tokens.push({ ...token, text: written.slice(token.start, token.end) });
    at = token.end;
  }
  return tokens.filter((token) => !(token.kind === 'word' && token.word === 'filler'));
}
