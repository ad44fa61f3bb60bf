import type { ClipReading, RunDifference } from '../../core/prove/clip.ts';
import type { Seconds } from '../../core/units/brand.ts';
import type { ClipProblem } from '../../reading/clips/readClip.ts';
import { clockText, plain } from '../quantity.ts';

const NBSP = '\u00a0';
const gigabytes = (bytes: number): string =>
  bytes < 1e9 ? `${plain(bytes / 1e6, 1)}${NBSP}MB` : `${plain(bytes / 1e9, 2)}${NBSP}GB`;

const CODEC_WORDS: Readonly<Record<string, string>> = {
  avc: 'H.264',
  hevc: 'H.265',
  av1: 'AV1',
  vp8: 'VP8',
  vp9: 'VP9',
  jpeg: 'motion JPEG',
  mjpg: 'motion JPEG',
  m2v1: 'MPEG-2',
  vvc: 'H.266',
  mp4v: 'MPEG-4 Visual',
  cfhd: 'VC-5',
  avdn: 'VC-3',
  avdh: 'VC-3',
};

/** Marks of files that stand for one codec in several forms: what the standard that describes it calls it. */
const CODEC_KINDS: readonly (readonly [RegExp, string])[] = [
  [/^avc[1-4]$/, 'H.264'],
  [/^ai(?:1|5|v)/, 'H.264 intra'],
  [/^(?:hvc1|hev1|dvh[1e])$/, 'H.265'],
  [/^(?:mx[345][np]|xdv|xd5|hdv|m2v1|mpg2)/, 'MPEG-2'],
  [/^(?:mjp[abg2]|jpeg|dmb1)$/, 'motion JPEG'],
  [/^dv(?:c|cp|pp|5[np]|h[pq1-6])/, 'DV'],
  [/^ap(?:c[hnso]|4[hx])$/, 'SMPTE RDD 36'],
];

/** The codec of a clip as people write it; as its file does where it is another. */
export const codecText = (codec: string | null): string =>
  codec === null
    ? 'unknown codec'
    : (CODEC_WORDS[codec.toLowerCase()] ??
      CODEC_KINDS.find(([pattern]) => pattern.test(codec.toLowerCase()))?.[1] ??
      codec);

export const familyText = ({ family, gop }: ClipReading): string =>
  family === null
    ? 'too short to tell'
    : family === 'intra'
      ? 'every frame whole'
      : `long-GOP${gop ? `, a key frame every ${plain(gop)}` : ''}`;

export const Mbps = (value: number): string => `${plain(value, value < 10 ? 2 : value < 100 ? 1 : 0)}${NBSP}Mb/s`;

/** A name for the mode that a clip was recorded in. */
export const clipModeName = ({ width, height, codec }: ClipReading): string =>
  `${width && height ? `${width}×${height} ` : ''}${codecText(codec)}`.slice(0, 80);

export const fpsText = ({ fps, captureFps, isEven }: ClipReading): string =>
  captureFps === null
    ? `${plain(fps, 3)}${NBSP}fps${isEven ? '' : ', unevenly'}`
    : `${plain(fps, 3)}${NBSP}fps, captured at ${plain(captureFps, 3)}`;

export const heldText = ({ rateIs }: ClipReading): string =>
  rateIs === 'constant'
    ? 'constant'
    : rateIs === 'variable'
      ? 'varies with the picture'
      : 'too short or too near to tell';

export function clipProblemText(problem: ClipProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'This file is empty.';
    case 'unknown-format':
      return 'This is no MP4, MOV, WebM, MKV or transport stream, whatever its name says. Enter its size and length by hand.';
    case 'other-format':
      return `This is ${problem.name}: its frames are not read here. ${gigabytes(problem.bytes)}${
        problem.seconds === null ? ': say how long it runs.' : `, ${lengthText(problem.seconds)} by its header.`
      }`;
    case 'no-index':
      return 'Its table of frames is missing: the take was never closed, or the file is cut off. Copy it again, or let the camera repair it.';
    case 'no-picture':
      return 'There is sound in this file and no picture.';
    case 'too-short':
      return 'There is one frame in it: too short to tell a rate.';
    case 'too-long':
      return `This clip has more than ${plain(problem.max)} frames. Cut it.`;
    case 'unreadable':
      return 'This file could not be read to its end. Was its card pulled? Copy it again.';
  }
}

/** Why some clips may be one take, and what it would be. */
export function chaptersText(run: readonly { readonly name: string; readonly clip: ClipReading }[]): string {
  const total = (of: (clip: ClipReading) => number): number => run.reduce((sum, { clip }) => sum + of(clip), 0);
  const names = `${run[0]?.name ?? ''} to ${run.at(-1)?.name ?? ''}`;
  return `${names} may be one take: their names count on, and all before the last are as large as such files get. Together ${lengthText(total(({ seconds }) => seconds))}, ${gigabytes(total(({ fileBytes }) => fileBytes))}. Frames lost between two files cannot be seen.`;
}

/** What is missing of a clip that was cut off; null where it is whole. */
export const cutText = ({ cutBytes, seconds }: ClipReading): string | null =>
  cutBytes === null
    ? null
    : `Cut off: ${gigabytes(cutBytes)} are missing at its end, the first ${lengthText(seconds)} are there. It proves nothing; copy it again.`;

/** What a file holds beside its first picture. */
export const besideText = ({
  soundBytes,
  otherBytes,
  videoBytes,
  pictures,
  soundMbps,
  totalMbps,
}: ClipReading): string => {
  const share = (bytes: number): string =>
    `${plain((bytes / (videoBytes + soundBytes + otherBytes)) * 100, 1)}${NBSP}%`;
  return [
    soundBytes > 0 ? `sound ${Mbps(soundMbps)}, ${share(soundBytes)}` : 'no sound',
    pictures > 1 ? `${pictures} pictures side by side` : '',
    otherBytes > 0.0005 * videoBytes
      ? `data ${Mbps((totalMbps * otherBytes) / (videoBytes + soundBytes + otherBytes))}, ${share(otherBytes)}`
      : '',
  ]
    .filter(Boolean)
    .join(' · ');
};

/** A run beside the first. */
export function runText({ bytes, missing, isEqual }: RunDifference): string {
  const share = `${bytes < 0 ? '−' : '+'}${plain(Math.abs(bytes) * 100, 2)}${NBSP}%`;
  if (missing > 0) return `${missing === 1 ? 'a frame is' : `${plain(missing)} frames are`} missing`;
  if (isEqual === null) return `${share} a second: not comparable, the rate is not held alike or the length is another`;
  return isEqual ? `same size (${share}): no sign of lost data` : `${share} bytes for the same length: look at it`;
}

/** What is said of a clip’s length. */
export const lengthText = (seconds: number): string => clockText(seconds as Seconds);
