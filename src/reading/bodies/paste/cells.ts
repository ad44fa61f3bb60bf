import type { Codec } from '../../../core/kit/model.ts';
import { BYTES_IN_MEGABIT } from '../../../core/units/convert.ts';
import {
  inBytesPerSecond,
  RATE_UNIT,
  type RateUnitName,
  rateUnitIn,
  readRateUnit,
} from '../../../core/units/spelling.ts';
import { type Decimal, readNumber } from './numbers.ts';

/** Units a rate column can have, as people choose them; a heading or a cell may name any other. */
export const RATE_UNITS = [
  'Mb/s',
  'MB/s',
  'Gb/s',
  'GB/s',
  'kb/s',
  'MB/min',
  'GB/min',
  'GB/h',
] as const satisfies readonly RateUnitName[];
export type RateUnit = RateUnitName;

/** Megabits a second in one of a unit. */
const megabitsIn = (unit: RateUnit): number => inBytesPerSecond(unit) / BYTES_IN_MEGABIT;

/** The unit written in a heading or a cell; null where none is, or where it does not tell bits from bytes. */
export function unitIn(text: string): RateUnit | null {
  const found = rateUnitIn(text);
  const unit = found === null ? null : readRateUnit(found);
  return unit === null || unit === 'open' ? null : unit.name;
}

const MEGA = /(?<=\d)\s*M\s*$/;

/** Words beside a rate that change nothing of it. */
const ASIDE = /\b(?:max|maximum|avg|average|approx|about|ca|up\s*to|vbr|cbr)\b\.?/gi;

/** Marks of footnotes behind a figure: 500*3, 150 (2), 50p², ※1. */
const NOTE = /\s*(?:[*＊※†‡]+\s*\d?\)?|\((?:note\s*)?\d\)|[¹²³⁴-⁹]+\)?)\s*$/i;

/** A cell without the marks of its footnotes. */
const withoutNotes = (text: string): string => text.replace(NOTE, '').replace(NOTE, '');

const A_NUMBER = /\d(?:[\d.,'’]|[\s\u00a0\u202f](?=\d{3}(?!\d)))*/g;

/** Rates of one cell, one for each speed beside it: `200 / 100 Mbps`. The unit of one is that of all. */
export function readRatesMbps(cell: string, unit: RateUnit | null, decimal: Decimal): readonly number[] | null {
  const text = withoutNotes(cell);
  const parts = text.split(/\s*\/\s*(?=\d)/);
  const all = parts.map((part) => readRateMbps(part, unitIn(part) ?? unitIn(text) ?? unit, decimal));
  return all.every((one) => one !== null) ? all : null;
}

/**
 * A rate cell in megabits a second: its own unit before the column's; null where a number or unit is missing, and where two
 * numbers stand in it: the first of a range, or of a list, is not its rate.
 */
export function readRateMbps(cell: string, unit: RateUnit | null, decimal: Decimal): number | null {
  const text = withoutNotes(cell);
  const own = unitIn(text);
  // A bare M is mega of what the column is in, bits or bytes; of a column in giga or kilo it says nothing.
  const isMega = own === null && MEGA.test(text);
  if (isMega && unit !== 'Mb/s' && unit !== 'MB/s') return null;
  const named = rateUnitIn(text);
  const rest = text
    .replace(named ?? '', '')
    .replace(ASIDE, '')
    .replace(isMega ? MEGA : '', '');
  // Letters that are no unit (100 m) may mean anything.
  if (/[a-z]/i.test(rest) || (rest.match(A_NUMBER) ?? []).length > 1) return null;
  const written = named === null ? unit : own;
  const value = readNumber(text, decimal);
  if (written === null || !(value > 0) || !Number.isFinite(value)) return null;
  return Number((value * megabitsIn(written)).toPrecision(12));
}

const SPEED = /^[\d.,'’\s\u00a0]+(?:p|i|fps|hz)?$/i;

/** What a frame-rate cell says. `either`: two speeds that may be captured and recorded, or a mode each. */
export type Speeds =
  | { readonly kind: 'one'; readonly fps: number }
  | { readonly kind: 'slow'; readonly fps: number; readonly captureFps: number }
  | { readonly kind: 'each' | 'either'; readonly all: readonly number[] };

/** Two speeds closer than this are no slow motion: 59.94 and 50, 30 and 25. */
const NEAR = 1.3;

/** `25p (120 fps)`: what is recorded, and what is captured in brackets. */
const TWO_SPEEDS = /^\s*(\d+(?:[.,]\d+)?)\s*(p|i|fps|hz)?\s*[([]\s*(\d+(?:[.,]\d+)?)\s*(p|i|fps|hz)\s*[)\]]\s*$/i;

function bothSpeeds(own: number, other: number, isSaid: boolean): Speeds | null {
  const [low, high] = [Math.min(own, other), Math.max(own, other)];
  if (!(low > 0 && high <= 20_000)) return null;
  if (isSaid && other > own * NEAR) return { kind: 'slow', fps: low, captureFps: high };
  return { kind: high / low < NEAR ? 'each' : 'either', all: [own, other] };
}

/**
 * One speed, two or several: `50p`, `25p → 100p` (the higher is captured), `59.94p/50p` (a mode each), `120/25` (either).
 *
 * @returns null where no speed is written
 */
export function readSpeeds(text: string, decimal: Decimal): Speeds | null {
  const inBrackets = TWO_SPEEDS.exec(text);
  if (inBrackets) {
    const [own, other] = [inBrackets[1], inBrackets[3]].map((part) => readNumber(part ?? '', decimal));
    return bothSpeeds(own ?? 0, other ?? 0, /p/i.test(inBrackets[2] ?? '') && /fps/i.test(inBrackets[4] ?? ''));
  }
  const parts = withoutNotes(text)
    .trim()
    .split(/\s*(?:\/|→|->|>|@|;|\bto\b|\bat\b|,(?!\d)|\band\b|\n)\s*/i);
  // A picture size or a name is no speed, whatever number it begins with.
  if (!parts.every((part) => SPEED.test(part))) return null;
  const all = [...new Set(parts.map((part) => readNumber(part, decimal)))];
  if (!all.every((value) => value > 0 && value <= 20_000)) return null;
  const [first = 0, second] = all;
  if (second === undefined) return { kind: 'one', fps: first };
  if (all.length > 2) return { kind: 'each', all };
  const [low, high] = [Math.min(first, second), Math.max(first, second)];
  if (/→|->|>|@|\bto\b|\bat\b/i.test(text)) return { kind: 'slow', fps: low, captureFps: high };
  return { kind: high / low < NEAR ? 'each' : 'either', all };
}

/** The one speed that a mode's name has in it, where its table has no column for it: `4K 60p ALL-I`. Null where none or several do. */
export function speedInName(text: string): number | null {
  const found = [...text.matchAll(/(?<![\d.,])(\d{2,3}(?:[.,]\d{1,3})?)\s?(?:p|fps)(?![\w])/gi)].flatMap(
    ([, speed = '']) => {
      const fps = Number(speed.replace(',', '.'));
      // 720p is a size.
      return fps < 400 ? [fps] : [];
    },
  );
  const [first] = found;
  return first !== undefined && found.every((one) => one === first) ? first : null;
}

export interface Picture {
  readonly width: number;
  readonly height: number;
}

const NAMED: readonly (readonly [RegExp, Picture])[] = [
  [/8k.*(?:17:9|dci)|dci.*8k/i, { width: 8192, height: 4320 }],
  [/8k.*16:9|8k\s*uhd/i, { width: 7680, height: 4320 }],
  [/4k.*(?:17:9|dci)|dci.*4k|c4k/i, { width: 4096, height: 2160 }],
  [/4k.*16:9|uhd|2160p/i, { width: 3840, height: 2160 }],
  [/1080[pi]|fhd|full\s*hd/i, { width: 1920, height: 1080 }],
  [/720p/i, { width: 1280, height: 720 }],
];

/** Pixels of one side; makers set their thousands apart. */
const PIXELS = String.raw`\d{1,2}[,.'’\u00a0 ]\d{3}|\d{3,5}`;
const SIZE = new RegExp(String.raw`(?<![\d.,])(${PIXELS})(?!\d)\s*[x×*]\s*(${PIXELS})(?![\d])`);
const pixels = (text = ''): number => Number(text.replace(/\D/g, ''));

/** A picture size: in figures, or by a name that leaves no doubt (`4K 16:9`; `4K` alone has two sizes). */
export function readPicture(text: string, wide: Wide | null = null): Picture | null {
  const size = SIZE.exec(text);
  if (size) return { width: pixels(size[1]), height: pixels(size[2]) };
  const named = wide !== null && wide !== 'none' && hasTwoSizes(text) ? `${text} ${wide}` : text;
  return NAMED.find(([pattern]) => pattern.test(named))?.[1] ?? null;
}

/** What a bare `4K` or `8K` of a table is; `none`: its size is left out. */
export type Wide = '16:9' | '17:9' | 'none';

/** A name of two sizes, the television one and the cinema one. */
export const hasTwoSizes = (text: string): boolean => /\b[48]k\b/i.test(text) && readPicture(text) === null;

export function readCodec(text: string): Codec {
  if (/raw/i.test(text)) return 'raw';
  return /intra|all-?i\b/i.test(text) ? 'intra' : 'long-gop';
}

const FIGURE = new RegExp(String.raw`^\s*[\d.,'’\s\u00a0]+\s*(?:p|i|fps|${RATE_UNIT})?\s*$`, 'iu');

/** Whether a cell is a figure of a row and no heading: a number, a size, a speed or a rate. */
export const isFigure = (text: string): boolean =>
  FIGURE.test(text) ||
  SIZE.test(text) ||
  /^\s*\d+(?:[.,]\d+)?\s*(?:p|fps)?\s*(?:\/|→|->)\s*\d+(?:[.,]\d+)?\s*(?:p|fps)?\s*$/i.test(text);
