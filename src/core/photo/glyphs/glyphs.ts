import type { Gray } from '../gray.ts';
import { connected } from '../ink.ts';

/** A sign of print by itself, from the picture of its row. */
export interface Glyph {
  /** Ink in a square of sixteen by sixteen, row by row, 0 to 1, and its width over its height last. */
  readonly ink: Float32Array;
  /** Columns of the row. */
  readonly from: number;
  readonly to: number;
  /** Rows of the row's picture. */
  readonly top: number;
  readonly base: number;
}

/** Side of the square that a sign is brought to, pixels. */
const SIDE = 16;
/** Numbers that a sign is told by. */
const FEATURES = SIDE * SIDE + 1;

/** Shade that parts ink from ground in an evened row. */
const HALF = 128;
/** Height of a capital or a digit, as a share of the row's capitals. */
const LEAST_TALL = 0.62;
const MOST_TALL = 1.3;
/** Pieces of one sign stand over each other, by so much of the narrower one. */
const OVER = 0.5;

interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A sign brought to a square: as tall as it, in the middle of its width, squeezed only where it is wider. */
function squared({ data, width }: Gray, box: Box): Float32Array {
  const out = new Float32Array(FEATURES);
  const [wide, tall] = [box.right - box.left + 1, box.bottom - box.top + 1];
  const shown = Math.max(1, Math.min(SIDE, Math.round((SIDE * wide) / tall)));
  const start = (SIDE - shown) >> 1;
  for (let y = 0; y < SIDE; y += 1) {
    const [y0, y1] = [box.top + (y * tall) / SIDE, box.top + ((y + 1) * tall) / SIDE];
    for (let x = 0; x < shown; x += 1) {
      const [x0, x1] = [box.left + (x * wide) / shown, box.left + ((x + 1) * wide) / shown];
      let [sum, count] = [0, 0];
      for (let row = Math.floor(y0); row < Math.max(Math.floor(y0) + 1, Math.round(y1)); row += 1) {
        for (let column = Math.floor(x0); column < Math.max(Math.floor(x0) + 1, Math.round(x1)); column += 1) {
          sum += 255 - (data[Math.min(row, box.bottom) * width + Math.min(column, box.right)] ?? 255);
          count += 1;
        }
      }
      out[y * SIDE + start + x] = sum / (255 * count);
    }
  }
  out[SIDE * SIDE] = Math.min(2, wide / tall);
  return out;
}

const isOver = (a: Box, b: Box): boolean =>
  Math.min(a.right, b.right) - Math.max(a.left, b.left) + 1 >
  OVER * Math.min(a.right - a.left + 1, b.right - b.left + 1);

/** Without pieces that stand within the width of a taller one: the dot in a zero, a line under print. */
function apartFrom(pieces: readonly Box[]): readonly Box[] {
  const signs: Box[] = [];
  for (const piece of [...pieces].sort((a, b) => b.bottom - b.top - (a.bottom - a.top)))
    if (!signs.some((sign) => isOver(sign, piece))) signs.push(piece);
  return signs.sort((a, b) => a.left - b.left);
}

/**
 * The signs of a row, from left to right: connected ink as tall as a capital.
 *
 * @param even - the row, dark on white
 * @param tall - height of its capitals, pixels
 */
export function glyphsIn(even: Gray, tall: number): readonly Glyph[] {
  const { width, height, data } = even;
  const apart = new Int16Array(data.length);
  for (let at = 0; at < data.length; at += 1) apart[at] = (data[at] ?? 255) - HALF;
  const pieces = connected(apart, width, height, 'dark').blobs.filter(({ top, bottom, left, right }) => {
    const own = bottom - top + 1;
    return own > LEAST_TALL * tall && own < MOST_TALL * tall && right - left + 1 < 1.6 * tall;
  });
  return apartFrom(pieces).map((box) => ({
    ink: squared(even, box),
    from: box.left,
    to: box.right,
    top: box.top,
    base: box.bottom,
  }));
}
