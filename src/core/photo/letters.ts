import type { Blob, Inked } from './ink.ts';

/** Where a blob lies along and across the direction of the print, pixels. */
export interface Extent {
  /** Along. */
  readonly from: number;
  readonly to: number;
  /** Across; grows downwards. */
  readonly top: number;
  readonly base: number;
}

/** A blob that may be a letter. */
export interface Letter extends Extent {
  readonly blob: Blob;
}

const LEAST_TALL = 6;
/** Longest side of a letter, as a share of the picture's. */
const LARGEST = 0.4;
/** Shades by which print differs from its ground in the mean: less is grain. */
const LEAST_CONTRAST = 21;

/** Whether a blob has the size and shape of a letter, or of a few that run together. */
export function isLetterLike({ left, top, right, bottom, area, contrast }: Blob, { width, height }: Inked): boolean {
  const [wide, tall] = [right - left + 1, bottom - top + 1];
  const [short, long] = [Math.min(wide, tall), Math.max(wide, tall)];
  if (long < LEAST_TALL || short < 2 || long > LARGEST * Math.max(width, height)) return false;
  if (contrast < LEAST_CONTRAST) return false;
  if (left === 0 || top === 0 || right === width - 1 || bottom === height - 1) return false;
  return area > 0.08 * wide * tall && area > 8;
}

/** Height of print on a plate, as a share of the plate's: less may be a hole in a letter. */
const PLATE_PART = 0.16;
const isAround = (outer: Blob, inner: Blob): boolean =>
  inner.left > outer.left && inner.right < outer.right && inner.top > outer.top && inner.bottom < outer.bottom;

/** Whether a blob stands on one of the other kind that is a plate of its own: then what it encloses is of that plate. */
const isOnPlate = (blob: Blob, others: readonly Blob[]): boolean =>
  others.some((plate) => plate.area > blob.area && plate.contrast > blob.contrast && isAround(plate, blob));

/**
 * Blobs without plates under other print and the shine around it: those differ less from what is around them than the
 * print in them does. A zero on a plate does so, too, for the ground in it is the plate's: it stays.
 */
export function withoutPlates(blobs: readonly Blob[], others: readonly Blob[]): readonly Blob[] {
  return blobs.filter(
    (blob) =>
      !others.some(
        (other) =>
          other.contrast > blob.contrast * 1.1 &&
          isAround(blob, other) &&
          other.bottom - other.top > PLATE_PART * (blob.bottom - blob.top),
      ) || isOnPlate(blob, others),
  );
}

/** Extents of the letters along and across a direction, from every pixel of their ink. */
export function extents(ink: Inked, blobs: readonly Blob[], angle: number): readonly Letter[] {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return blobs.map((blob) => {
    let [from, to, top, base] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let y = blob.top; y <= blob.bottom; y += 1) {
      const row = y * ink.width;
      let first = -1;
      let last = -1;
      for (let x = blob.left; x <= blob.right; x += 1) {
        if (ink.ids[row + x] !== blob.id) continue;
        if (first < 0) first = x;
        last = x;
      }
      if (first < 0) continue;
      for (const x of [first, last]) {
        const along = x * cos + y * sin;
        const across = y * cos - x * sin;
        if (along < from) from = along;
        if (along > to) to = along;
        if (across < top) top = across;
        if (across > base) base = across;
      }
    }
    return { blob, from, to, top, base };
  });
}

export const tallOf = ({ top, base }: Extent): number => base - top + 1;

export const isWithin = (inner: Extent, outer: Extent): boolean =>
  outer.from <= inner.from + 1 &&
  outer.to >= inner.to - 1 &&
  outer.top <= inner.top + 1 &&
  outer.base >= inner.base - 1;
