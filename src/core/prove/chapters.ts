import { entryAt } from '../entryAt.ts';
import type { ClipReading, ClipTracks, Packets } from './clip.ts';

/** A clip by its name, as it was read. */
interface Named {
  readonly name: string;
  readonly clip: ClipReading;
}

/** Sizes at which cameras close a file and go on in the next, bytes: common practice, and the most that FAT32 lets a file hold [S: 2³² − 1]. */
const FULL_SIZES = [2 ** 31, 2 ** 32 - 1, 4e9, 8e9, 2 ** 33, 16e9, 2 ** 34] as const;
/** How far under such a size a full chapter ends: a group of frames fits or does not [A]. */
const UNDER = 0.05;
/** Chapters of one take that were closed at a size nobody knows lie this near to each other [A]. */
const ALIKE = 0.02;

const isFull = ({ fileBytes }: ClipReading): boolean =>
  FULL_SIZES.some((most) => fileBytes <= most * 1.001 && fileBytes >= most * (1 - UNDER));

/** Whether two clips were written in the same mode, as far as their files tell. */
const areAlike = (a: ClipReading, b: ClipReading): boolean =>
  a.width === b.width &&
  a.height === b.height &&
  a.fps === b.fps &&
  a.codec === b.codec &&
  a.captureFps === b.captureFps &&
  a.pictures === b.pictures &&
  a.family === b.family;

/** The numbers of a name without its ending, and what stands around them. */
function partsOf(name: string): { readonly around: string; readonly numbers: readonly bigint[] } {
  const bare = name.replace(/\.[^.]*$/, '').toLowerCase();
  return {
    around: `${bare.replace(/\d+/g, '#')}${name.slice(bare.length).toLowerCase()}`,
    numbers: [...bare.matchAll(/\d+/g)].map(([digits]) => BigInt(digits)),
  };
}

/** Whether one name follows the other: one of its numbers is higher by one, and all else is as it was. */
function follows(before: string, after: string): boolean {
  const [a, b] = [partsOf(before), partsOf(after)];
  if (a.around !== b.around || a.numbers.length !== b.numbers.length) return false;
  const changed = a.numbers.flatMap((number, at) => (number === entryAt(b.numbers, at) ? [] : [at]));
  const [only] = changed;
  return changed.length === 1 && only !== undefined && entryAt(b.numbers, only) === entryAt(a.numbers, only) + 1n;
}

/** By name, numbers as numbers: a file chooser lists them as it likes. */
const inOrder = <T extends Named>(clips: readonly T[]): readonly T[] =>
  [...clips].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));

/**
 * Clips that may be chapters of one take: a camera closes a file at some size and goes on in the next. Their names count on,
 * they are of one mode, and every one but the last is as full as a file gets, or as full as the others. A guess: it is
 * offered, never taken.
 *
 * @param clips - whole ones, in any order
 */
export function chaptersOf<T extends Named>(clips: readonly T[]): readonly (readonly T[])[] {
  const runs: T[][] = [];
  for (const clip of inOrder(clips)) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    const goesOn =
      run !== undefined &&
      last !== undefined &&
      follows(last.name, clip.name) &&
      areAlike(last.clip, clip.clip) &&
      clip.clip.fileBytes <= last.clip.fileBytes * (1 + ALIKE) &&
      // A chapter after one that was not full begins another take.
      (run.length === 1 || last.clip.fileBytes >= entryAt(run, 0).clip.fileBytes * (1 - ALIKE));
    if (goesOn) run.push(clip);
    else runs.push([clip]);
  }
  return runs.filter((run) => {
    const full = run.slice(0, -1);
    return full.length > 0 && (full.every(({ clip }) => isFull(clip)) || full.length > 1);
  });
}

const join = (parts: readonly Float64Array[]): Float64Array => {
  const whole = new Float64Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
};

/**
 * Chapters as the one take they were: each goes on where the one before ends. What was lost between two of them cannot be seen.
 *
 * @param chapters - at least one, in their order, each with as many tracks as the first
 */
export function joinedChapters(chapters: readonly ClipTracks[]): ClipTracks {
  const first = entryAt(chapters, 0);
  const starts: number[] = [0];
  for (const { video } of chapters)
    starts.push(entryAt(starts, starts.length - 1) + video.end - (video.seconds[0] ?? 0));
  const track = (of: (clip: ClipTracks) => Packets | undefined): Packets => {
    const parts = chapters.flatMap((clip, at) => {
      const packets = of(clip);
      const shift = entryAt(starts, at) - (clip.video.seconds[0] ?? 0);
      return packets ? [{ packets, shift }] : [];
    });
    return {
      seconds: join(parts.map(({ packets, shift }) => packets.seconds.map((second) => second + shift))),
      bytes: join(parts.map(({ packets }) => packets.bytes)),
      isKey: Uint8Array.from(parts.flatMap(({ packets }) => [...packets.isKey])),
      end: Math.max(...parts.map(({ packets, shift }) => packets.end + shift)),
    };
  };
  const sum = (of: (clip: ClipTracks) => number): number => chapters.reduce((total, clip) => total + of(clip), 0);
  const isTold = chapters.every(({ mediaBytes }) => mediaBytes !== undefined);
  return {
    ...first,
    video: track(({ video }) => video),
    morePictures: (first.morePictures ?? []).map((_, at) => track(({ morePictures }) => morePictures?.[at])),
    sound: first.sound.map((_, at) => track(({ sound }) => sound[at])),
    ...(isTold ? { mediaBytes: sum(({ mediaBytes = 0 }) => mediaBytes) } : {}),
    cutBytes: null,
    fileBytes: sum(({ fileBytes }) => fileBytes),
  };
}
