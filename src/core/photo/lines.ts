import type { Blob, Inked, Polarity } from './ink.ts';

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

/** A digit in a frame: a bowl open at the top (a UHS grade) or a ring open at the right (a speed class). */
export interface Framed {
  readonly shape: 'bowl' | 'ring' | 'closed';
  readonly frame: Letter;
  /** What stands in it, from left to right. */
  readonly inside: readonly Letter[];
}

/** Letters beside each other. */
export interface Line extends Extent {
  readonly polarity: Polarity;
  readonly letters: readonly Letter[];
  /** Height of its capitals, pixels. */
  readonly tall: number;
  /** How much its base line sinks for each pixel along: what perspective leaves of the turn. */
  readonly slope: number;
}

export interface Print {
  /** Direction of the print, radians clockwise from the right. */
  readonly angle: number;
  readonly lines: readonly Line[];
  readonly framed: readonly Framed[];
}

const LEAST_TALL = 6;
/** Longest side of a letter, as a share of the picture's. */
const LARGEST = 0.4;
/** Shades by which print differs from its ground in the mean: less is grain. */
const LEAST_CONTRAST = 21;

/** Whether a blob has the size and shape of a letter, or of a few that run together. */
function isLetterLike({ left, top, right, bottom, area, contrast }: Blob, { width, height }: Inked): boolean {
  const [wide, tall] = [right - left + 1, bottom - top + 1];
  const [short, long] = [Math.min(wide, tall), Math.max(wide, tall)];
  if (long < LEAST_TALL || short < 2 || long > LARGEST * Math.max(width, height)) return false;
  if (contrast < LEAST_CONTRAST) return false;
  if (left === 0 || top === 0 || right === width - 1 || bottom === height - 1) return false;
  return area > 0.08 * wide * tall && area > 8;
}

const middle = ({ left, right, top, bottom }: Blob): readonly [number, number] => [
  (left + right) / 2,
  (top + bottom) / 2,
];
const sizeOf = ({ left, right, top, bottom }: Blob): number => Math.hypot(right - left + 1, bottom - top + 1);

const BINS = 180;

/** Height of print on a plate, as a share of the plate's: less may be a hole in a letter. */
const PLATE_PART = 0.16;
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

const isAround = (outer: Blob, inner: Blob): boolean =>
  inner.left > outer.left && inner.right < outer.right && inner.top > outer.top && inner.bottom < outer.bottom;

/**
 * Blobs without plates under other print and the shine around it: those differ less from what is around them than the
 * print in them does.
 */
function withoutPlates(blobs: readonly Blob[], others: readonly Blob[]): readonly Blob[] {
  return blobs.filter(
    (blob) =>
      !others.some(
        (other) =>
          other.contrast > blob.contrast * 1.1 &&
          isAround(blob, other) &&
          other.bottom - other.top > PLATE_PART * (blob.bottom - blob.top),
      ),
  );
}

/** Extents of the letters along and across a direction, from every pixel of their ink. */
function extents(ink: Inked, blobs: readonly Blob[], angle: number): readonly Letter[] {
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

const tallOf = ({ top, base }: Extent): number => base - top + 1;
const contains = (outer: Extent, inner: Extent): boolean =>
  inner.from > outer.from &&
  inner.to < outer.to &&
  inner.top > outer.top &&
  inner.base < outer.base + tallOf(outer) * 0.05;

/** Whether ink of a blob lies between a point and the blob's border, in one direction. */
function isHit(ink: Inked, blob: Blob, from: readonly [number, number], step: readonly [number, number]): boolean {
  let [x, y] = from;
  while (x >= blob.left && x <= blob.right && y >= blob.top && y <= blob.bottom) {
    if (ink.ids[Math.round(y) * ink.width + Math.round(x)] === blob.id) return true;
    x += step[0];
    y += step[1];
  }
  return false;
}

/** The frame around a few digits, told by the sides at which it is open; null where it is none. */
function frameAround(ink: Inked, frame: Letter, inside: readonly Letter[], angle: number): Framed | null {
  const [first] = inside;
  if (!first) return null;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const along = (Math.min(...inside.map(({ from }) => from)) + Math.max(...inside.map(({ to }) => to))) / 2;
  const across = (Math.min(...inside.map(({ top }) => top)) + Math.max(...inside.map(({ base }) => base))) / 2;
  const centre: readonly [number, number] = [along * cos - across * sin, along * sin + across * cos];
  const hit = (alongStep: number, acrossStep: number): boolean =>
    isHit(ink, frame.blob, centre, [alongStep * cos - acrossStep * sin, alongStep * sin + acrossStep * cos]);
  const [right, left, down, up] = [hit(1, 0), hit(-1, 0), hit(0, 1), hit(0, -1)];
  if (left && right && down && !up) return { shape: 'bowl', frame, inside };
  if (left && !right && down && up) return { shape: 'ring', frame, inside };
  return left && right && down && up ? { shape: 'closed', frame, inside } : null;
}

/** Frames with what stands in them. */
function framesIn(ink: Inked, letters: readonly Letter[], angle: number): readonly Framed[] {
  return letters.flatMap((frame) => {
    const tall = tallOf(frame);
    const shape = (frame.to - frame.from) / tall;
    if (shape < 0.6 || shape > 1.6) return [];
    const inside = letters.filter(
      (one) => one !== frame && contains(frame, one) && tallOf(one) > 0.28 * tall && tallOf(one) < 0.8 * tall,
    );
    if (inside.length === 0 || inside.length > 2) return [];
    const found = frameAround(
      ink,
      frame,
      [...inside].sort((a, b) => a.from - b.from),
      angle,
    );
    return found && found.shape !== 'closed' ? [found] : [];
  });
}

/** Widest gap within a line, in heights of its letters: a space of wide print. */
const WORD_GAP = 1.25;

/** Whether two letters stand in one line. */
function areBeside(a: Letter, b: Letter): boolean {
  const [tallA, tallB] = [tallOf(a), tallOf(b)];
  const ratio = tallA / tallB;
  if (ratio < 0.38 || ratio > 2.6) return false;
  const common = Math.min(a.base, b.base) - Math.max(a.top, b.top);
  if (common < 0.45 * Math.min(tallA, tallB)) return false;
  const gap = Math.max(a.from, b.from) - Math.min(a.to, b.to);
  return gap < WORD_GAP * Math.max(tallA, tallB) && gap > -0.5 * Math.min(tallA, tallB);
}

/** One line of letters. */
export function lineOf(letters: readonly Letter[], polarity: Polarity): Line {
  const sorted = [...letters].sort((a, b) => a.from - b.from);
  const talls = sorted.map(tallOf).sort((a, b) => a - b);
  const tall = talls[Math.floor((talls.length - 1) * 0.75)] ?? 0;
  return {
    polarity,
    letters: sorted,
    tall,
    slope: slopeOf(sorted, tall),
    from: Math.min(...sorted.map(({ from }) => from)),
    to: Math.max(...sorted.map(({ to }) => to)),
    top: Math.min(...sorted.map(({ top }) => top)),
    base: Math.max(...sorted.map(({ base }) => base)),
  };
}

/** Steepest base line believed: more is no line. */
const STEEPEST = 0.14;

/** The middle of the slopes between base points of letters that are far enough apart (Theil and Sen's estimate). */
function slopeOf(letters: readonly Letter[], tall: number): number {
  const full = letters.filter((letter) => tallOf(letter) > 0.75 * tall && tallOf(letter) < 1.25 * tall);
  const slopes: number[] = [];
  for (const [at, a] of full.entries()) {
    for (const b of full.slice(at + 1)) {
      const apart = (b.from + b.to - a.from - a.to) / 2;
      if (apart < 1.2 * tall) continue;
      // Letters of one height tell the slope by their tops as well as by their feet.
      slopes.push((b.base - a.base) / apart, (b.top - a.top) / apart);
    }
  }
  if (slopes.length === 0) return 0;
  slopes.sort((a, b) => a - b);
  const middleSlope = slopes[Math.floor(slopes.length / 2)] ?? 0;
  return Math.max(-STEEPEST, Math.min(STEEPEST, middleSlope));
}

/** Letters joined into lines. */
function linesOf(letters: readonly Letter[], polarity: Polarity): readonly Line[] {
  const parent = letters.map((_, at) => at);
  const root = (at: number): number => {
    let one = at;
    while (parent[one] !== one) one = parent[one] ?? 0;
    return one;
  };
  for (const [at, letter] of letters.entries()) {
    for (let other = at + 1; other < letters.length; other += 1) {
      const b = letters[other];
      if (b && areBeside(letter, b)) parent[root(at)] = root(other);
    }
  }
  const groups = new Map<number, Letter[]>();
  for (const [at, letter] of letters.entries()) {
    const own = groups.get(root(at));
    if (own) own.push(letter);
    else groups.set(root(at), [letter]);
  }
  return [...groups.values()].map((group) => lineOf(group, polarity));
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

/** Direction of the print, radians in (-π/2, π/2]: sharpest lines, and the neighbours of most letters agreeing. */
function directionOf(ink: readonly Inked[], blobs: readonly (readonly Blob[])[]): number {
  const both = ink.map((one, at) => ({ ink: one, blobs: blobs[at] ?? [] }));
  const points = pointsOf(both);
  const wide = Math.ceil(Math.hypot(ink[0]?.width ?? 0, ink[0]?.height ?? 0));
  const votes = neighbourVotes(blobs.flat());
  const most = Math.max(1, ...votes);
  let best = 0;
  let highest = -1;
  const weigh = (degrees: number): void => {
    const agreed = (votes[(Math.round(degrees) + BINS) % BINS] ?? 0) / most;
    const score = sharpness(points, degrees * RADIANS, wide) * (UNSEEN + agreed);
    if (score <= highest) return;
    highest = score;
    best = degrees;
  };
  for (let degrees = -89; degrees <= 90; degrees += 1.5) weigh(degrees);
  const rough = best;
  for (let off = -1.5; off <= 1.5; off += 0.25) weigh(rough + off);
  return best * RADIANS;
}

const isWithin = (inner: Extent, outer: Extent): boolean =>
  outer.from <= inner.from + 1 &&
  outer.to >= inner.to - 1 &&
  outer.top <= inner.top + 1 &&
  outer.base >= inner.base - 1;

/** Height of letters on a plate or in a box, as a share of its own: holes in letters and words are lower. */
const LETTERS_ON_PLATE = 0.42;
/** Part of a plate that is its own ink or the letters on it. */
const PLATE_FILLED = 0.8;

/** Whether a blob is a plate with letters of the other kind on it. */
function isPlate(blob: Letter, others: readonly Letter[]): boolean {
  const on = others.filter((one) => isWithin(one, blob));
  const letters = on.filter((one) => tallOf(one) > LETTERS_ON_PLATE * tallOf(blob));
  const wide = blob.to - blob.from;
  const isWord = wide > 1.6 * tallOf(blob) && letters.some((one) => one.to - one.from > 0.5 * wide);
  if (letters.length < 3 && !isWord) return false;
  const area = on.reduce((sum, one) => sum + one.blob.area, blob.blob.area);
  return area > PLATE_FILLED * tallOf(blob) * (blob.to - blob.from + 1);
}

/** Whether a blob is a box drawn around letters of its own kind. */
const isBox = (blob: Letter, letters: readonly Letter[]): boolean =>
  letters.filter((one) => one !== blob && isWithin(one, blob) && tallOf(one) > LETTERS_ON_PLATE * tallOf(blob)).length >
    0 && blob.to - blob.from > 1.6 * tallOf(blob);

/** What is left of letters without the holes in others, which are ink of the other kind and differ less. */
function withoutHoles(letters: readonly Letter[], others: readonly Letter[]): readonly Letter[] {
  return letters.filter(
    (letter) => !others.some((other) => other.blob.contrast >= letter.blob.contrast * 0.9 && isWithin(letter, other)),
  );
}

/** Letters of a picture and the direction they run in. */
export interface Letters {
  readonly inks: readonly [dark: Inked, light: Inked];
  readonly blobs: readonly [dark: readonly Blob[], light: readonly Blob[]];
  /** Radians clockwise from the right, of the print or of its opposite. */
  readonly angle: number;
}

/** What may be letters in a picture, and their common direction; upside down and upright are the same to it. */
export function lettersIn(inks: readonly [dark: Inked, light: Inked]): Letters {
  const [dark, light] = inks.map((ink) => ink.blobs.filter((blob) => isLetterLike(blob, ink)));
  const blobs = [withoutPlates(dark ?? [], light ?? []), withoutPlates(light ?? [], dark ?? [])] as const;
  return { inks, blobs, angle: directionOf(inks, blobs) };
}

/** Lines of print, and digits in frames, when the letters run in this direction. */
export function printAt({ inks, blobs }: Letters, angle: number): Print {
  const framed: Framed[] = [];
  const lines: Line[] = [];
  const placed = inks.map((ink, at) => ({ ink, found: extents(ink, blobs[at] ?? [], angle) }));
  for (const [at, { ink, found }] of placed.entries()) {
    const others = placed[1 - at]?.found ?? [];
    const plates = others.filter((other) => isPlate(other, found));
    const letters = withoutHoles(
      found.filter((one) => !isPlate(one, others)),
      others.filter((other) => !plates.includes(other)),
    );
    const frames = framesIn(ink, letters, angle);
    framed.push(...frames);
    const taken = new Set(frames.flatMap(({ frame, inside }) => [frame, ...inside]));
    for (const letter of letters) if (isBox(letter, letters)) taken.add(letter);
    lines.push(
      ...linesOf(
        letters.filter((letter) => !taken.has(letter)),
        ink.polarity,
      ),
    );
  }
  return { angle, lines, framed };
}
