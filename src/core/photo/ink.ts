import type { Gray } from './gray.ts';

/** What is darker, or lighter, than what is around it: print of either kind. */
export type Polarity = 'dark' | 'light';

/** A piece of connected ink. Places are in pixels of the picture it was found in. */
export interface Blob {
  readonly polarity: Polarity;
  readonly id: number;
  readonly area: number;
  /** Shades by which it differs from its surroundings, in the mean of its pixels. */
  readonly contrast: number;
  readonly left: number;
  readonly top: number;
  /** Inclusive. */
  readonly right: number;
  readonly bottom: number;
}

/** Every pixel's blob; 0 where there is no ink. */
export interface Inked {
  readonly polarity: Polarity;
  readonly width: number;
  readonly height: number;
  readonly ids: Int32Array;
  readonly blobs: readonly Blob[];
}

/** Sums of all pixels above and left of each, one row and column more than the picture. */
function sums({ width, height, data }: Gray): Float64Array {
  const total = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    for (let x = 0; x < width; x += 1) {
      row += data[y * width + x] ?? 0;
      total[(y + 1) * (width + 1) + x + 1] = (total[y * (width + 1) + x + 1] ?? 0) + row;
    }
  }
  return total;
}

/** Mean shade of a square around every pixel. */
export function surroundings(gray: Gray, radius: number): Uint8Array {
  const { width, height } = gray;
  const total = sums(gray);
  const mean = new Uint8Array(width * height);
  const line = width + 1;
  for (let y = 0; y < height; y += 1) {
    const top = Math.max(0, y - radius) * line;
    const low = Math.min(height, y + radius + 1) * line;
    const rows = (low - top) / line;
    for (let x = 0; x < width; x += 1) {
      const left = Math.max(0, x - radius);
      const right = Math.min(width, x + radius + 1);
      mean[y * width + x] =
        ((total[low + right] ?? 0) - (total[low + left] ?? 0) - (total[top + right] ?? 0) + (total[top + left] ?? 0)) /
        (rows * (right - left));
    }
  }
  return mean;
}

/** Shades by which ink differs from its surroundings at least. */
const CONTRAST = 13;

/**
 * Finds connected ink of one polarity by runs: runs that touch the row above take its number.
 *
 * @param apart - shades by which each pixel differs from its ground, row by row
 */
export function connected(apart: Int16Array, width: number, height: number, polarity: Polarity): Inked {
  const sign = polarity === 'light' ? 1 : -1;
  const ids = new Int32Array(width * height);
  const parent: number[] = [0];
  const root = (id: number): number => {
    let at = id;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at] ?? 0] ?? 0;
      at = parent[at] ?? 0;
    }
    return at;
  };
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    for (let x = 0; x < width; x += 1) {
      if ((apart[row + x] ?? 0) * sign <= CONTRAST) continue;
      const left = x > 0 ? (ids[row + x - 1] ?? 0) : 0;
      let id = left;
      if (y > 0) {
        for (let near = Math.max(0, x - 1); near <= Math.min(width - 1, x + 1); near += 1) {
          const above = ids[row - width + near] ?? 0;
          if (above === 0) continue;
          if (id === 0) id = above;
          else if (id !== above) {
            const [a, b] = [root(id), root(above)];
            if (a !== b) parent[Math.max(a, b)] = Math.min(a, b);
          }
        }
      }
      if (id === 0) {
        id = parent.length;
        parent.push(id);
      }
      ids[row + x] = id;
    }
  }
  const own = new Map<
    number,
    { area: number; sum: number; left: number; top: number; right: number; bottom: number }
  >();
  for (let y = 0, at = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1, at += 1) {
      const id = ids[at] ?? 0;
      if (id === 0) continue;
      const end = root(id);
      ids[at] = end;
      const blob = own.get(end);
      if (!blob) own.set(end, { area: 1, sum: (apart[at] ?? 0) * sign, left: x, top: y, right: x, bottom: y });
      else {
        blob.area += 1;
        blob.sum += (apart[at] ?? 0) * sign;
        if (x < blob.left) blob.left = x;
        if (x > blob.right) blob.right = x;
        blob.bottom = y;
      }
    }
  }
  return {
    polarity,
    width,
    height,
    ids,
    blobs: [...own].map(([id, { sum, ...blob }]) => ({ id, polarity, contrast: sum / blob.area, ...blob })),
  };
}

/**
 * Ink of both polarities: what differs from the mean around it. A card may be printed light on dark and dark on light, and
 * a shine makes one of the other.
 *
 * @param radius - half the side of the square that counts as around, pixels: more than a stroke is wide
 */
export function inked(gray: Gray, radius: number): readonly [dark: Inked, light: Inked] {
  const mean = surroundings(gray, radius);
  const { width, height, data } = gray;
  const apart = new Int16Array(data.length);
  for (let at = 0; at < data.length; at += 1) apart[at] = (data[at] ?? 0) - (mean[at] ?? 0);
  return [connected(apart, width, height, 'dark'), connected(apart, width, height, 'light')];
}
