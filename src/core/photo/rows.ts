import type { Framed } from './frames.ts';
import { type Frame, type Gray, sampled } from './gray.ts';
import type { Polarity } from './ink.ts';
import type { Extent } from './letters.ts';
import { type Line, lineOf, type PrintFound } from './lines.ts';

/** A piece of a picture: its four corners, clockwise from where its print begins. Pixels of the whole picture. */
export type Piece = readonly (readonly [x: number, y: number])[];

/** PrintFound to be recognised: one line, or the digits in a frame. */
export interface Row {
  readonly kind: 'line' | 'bowl' | 'ring';
  /** Rows of one line of print are parts of it, from its beginning: a large number and its small unit. */
  readonly line: number;
  readonly polarity: Polarity;
  readonly frame: Frame;
  /** Pixels of the row above its capitals, and how tall those are. */
  readonly margin: number;
  readonly tall: number;
  /** So few characters that they are repeated: one by itself is read badly. */
  readonly isShort: boolean;
  /** Sides on which other print stands close by. */
  readonly close: readonly ('left' | 'right' | 'all')[];
}

/** Height of capitals in a row, pixels: what the recogniser was trained on lies near it. */
export const TALL = 32;
const MARGIN = 8;
/** Rows of one picture at most: what is more is no card. */
const MOST_ROWS = 26;

/** Height of a unit after its number, as a share of the number's, below which it is read by itself. */
const SMALLER = 0.78;
const ROUND_SMALLER = 0.88;

/** PrintFound that a picture was sampled for, in its own pixels. */
interface Box extends Extent {
  readonly tall: number;
  readonly slope: number;
}

/**
 * @param scale - pixels of the small picture, in which print was found, for one of the whole
 * @param tall - height of capitals in the new picture
 */
function frameOf(box: Box, angle: number, scale: number, tall: number): Frame {
  const turned = angle + Math.atan(box.slope);
  const step = box.tall / tall;
  const [cos, sin] = [Math.cos(turned), Math.sin(turned)];
  const start = box.from - MARGIN * step;
  const top = box.top - MARGIN * step;
  // Along and across are measured in the direction of all print; the row itself may lean a little.
  const [ac, as] = [Math.cos(angle), Math.sin(angle)];
  const x = start * ac - top * as;
  const y = start * as + top * ac;
  return {
    x: x / scale,
    y: y / scale,
    across: [(cos * step) / scale, (sin * step) / scale],
    down: [(-sin * step) / scale, (cos * step) / scale],
    width: Math.max(8, Math.round((box.to - box.from) / step + 2 * MARGIN)),
    height: Math.max(8, Math.round((box.base - box.top) / step + 2 * MARGIN)),
  };
}

/** The box around a line that leans: its top where it begins. */
function leaning(line: Line): Box {
  const tops = line.letters.map(({ from, to, top }) => top - line.slope * ((from + to) / 2 - line.from));
  const bases = line.letters.map(({ from, to, base }) => base - line.slope * ((from + to) / 2 - line.from));
  return {
    from: line.from,
    to: line.to,
    top: Math.min(...tops),
    base: Math.max(...bases),
    tall: line.tall,
    slope: line.slope,
  };
}

function digitsBox({ inside }: Framed): Box {
  const top = Math.min(...inside.map((one) => one.top));
  const base = Math.max(...inside.map((one) => one.base));
  return {
    from: Math.min(...inside.map(({ from }) => from)),
    to: Math.max(...inside.map(({ to }) => to)),
    top,
    base,
    tall: base - top + 1,
    slope: 0,
  };
}

/** Width of a blob of several letters, in its heights. */
const RUN_TOGETHER = 2.2;

/** Lines that may say something, the most letters first. */
function worthReading(lines: readonly Line[]): readonly Line[] {
  const talls = lines.flatMap(({ letters, tall }) => letters.map(() => tall)).sort((a, b) => a - b);
  const usual = talls[Math.floor(talls.length / 2)] ?? 0;
  return lines
    .filter(({ letters, tall, from, to }) => {
      const wide = (to - from) / tall;
      if (letters.length > 1) return wide > 0.8 && wide < 40;
      // A single blob is one letter, or narrow print that runs together: a word, as small as it may be.
      return wide > RUN_TOGETHER ? tall > usual * 0.5 : tall > usual * 0.8 && wide > 0.9;
    })
    .sort((a, b) => b.letters.length * b.tall - a.letters.length * a.tall)
    .slice(0, MOST_ROWS);
}

const heightOf = (letter: Extent | undefined): number => (letter ? letter.base - letter.top + 1 : 0);

/** A line in two where it ends in smaller print: a unit after its number is read at its own size. */
function bySize(line: Line): readonly Line[] {
  const { letters, polarity, slope } = line;
  const tallest = Math.max(...letters.map(heightOf));
  const isSmall = letters.map((letter) => heightOf(letter) < SMALLER * tallest);
  let first = isSmall.indexOf(true);
  if (first < 1 || isSmall.slice(first).includes(false)) return [line];
  // A round letter stands a little higher than its neighbours: it is of the smaller print nevertheless.
  while (first > 1 && heightOf(letters[first - 1]) < ROUND_SMALLER * tallest) first -= 1;
  const unit = letters.slice(first);
  const wide = (unit.at(-1)?.to ?? 0) - (unit[0]?.from ?? 0);
  if (wide < heightOf(unit[0])) return [line];
  return [letters.slice(0, first), unit].map((own) => ({ ...lineOf(own, polarity), slope }));
}

/** What is to be recognised in a picture, row by row from its top. */
export function rowsOf(print: PrintFound, scale: number, tall = TALL): readonly Row[] {
  const row = (kind: Row['kind'], polarity: Polarity, box: Box, close: Row['close']): Omit<Row, 'line'> => ({
    kind,
    polarity,
    frame: frameOf(box, print.angle, scale, tall),
    margin: MARGIN,
    tall,
    isShort: kind !== 'line' || box.to - box.from < 1.1 * box.tall,
    close,
  });
  const lines = worthReading(print.lines).map((line) => ({
    at: line.base,
    parts: bySize(line).map((part, at, all) =>
      row('line', part.polarity, leaning(part), all.length === 1 ? [] : [at === 0 ? 'right' : 'left']),
    ),
  }));
  const framed = print.framed.flatMap((one) =>
    one.shape === 'closed'
      ? []
      : [{ at: one.frame.base, parts: [row(one.shape, one.frame.blob.polarity, digitsBox(one), ['all'])] }],
  );
  return [...lines, ...framed]
    .sort((a, b) => a.at - b.at)
    .flatMap(({ parts }, line) => parts.map((part) => ({ ...part, line })));
}

/** The corners of a stretch of a row in the whole picture. */
export function pieceOf({ frame }: Pick<Row, 'frame'>, from = 0, to = frame.width): Piece {
  const at = (x: number, y: number): readonly [number, number] => [
    frame.x + frame.across[0] * x + frame.down[0] * y,
    frame.y + frame.across[1] * x + frame.down[1] * y,
  ];
  return [at(from, 0), at(to, 0), at(to, frame.height), at(from, frame.height)];
}

/** A share of sorted numbers: 0.5 is their middle. */
const share = (values: Uint8Array, part: number): number => values[Math.round((values.length - 1) * part)] ?? 0;

/** Dark print on white, whatever it was, with a shine or a shade across it taken out column by column. */
export function evened(gray: Gray, polarity: Polarity, reach: number): Gray {
  const { width, height, data } = gray;
  const ground = new Uint8Array(width);
  const ink = new Uint8Array(width);
  const column = new Uint8Array(height);
  const own = polarity === 'dark' ? data : data.map((shade) => 255 - shade);
  for (let x = 0; x < width; x += 1) {
    for (let y = 0; y < height; y += 1) column[y] = own[y * width + x] ?? 0;
    column.sort();
    ground[x] = share(column, 0.8);
    ink[x] = share(column, 0.08);
  }
  const out = new Uint8Array(data.length);
  for (let x = 0; x < width; x += 1) {
    let brightest = 0;
    let darkest = 255;
    for (let near = Math.max(0, x - reach); near <= Math.min(width - 1, x + reach); near += 1) {
      brightest = Math.max(brightest, ground[near] ?? 0);
    }
    for (let near = Math.max(0, x - reach * 2); near <= Math.min(width - 1, x + reach * 2); near += 1) {
      darkest = Math.min(darkest, ink[near] ?? 255);
    }
    const range = Math.max(24, brightest - darkest);
    for (let y = 0; y < height; y += 1) {
      const shade = (((own[y * width + x] ?? 0) - darkest) * 255) / range;
      out[y * width + x] = Math.max(0, Math.min(255, shade));
    }
  }
  return { width, height, data: out };
}

/** Rows under each other in one picture, so that one pass recognises them all. */
export interface Sheet {
  readonly gray: Gray;
  /** Where each row begins and ends in the sheet, in the order of the rows. */
  readonly bands: readonly {
    readonly top: number;
    readonly base: number;
    readonly repeats: number;
    readonly wide: number;
  }[];
}

const GAP = 18;
const EDGE = 14;
/** A digit by itself is read better as one of several. */
const REPEATS = 3;

/** PrintFound nearer to black and ground nearer to white: another picture of the same, for a second reading. */
export function sharpen({ data }: Gray): void {
  for (const [at, shade] of data.entries()) {
    const apart = (shade - 128) * 2.6 + 128;
    data[at] = Math.max(0, Math.min(255, apart));
  }
}

/** Whitens an edge of a picture: what stands there is the frame around digits, or the next letter. */
function blank({ width, height, data }: Gray, edge: number, side: 'left' | 'right' | 'all'): void {
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    if (side === 'all' && (y < edge || y >= height - edge)) data.fill(255, row, row + width);
    if (side !== 'right') data.fill(255, row, row + edge);
    if (side !== 'left') data.fill(255, row + width - edge, row + width);
  }
}

export function sheetOf(source: Gray, rows: readonly Row[], sharp = false): Sheet {
  const pictures = rows.map((row) => {
    const even = evened(sampled(source, row.frame), row.polarity, row.tall);
    if (sharp) sharpen(even);
    for (const side of row.close) blank(even, row.margin - 3, side);
    return !row.isShort ? { even, repeats: 1 } : { even, repeats: REPEATS };
  });
  const width = Math.max(64, ...pictures.map(({ even, repeats }) => even.width * repeats)) + 2 * EDGE;
  const height = pictures.reduce((sum, { even }) => sum + even.height + GAP, GAP);
  const data = new Uint8Array(width * height).fill(255);
  let top = GAP;
  const bands = pictures.map(({ even, repeats }) => {
    for (let again = 0; again < repeats; again += 1) {
      for (let y = 0; y < even.height; y += 1) {
        data.set(
          even.data.subarray(y * even.width, (y + 1) * even.width),
          (top + y) * width + EDGE + again * even.width,
        );
      }
    }
    const band = { top, base: top + even.height, repeats, wide: even.width };
    top += even.height + GAP;
    return band;
  });
  return { gray: { width, height, data }, bands };
}

/** The picture of one row, cut out of its sheet. */
export function bandOf({ gray, bands }: Sheet, at: number): Gray {
  const { top, base, wide } = bands[at] ?? { top: 0, base: 1, wide: 1 };
  const data = new Uint8Array(wide * (base - top));
  for (let y = top; y < base; y += 1) {
    const from = y * gray.width + EDGE;
    data.set(gray.data.subarray(from, from + wide), (y - top) * wide);
  }
  return { width: wide, height: base - top, data };
}

/** Where a row's own picture begins in its sheet. */
export const SHEET_EDGE = EDGE;

/** Shade below which a column of a row is ink. */
const INK = 150;

/**
 * Upright strokes in a stretch of a row, counted at half the height of its letters, where serifs do not reach: what a
 * numeral of them comes to, whatever letters it was read for.
 *
 * @param from - pixels of the row
 */
export function strokesIn({ gray, bands }: Sheet, at: number, from: number, to: number): number {
  const band = bands[at];
  if (!band) return 0;
  const tall = band.base - band.top;
  const [top, base] = [band.top + Math.round(tall * 0.42), band.top + Math.round(tall * 0.62)];
  let strokes = 0;
  let isInk = false;
  for (let x = Math.max(0, from - 4) + EDGE; x <= Math.min(band.wide, to + 4) + EDGE; x += 1) {
    let sum = 0;
    for (let y = top; y < base; y += 1) sum += gray.data[y * gray.width + Math.round(x)] ?? 255;
    const dark = sum / (base - top) < INK;
    if (dark && !isInk) strokes += 1;
    isInk = dark;
  }
  return strokes;
}
