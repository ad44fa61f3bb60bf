import { directionsOf } from './direction.ts';
import { type Framed, framesIn, isBox, isPlate, withoutHoles } from './frames.ts';
import type { Blob, Inked, Polarity } from './ink.ts';
import { type Extent, extents, isLetterLike, type Letter, tallOf, withoutPlates } from './letters.ts';

/** Letters beside each other. */
export interface Line extends Extent {
  readonly polarity: Polarity;
  readonly letters: readonly Letter[];
  /** Height of its capitals, pixels. */
  readonly tall: number;
  /** How much its base line sinks for each pixel along: what perspective leaves of the turn. */
  readonly slope: number;
}

export interface PrintFound {
  /** Direction of the print, radians clockwise from the right. */
  readonly angle: number;
  readonly lines: readonly Line[];
  readonly framed: readonly Framed[];
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

/** Letters of a picture and the direction they run in. */
export interface Letters {
  readonly inks: readonly [dark: Inked, light: Inked];
  readonly blobs: readonly [dark: readonly Blob[], light: readonly Blob[]];
  /** Radians clockwise from the right, of the print or of its opposite. */
  readonly angle: number;
}

/** By how much more letters must have neighbours in a direction than in one that looked likelier. */
const FAR_MORE = 1.5;

/** How many letters stand beside another in lines of this direction. */
function joined(letters: Omit<Letters, 'angle'>, angle: number): number {
  return printAt({ ...letters, angle }, angle).lines.reduce((sum, line) => sum + line.letters.length - 1, 0);
}

/** What may be letters in a picture, and their common direction; upside down and upright are the same to it. */
export function lettersIn(inks: readonly [dark: Inked, light: Inked]): Letters {
  const [dark, light] = inks.map((ink) => ink.blobs.filter((blob) => isLetterLike(blob, ink)));
  const blobs = [withoutPlates(dark ?? [], light ?? []), withoutPlates(light ?? [], dark ?? [])] as const;
  const [likeliest, ...others] = directionsOf(inks, blobs);
  if (others.length === 0) return { inks, blobs, angle: likeliest };
  // Wide-set print is as sharp across as along: where hardly a letter has a neighbour, it runs another way.
  let angle = likeliest;
  let most = joined({ inks, blobs }, likeliest) * FAR_MORE;
  for (const other of others) {
    const own = joined({ inks, blobs }, other);
    if (own <= most) continue;
    angle = other;
    most = own;
  }
  return { inks, blobs, angle };
}

/** Lines of print, and digits in frames, when the letters run in this direction. */
export function printAt({ inks, blobs }: Letters, angle: number): PrintFound {
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
