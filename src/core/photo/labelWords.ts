import { APP_KEYS, isMark, MARK_KEYS, mark, marksIn } from '../standards/marks.ts';
import { SIZES_PRINTED_GB } from '../standards/sizes.ts';
import { digitsOf, distance } from './confusions.ts';

/** What a piece of print tells about a card. */
export type Told =
  | 'form'
  | 'type'
  | 'capacity'
  | 'family'
  | 'bus'
  | 'video'
  | 'grade'
  | 'class'
  | 'express'
  | 'vpg'
  | 'app'
  | 'version'
  | 'speed'
  | 'times';

/** What a stretch of read text could be. */
export interface Guess {
  readonly told: Told;
  /** As the label reader spells it: `V60`, `128GB`, `II`, `280MB/s`. */
  readonly word: string;
  /** Characters that had to be taken for others; 0 where the text says it as it stands. */
  readonly cost: number;
}

interface Entry {
  readonly text: string;
  readonly told: Told;
  readonly word: string;
}

const SERIES: Readonly<Record<string, Told>> = { V: 'video', U: 'grade', C: 'class', E: 'express', VPG: 'vpg' };

const entry = (text: string, told: Told, word = text): Entry => ({ text, told, word });

const ENTRIES: readonly Entry[] = [
  ...MARK_KEYS.map((key) => entry(key, SERIES[mark(key).series] ?? 'class')),
  ...marksIn('VPG').map((key) => entry(key.replace('VPG', 'VPG-'), 'vpg', key)),
  ...marksIn('C').map((key) => entry(key.replace('C', 'CLASS'), 'class', key)),
  ...APP_KEYS.map((key) => entry(key, 'app')),
  ...['SDHC', 'SDXC', 'SDUC'].flatMap((word) => [entry(word, 'family'), entry(`micro${word}`, 'family')]),
  ...['I', 'II', 'III', 'EX'].map((word) => entry(word, 'bus')),
  ...['I', 'II', 'III'].map((word) => entry(`UHS-${word}`, 'bus', word)),
  entry('UHS1', 'bus', 'I'),
  entry('UHS2', 'bus', 'II'),
  entry('SDEXPRESS', 'bus', 'EX'),
  entry('CFexpress', 'form', 'CFexpress'),
  entry('CompactFlash', 'form', 'CompactFlash'),
  entry('CF', 'form', 'CompactFlash'),
  entry('XQD', 'form', 'XQD'),
  entry('CFast', 'form', 'CFast'),
  entry('CFast2.0', 'form', 'CFast'),
  ...['A', 'B', 'C'].map((type) => entry(`TYPE${type}`, 'type', type)),
  ...['2.0', '4.0'].map((version) => entry(version, 'version')),
  // A number that is none of them is asked about, not refused.
  ...SIZES_PRINTED_GB.map((size) => entry(size < 1000 ? `${size}GB` : `${size / 1000}TB`, 'capacity')),
];

/** Characters that may be wrong in a word of so many: short words leave no room. */
const limitFor = (length: number): number => (length <= 2 ? 0.62 : length <= 4 ? 1 : 1.3);

const SPEED = /^(?:(?:r|w|read|write|up\s?to|max\.?)\W{0,2})?([\dOoQDSsIl|gqZzB@Ø©®]+?)(m\S{2,4})$/i;
const TIMES = /^(\S+?)[x×]$/i;
/** Characters of `MB/s` that may be wrong. */
const UNIT_LIMIT = 1.35;

function speedOf(text: string): Guess | null {
  const match = SPEED.exec(text);
  const number = match && digitsOf(match[1] ?? '');
  if (!number || number.digits.length < 2 || number.digits.length > 5 || number.digits.startsWith('0')) return null;
  const unit = distance(match[2] ?? '', 'MB/s', UNIT_LIMIT);
  if (unit > UNIT_LIMIT) return null;
  return { told: 'speed', word: `${number.digits}MB/s`, cost: unit * 0.3 + (number.mended ? 0.3 : 0) };
}

function timesOf(text: string): Guess | null {
  const number = digitsOf(TIMES.exec(text)?.[1] ?? '');
  if (!number || number.digits.length < 3 || number.digits.length > 4) return null;
  return { told: 'times', word: `${number.digits}x`, cost: number.mended ? 0.3 : 0 };
}

const MOST_GUESSES = 4;

/** Whether a text has the sign that a word is told by: `GB` alone is no 1 GB, `CLASS` no class, `Type` no type, `400` no version. */
function hasSign(text: string, { text: meant, told }: Entry): boolean {
  if (told === 'version') return /\D/.test(text) && text.length >= meant.length;
  if (told === 'type' || meant.startsWith('CLASS')) return text.length >= meant.length;
  return told !== 'capacity' || text.length >= Math.max(3, meant.length - 1);
}

const BRACKETED = /^[([{<](\d{1,2})[)\]}>]$/;

/** Digits in a frame, read with the frame as brackets: a grade or a class, never taken without its question. */
function bracketed(text: string): Guess | null {
  const digits = BRACKETED.exec(text)?.[1];
  const [grade, speedClass] = [`U${digits}`, `C${digits}`];
  if (isMark(grade)) return { told: 'grade', word: grade, cost: FRAMED };
  return isMark(speedClass) ? { told: 'class', word: speedClass, cost: FRAMED } : null;
}

const FRAMED = 0.5;

/** A capacity that no card is sold in, as far as we know: read, and asked about. */
function oddCapacity(text: string): Guess | null {
  const match = /^(\d{1,4})(gb|tb)$/i.exec(text);
  return match ? { told: 'capacity', word: `${match[1]}${(match[2] ?? '').toUpperCase()}`, cost: 0.9 } : null;
}

/**
 * What a stretch of read text could be, the nearest first, at most four; empty where nothing of a label is near. Spaces do
 * not matter.
 *
 * @example guesses('v9o')[0].word // => 'V90'
 */
export function guesses(text: string): readonly Guess[] {
  const tidy = text.replace(/\s+/g, '');
  if (tidy === '' || tidy.length > 24) return [];
  const found = ENTRIES.filter((one) => hasSign(tidy, one)).flatMap(({ text: meant, told, word }): Guess[] => {
    const limit = limitFor(meant.length);
    const cost = distance(tidy, meant, limit);
    return cost <= limit ? [{ told, word, cost }] : [];
  });
  const others = [speedOf(tidy), timesOf(tidy), bracketed(tidy), found.length === 0 ? oddCapacity(tidy) : null].filter(
    (one) => one !== null,
  );
  const all = [...others, ...found].sort((a, b) => a.cost - b.cost);
  return all
    .filter(({ word, told }, at) => all.findIndex((one) => one.word === word && one.told === told) === at)
    .slice(0, MOST_GUESSES);
}
