import type { Blob, Inked } from './ink.ts';

const middle = ({ left, right, top, bottom }: Blob): readonly [number, number] => [
  (left + right) / 2,
  (top + bottom) / 2,
];
const sizeOf = ({ left, right, top, bottom }: Blob): number => Math.hypot(right - left + 1, bottom - top + 1);

const BINS = 180;

/** What a direction counts that no letter's neighbours lie in: rows set flush are as sharp across as along. */
const UNSEEN = 0.2;

/** Directions, by degree, in which letters have their nearest like neighbour. */
function neighbourVotes(blobs: readonly Blob[]): Float64Array {
  const votes = new Float64Array(BINS);
  for (const blob of blobs) {
    const [x, y] = middle(blob);
    const size = sizeOf(blob);
    let nearest: { readonly dx: number; readonly dy: number } | null = null;
    let least = size * 1.7;
    for (const other of blobs) {
      if (other === blob || other.polarity !== blob.polarity) continue;
      const ratio = sizeOf(other) / size;
      if (ratio < 0.6 || ratio > 1.67) continue;
      const [ox, oy] = middle(other);
      const away = Math.hypot(ox - x, oy - y);
      if (away >= least || away < size * 0.3) continue;
      least = away;
      nearest = { dx: ox - x, dy: oy - y };
    }
    if (!nearest) continue;
    const degrees = Math.atan2(nearest.dy, nearest.dx) / RADIANS + 360;
    for (let off = -4; off <= 4; off += 1) {
      const bin = (Math.round(degrees) + off) % BINS;
      votes[bin] = (votes[bin] ?? 0) + size * (5 - Math.abs(off));
    }
  }
  return votes;
}

/** Ink of which the direction is told, pixels at most: more adds nothing. */
const MOST_POINTS = 4000;

/** Pixels of letters, evenly thinned. */
function pointsOf(both: readonly { readonly ink: Inked; readonly blobs: readonly Blob[] }[]): readonly Float32Array[] {
  const area = both.reduce((sum, { blobs }) => sum + blobs.reduce((all, blob) => all + blob.area, 0), 0);
  const every = Math.max(1, Math.floor(area / MOST_POINTS));
  return both.map(({ ink, blobs }) => {
    const points: number[] = [];
    let count = 0;
    for (const { id, left, right, top, bottom } of blobs) {
      for (let y = top; y <= bottom; y += 1) {
        for (let x = left; x <= right; x += 1) {
          if (ink.ids[y * ink.width + x] !== id) continue;
          count += 1;
          if (count % every === 0) points.push(x, y);
        }
      }
    }
    return Float32Array.from(points);
  });
}

/**
 * How sharply ink begins and ends across a direction: most along lines of print, where rows of ink and empty rows take turns
 * (Postl's measure of skew, from memory).
 */
function sharpness(points: readonly Float32Array[], angle: number, wide: number): number {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  let sum = 0;
  for (const own of points) {
    const counts = new Float32Array(2 * wide);
    for (let at = 0; at < own.length; at += 2) {
      const across = ((own[at + 1] ?? 0) * cos - (own[at] ?? 0) * sin) / 2 + wide;
      const low = Math.floor(across);
      const share = across - low;
      counts[low] = (counts[low] ?? 0) + 1 - share;
      counts[low + 1] = (counts[low + 1] ?? 0) + share;
    }
    for (let at = 1; at < counts.length; at += 1) sum += ((counts[at] ?? 0) - (counts[at - 1] ?? 0)) ** 2;
  }
  return sum;
}

const RADIANS = Math.PI / 180;

/** Directions weighed by degree steps, and how far apart two stand that are told apart, degrees. */
const STEP = 1.5;
const APART = 12;
/** Score of a direction that is still one to be tried, as a share of the best. */
const STILL = 0.3;
const MOST_DIRECTIONS = 3;

const apartBy = (a: number, b: number): number => Math.abs(((a - b + 270) % 180) - 90);

/**
 * Directions that the print may run in, the likeliest first, radians in (-π/2, π/2]: sharpest lines, and the neighbours of
 * most letters agreeing. There is always one.
 */
export function directionsOf(
  ink: readonly Inked[],
  blobs: readonly (readonly Blob[])[],
): readonly [number, ...number[]] {
  const both = ink.map((one, at) => ({ ink: one, blobs: blobs[at] ?? [] }));
  const points = pointsOf(both);
  const wide = Math.ceil(Math.hypot(ink[0]?.width ?? 0, ink[0]?.height ?? 0));
  const votes = neighbourVotes(blobs.flat());
  const most = Math.max(1, ...votes);
  const weighed = (degrees: number): { readonly degrees: number; readonly score: number } => {
    const agreed = (votes[(Math.round(degrees) + BINS) % BINS] ?? 0) / most;
    return { degrees, score: sharpness(points, degrees * RADIANS, wide) * (UNSEEN + agreed) };
  };
  const best = (all: readonly ReturnType<typeof weighed>[]): readonly ReturnType<typeof weighed>[] =>
    [...all].sort((a, b) => b.score - a.score);
  const rough = best(Array.from({ length: 180 / STEP }, (_, at) => weighed(at * STEP - 89)));
  const told: ReturnType<typeof weighed>[] = [];
  for (const one of rough) {
    if (told.length === MOST_DIRECTIONS || one.score < STILL * (told[0]?.score ?? 0)) break;
    if (told.every((other) => apartBy(one.degrees, other.degrees) >= APART)) told.push(one);
  }
  const fine = told.map(({ degrees }) => {
    const near = Array.from({ length: 13 }, (_, at) => weighed(degrees + (at - 6) / 4));
    return (best(near)[0]?.degrees ?? degrees) * RADIANS;
  });
  const [first = 0, ...others] = fine;
  return [first, ...others];
}
