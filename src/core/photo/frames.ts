import type { Blob, Inked } from './ink.ts';
import { type Extent, isWithin, type Letter, tallOf } from './letters.ts';

/** A digit in a frame: a bowl open at the top (a UHS grade) or a ring open at the right (a speed class). */
export interface Framed {
  readonly shape: 'bowl' | 'ring' | 'closed';
  readonly frame: Letter;
  /** What stands in it, from left to right. */
  readonly inside: readonly Letter[];
}

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
export function framesIn(ink: Inked, letters: readonly Letter[], angle: number): readonly Framed[] {
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

/** Height of letters on a plate or in a box, as a share of its own: holes in letters and words are lower. */
const LETTERS_ON_PLATE = 0.42;
/** Part of a plate that is its own ink or the letters on it. */
const PLATE_FILLED = 0.7;

/** Letters over each other on a plate are lower; then it has to be filled as no word is. */
const LETTERS_STACKED = 0.2;
const WHOLLY_FILLED = 0.81;

/** Whether a blob is a plate with letters of the other kind on it. */
export function isPlate(blob: Letter, others: readonly Letter[]): boolean {
  const on = others.filter((one) => isWithin(one, blob));
  const letters = on.filter((one) => tallOf(one) > LETTERS_ON_PLATE * tallOf(blob));
  const filled =
    on.reduce((sum, one) => sum + one.blob.area, blob.blob.area) / (tallOf(blob) * (blob.to - blob.from + 1));
  const stacked = on.filter((one) => tallOf(one) > LETTERS_STACKED * tallOf(blob));
  if (stacked.length >= 3 && filled > WHOLLY_FILLED) return true;
  const wide = blob.to - blob.from;
  const isWord = wide > 1.6 * tallOf(blob) && letters.some((one) => one.to - one.from > 0.5 * wide);
  if (letters.length < 3 && !isWord) return false;
  return filled > PLATE_FILLED;
}

/** Ink of a box, as a share of what it encloses: more is a letter. */
const BOX_INK = 0.45;

/** Whether a blob is a box drawn around letters of its own kind. */
export function isBox(blob: Letter, letters: readonly Letter[]): boolean {
  const within = letters.filter((one) => one !== blob && isWithin(one, blob));
  const wide = blob.to - blob.from + 1;
  if (within.some((one) => tallOf(one) > LETTERS_ON_PLATE * tallOf(blob)) && wide > 1.6 * tallOf(blob)) return true;
  // Around a few, whatever its shape: a box of two lines, or of narrow print.
  const several = within.filter((one) => tallOf(one) > LETTERS_STACKED * tallOf(blob));
  return several.length >= 2 && blob.blob.area < BOX_INK * wide * tallOf(blob);
}

/** What is left of letters without the holes in others, which are ink of the other kind and differ less. */
export function withoutHoles(letters: readonly Letter[], others: readonly Letter[]): readonly Letter[] {
  return letters.filter(
    (letter) => !others.some((other) => other.blob.contrast >= letter.blob.contrast * 0.9 && isWithin(letter, other)),
  );
}
