import { entryAt } from '../entryAt.ts';
import type { Codec, ModeRate } from '../kit/model.ts';
import { PEAK_OVER_AVERAGE } from '../standards/assumptions.ts';
import { exactFrameRate } from '../units/frameRate.ts';

/** The packets of one track, by the time they are shown. */
export interface Packets {
  /** When each begins, seconds; ascending. */
  readonly seconds: Float64Array;
  readonly bytes: Float64Array;
  /** 1 where it needs no other to be shown. */
  readonly isKey: Uint8Array;
  /** Where the last one ends, seconds. */
  readonly end: number;
}

/** A clip as it lies in its file. */
export interface ClipTracks {
  readonly video: Packets;
  /** Pictures beside the first: a second angle, a smaller one to look at. */
  readonly morePictures?: readonly Packets[];
  readonly sound: readonly Packets[];
  /** Of everything that was recorded, data that nothing here reads among it; as the tracks have it where it is less. */
  readonly mediaBytes?: number;
  /** What is missing at the end of a file that was cut off, bytes; null where it is whole. */
  readonly cutBytes?: number | null;
  readonly width: number;
  readonly height: number;
  /** As the file names it; null where it does not. */
  readonly codec: string | null;
  /** Frames a second that the file says were captured; null where it says nothing. */
  readonly captureFps: number | null;
  readonly fileBytes: number;
}

/** Picture and sound, one beside the other. */
export const packetsOf = ({ video, morePictures = [], sound }: ClipTracks): readonly Packets[] => [
  video,
  ...morePictures,
  ...sound,
];

/** What the sizes of a clip's packets tell. */
export interface ClipReading {
  readonly seconds: number;
  readonly fileBytes: number;
  /** All pictures together. */
  readonly videoBytes: number;
  readonly soundBytes: number;
  /** Data and what holds it together. */
  readonly otherBytes: number;
  /** Pictures side by side in it. */
  readonly pictures: number;
  /** Bytes missing at its end; null where it is whole. What is cut off proves nothing. */
  readonly cutBytes: number | null;
  readonly frames: number;
  /** As recorded. A usual rate where the clip is within a thousandth of it. */
  readonly fps: number;
  /** False where frames do not follow each other evenly. */
  readonly isEven: boolean;
  /** Frames that are missing between others. */
  readonly missing: number;
  readonly captureFps: number | null;
  readonly width: number;
  readonly height: number;
  readonly codec: string | null;
  /** From the key frames; null where there are too few frames to tell. */
  readonly family: Exclude<Codec, 'raw'> | null;
  /** Frames from one key frame to the next, in the middle; null where every frame is one. */
  readonly gop: number | null;
  /** Everything that was written, on average, Mb/s. */
  readonly totalMbps: number;
  /** Everything, in the densest stretch of a second that begins at a key frame, Mb/s. */
  readonly denseMbps: number;
  /** Picture alone, Mb/s. */
  readonly pictureMbps: number;
  readonly soundMbps: number;
  /** Everything, in the densest second, Mb/s. */
  readonly peakSecondMbps: number;
  /** Picture alone, in the densest second, Mb/s. */
  readonly picturePeakMbps: number;
  /** Whether the rate is held; null where the clip is too short or lies between. */
  readonly rateIs: 'constant' | 'variable' | null;
  /** Everything, second by second, MB/s; the last second may be a part of one. */
  readonly bySecond: readonly number[];
}

/** Rates that cameras write; a clip within a thousandth of one is taken to be it. */
const USUAL = [
  12, 15, 23.976, 24, 25, 29.97, 30, 47.952, 48, 50, 59.94, 60, 90, 100, 119.88, 120, 180, 200, 239.76, 240,
];
/** Frames from which key frames tell a family. */
const ENOUGH_FRAMES = 6;
/** How far the windows of a held rate may lie apart, as a share of the middle; and those of one that follows the picture [A]. */
const SPREAD = { held: 0.1, free: 0.25 };
/** Of a held rate the densest second lies no further above the middle [A]. */
const MOST_DENSE = 1.15;
/** How far from a beat of the middle step a frame may stand, as a share of it [A]. */
const ON_BEAT = 0.1;
const MBIT = 125_000;
const MB = 1e6;

const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? Number.NaN;
};
const total = (values: Float64Array): number => values.reduce((sum, one) => sum + one, 0);

interface Pace {
  readonly fps: number;
  readonly isEven: boolean;
  readonly missing: number;
}

/** Frames a second from the steps between frames, and the frames that a step leaves out. */
function paceOf({ seconds, end }: Packets): Pace {
  const steps = Array.from(seconds.subarray(1), (at, place) => at - (seconds[place] as number));
  if (steps.length === 0) {
    const length = end - (seconds[0] ?? 0);
    return { fps: length > 0 ? 1 / length : 0, isEven: true, missing: 0 };
  }
  const usual = middle(steps);
  // Times of some files are whole milliseconds: the mean of ordinary steps is nearer than their middle.
  const ordinary = steps.filter((step) => step > 0.5 * usual && step < 1.5 * usual);
  // Frames that all stand at one time have no rate.
  if (ordinary.length === 0) return { fps: 0, isEven: false, missing: 0 };
  const step = ordinary.reduce((sum, one) => sum + one, 0) / ordinary.length;
  const fps = 1 / step;
  // Lost frames leave the rest as it is; frames that come as the picture wants do not.
  const isEven = ordinary.length >= 0.9 * steps.length && ordinary.every((one) => Math.abs(one / step - 1) < 0.25);
  // Many may be lost, and those that are left still stand on the beat; a rate that varies leaves it.
  const onBeat = steps.filter((one) => Math.abs(one / step - Math.round(one / step)) < ON_BEAT).length;
  const missing =
    isEven || onBeat >= 0.98 * steps.length
      ? steps.reduce((sum, one) => sum + (one > 1.5 * step ? Math.round(one / step) - 1 : 0), 0)
      : 0;
  const near = USUAL.find((one) => Math.abs(exactFrameRate(one) / fps - 1) < 4e-4);
  return {
    fps: near ?? Math.round(fps * 1000) / 1000,
    isEven,
    missing,
  };
}

/** The most that any stretch of this length holds, bytes a second; over all of a shorter clip. Tracks count together. */
export function peakWindow(tracks: readonly Packets[], windowSeconds: number): number {
  const all = merged(tracks);
  const [first = 0] = all.seconds;
  const span = all.end - first;
  if (span <= windowSeconds) return span > 0 ? total(all.bytes) / span : 0;
  let most = 0;
  let sum = 0;
  let from = 0;
  all.seconds.forEach((at, to) => {
    sum += all.bytes[to] as number;
    while (at - (all.seconds[from] as number) >= windowSeconds - 1e-6) {
      sum -= all.bytes[from] as number;
      from += 1;
    }
    most = Math.max(most, sum);
  });
  return most / windowSeconds;
}

/** Packets of several tracks in one order of time. */
function merged(tracks: readonly Packets[]): Packets {
  if (tracks.length === 1) return entryAt(tracks, 0);
  const all = tracks.flatMap(({ seconds, bytes }) =>
    Array.from(seconds, (at, place) => [at, bytes[place] as number] as const),
  );
  all.sort(([a], [b]) => a - b);
  return {
    seconds: Float64Array.from(all, ([at]) => at),
    bytes: Float64Array.from(all, ([, size]) => size),
    isKey: new Uint8Array(all.length),
    end: Math.max(...tracks.map(({ end }) => end)),
  };
}

/** Rates of stretches that begin at a key frame and hold a second at least, so that no key frame makes a peak. */
function windows({ seconds, bytes, isKey, end }: Packets): readonly number[] {
  const rates: number[] = [];
  let from = 0;
  let sum = 0;
  for (let at = 0; at <= seconds.length; at += 1) {
    const now = at < seconds.length ? (seconds[at] as number) : end;
    const length = now - (seconds[from] ?? now);
    if (length >= 1 - 1e-6 && (at === seconds.length || isKey[at] === 1)) {
      rates.push(sum / length);
      [from, sum] = [at, 0];
    }
    sum += bytes[at] ?? 0;
  }
  return rates;
}

/** The densest stretch that runs from a key frame to the first one a second later, bytes a second; 0 where none is so long. */
function densest({ seconds, bytes, isKey, end }: Packets): number {
  const keys = Array.from(isKey.keys()).filter((at) => isKey[at] === 1);
  const until = new Float64Array(bytes.length + 1);
  bytes.forEach((size, at) => {
    until[at + 1] = (until[at] as number) + size;
  });
  const startOf = (at: number): number => (at < seconds.length ? (seconds[at] as number) : end);
  let [most, to] = [0, 0];
  for (const from of keys) {
    while (to < keys.length && startOf(entryAt(keys, to)) - startOf(from) < 1 - 1e-6) to += 1;
    const last = to < keys.length ? entryAt(keys, to) : seconds.length;
    const length = startOf(last) - startOf(from);
    if (length < 1 - 1e-6) break;
    most = Math.max(most, ((until[last] as number) - (until[from] as number)) / length);
  }
  return most;
}

function constancy(video: Packets): ClipReading['rateIs'] {
  const rates = [...windows(video)].sort((a, b) => a - b);
  if (rates.length < 5) return null;
  // A calm minute with one wild second holds nothing, whatever its middle says.
  const dense = densest(video) / middle(rates);
  const at = (share: number): number => entryAt(rates, Math.round(share * (rates.length - 1)));
  const spread = (at(0.95) - at(0.05)) / at(0.5);
  if (spread <= SPREAD.held && dense <= MOST_DENSE) return 'constant';
  return spread >= SPREAD.free || dense > 1 + SPREAD.free ? 'variable' : null;
}

function bySecond(tracks: readonly Packets[], start: number, seconds: number): readonly number[] {
  const sums = new Float64Array(Math.max(1, Math.ceil(seconds - 1e-3)));
  for (const { seconds: times, bytes } of tracks)
    times.forEach((at, place) => {
      const second = Math.min(sums.length - 1, Math.max(0, Math.floor(at - start + 1e-6)));
      sums[second] = (sums[second] as number) + (bytes[place] as number);
    });
  return Array.from(sums, (sum) => sum / MB);
}

/**
 * What a clip tells of the rate it was written with: sizes of packets alone, nothing is decoded.
 *
 * @param clip - at least one frame
 */
export function readClip(tracks: ClipTracks): ClipReading {
  const { video, morePictures = [], sound, width, height, codec, captureFps, fileBytes, cutBytes = null } = tracks;
  const start = video.seconds[0] ?? 0;
  const seconds = video.end - start;
  const pace = paceOf(video);
  const keys = Array.from(video.isKey.keys()).filter((at) => video.isKey[at] === 1);
  const frames = video.seconds.length;
  const isIntra = keys.length === frames;
  const sumOf = (all: readonly Packets[]): number => all.reduce((sum, { bytes }) => sum + total(bytes), 0);
  const [pictureBytes, moreBytes, soundBytes] = [total(video.bytes), sumOf(morePictures), sumOf(sound)];
  const known = pictureBytes + moreBytes + soundBytes;
  // Of a file that was cut off nobody knows what its data came to.
  const whole = cutBytes === null ? Math.max(known, tracks.mediaBytes ?? known) : known;
  // What is not read by the frame lies evenly between what is.
  const share = known > 0 ? whole / known : 1;
  const inMbps = (bytes: number): number => (seconds > 0 ? bytes / seconds / MBIT : 0);
  const all = packetsOf(tracks);
  const beside = inMbps(whole - pictureBytes);
  return {
    seconds,
    fileBytes,
    videoBytes: pictureBytes + moreBytes,
    soundBytes,
    otherBytes: whole - known,
    pictures: 1 + morePictures.length,
    cutBytes,
    frames,
    ...pace,
    captureFps: captureFps !== null && Math.abs(captureFps / pace.fps - 1) > 0.01 ? captureFps : null,
    width,
    height,
    codec,
    family: frames < ENOUGH_FRAMES ? null : isIntra ? 'intra' : 'long-gop',
    gop: isIntra || keys.length < 2 ? null : middle(keys.slice(1).map((at, place) => at - entryAt(keys, place))),
    totalMbps: inMbps(whole),
    denseMbps: Math.max(inMbps(whole), densest(video) / MBIT + beside),
    pictureMbps: inMbps(pictureBytes + moreBytes),
    soundMbps: inMbps(soundBytes),
    peakSecondMbps: (peakWindow(all, 1) / MBIT) * share,
    picturePeakMbps: peakWindow([video], 1) / MBIT,
    rateIs: constancy(video),
    bySecond: bySecond(all, start, seconds).map((MBps) => MBps * share),
  };
}

/** Rounded up, so that a measured rate never stands below what was measured. */
export const roundedUp = (Mbps: number): number => Math.ceil(Mbps * 100) / 100;

/** By what every family’s average is multiplied at the least for its need: the clip’s own peak is within it. */
const LEAST_FACTOR = Math.min(...Object.values(PEAK_OVER_AVERAGE).map(({ high }) => high));
/** Longest note that a kit keeps beside a rate. */
const MAX_NOTE = 200;
const DENSEST = ', with all tracks, its densest second';

/**
 * The rate of a mode as a clip shows it: everything that the file holds, by its densest second. One that follows the picture
 * is an average, and at least what its densest second asks for once the assumed peak is on top of it: another scene may need
 * more.
 *
 * @param clip - whole: one that was cut off proves nothing
 */
export function measuredRate(clip: ClipReading, sourceNote: string): ModeRate {
  const { totalMbps, denseMbps, peakSecondMbps, rateIs } = clip;
  const source = {
    source: 'measured',
    sourceNote: `${sourceNote.slice(0, MAX_NOTE - DENSEST.length)}${DENSEST}`,
    at: 'recorded',
  } as const;
  if (rateIs === 'constant') return { kind: 'stated', is: 'constant', Mbps: roundedUp(denseMbps), ...source };
  return {
    kind: 'stated',
    is: 'average',
    Mbps: roundedUp(Math.max(totalMbps, peakSecondMbps / LEAST_FACTOR)),
    ...source,
  };
}

/** A run beside the first of equal length, to see whether a card lost anything. */
export interface RunDifference {
  /** Bytes more (or fewer) than the first for the same length, as a share. */
  readonly bytes: number;
  /** Frames fewer than its length holds. */
  readonly missing: number;
  /** Null where the two cannot be compared; else whether bytes and frames agree. */
  readonly isEqual: boolean | null;
}

/** Lengths within this share are equal. */
const SAME_LENGTH = 0.005;
/** Bytes within this share are equal: sound and tables differ by a little. */
const SAME_BYTES = 0.01;

/** Compares a run with the first: only held rates of one length and size say anything of what was lost. */
export function compareRuns(first: ClipReading, run: ClipReading): RunDifference {
  const perSecond = ({ fileBytes, seconds }: ClipReading): number => fileBytes / seconds;
  const bytes = perSecond(run) / perSecond(first) - 1;
  const alike =
    Math.abs(run.seconds / first.seconds - 1) <= SAME_LENGTH &&
    first.width === run.width &&
    first.fps === run.fps &&
    first.rateIs === 'constant' &&
    run.rateIs === 'constant';
  return {
    bytes,
    missing: run.missing,
    isEqual: run.missing > 0 || first.missing > 0 ? false : alike ? Math.abs(bytes) <= SAME_BYTES : null,
  };
}
