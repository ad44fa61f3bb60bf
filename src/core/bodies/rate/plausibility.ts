import type { Codec } from '../../kit/model.ts';
import { BITS_PER_PIXEL } from '../../standards/assumptions.ts';
import { isCommonRate, usualBits } from '../../standards/commonRates.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { type LevelCeiling, levelCeiling } from './levelCeiling.ts';

/** What a rate is judged by: the picture it carries and the rates beside it. */
export interface PlausibilityInput {
  readonly rate: BytesPerSecond;
  readonly codec: Codec;
  readonly width: number | null;
  readonly height: number | null;
  readonly fps: number;
  /** Bits per pixel per frame in the middle of the other modes of the same body and codec; null where there are none. */
  readonly neighbour: number | null;
  /** True where nobody typed the rate: from the geometry of raw, from a frame, or off the counter. */
  readonly isComputed?: boolean;
}

/** A doubt about a rate; never a refusal, since makers surprise. */
export type Doubt =
  | { readonly code: 'bits-or-bytes'; readonly because: 'neighbours' | 'picture'; readonly factor: 8 | 0.125 }
  | { readonly code: 'bits-per-pixel'; readonly value: number; readonly min: number; readonly max: number }
  | ({ readonly code: 'above-level' } & LevelCeiling);

/** Bits per pixel per frame; null without a picture size. */
export function bitsPerPixel(input: Omit<PlausibilityInput, 'neighbour' | 'codec'>): number | null {
  const { rate, width, height, fps } = input;
  if (width === null || height === null || !(width > 0) || !(height > 0) || !(fps > 0)) return null;
  return (rate * 8) / (width * height * fps);
}

/**
 * The middle of ascending values with one of them left out; of two in the middle the lower.
 *
 * @param own - the value left out, once; null: none
 * @returns null where nothing is left
 */
export function middleWithout(ascending: readonly number[], own: number | null): number | null {
  const at = own === null ? -1 : ascending.indexOf(own);
  const count = ascending.length - (at < 0 ? 0 : 1);
  if (count === 0) return null;
  const middle = Math.floor((count - 1) / 2);
  return ascending[at >= 0 && middle >= at ? middle + 1 : middle] ?? null;
}

/** Eight, give or take a quarter: the size of a slip between bits and bytes. */
const isEight = (ratio: number): boolean => ratio > 6 && ratio < 10;

function eightfold(value: number, input: PlausibilityInput): Doubt | null {
  const { neighbour } = input;
  if (neighbour !== null) {
    if (isEight(value / neighbour)) return { code: 'bits-or-bytes', because: 'neighbours', factor: 0.125 };
    if (isEight(neighbour / value)) return { code: 'bits-or-bytes', because: 'neighbours', factor: 8 };
  }
  const factor = input.isComputed ? null : suits(value, input);
  return factor === null ? null : { code: 'bits-or-bytes', because: 'picture', factor };
}

/** The factor by which a rate would be usual for its picture, where it is not as it is; null where neither is. */
function suits(value: number, { rate, codec, width, height, fps }: PlausibilityInput): 8 | 0.125 | null {
  const told = { codec, pixels: (width ?? 0) * (height ?? 0), fps };
  const Mbps = (rate * 8) / 1e6;
  if (isCommonRate(Mbps, told)) return null;
  for (const factor of [8, 0.125] as const) if (isCommonRate(Mbps * factor, told)) return factor;
  const usual = usualBits(told);
  const fits = (bits: number): boolean => bits >= usual.min && bits <= usual.max;
  if (fits(value)) return null;
  return fits(value * 8) ? 8 : fits(value / 8) ? 0.125 : farOff(value, codec);
}

/** The same by all that is met of a family. */
function farOff(value: number, codec: Codec): 8 | 0.125 | null {
  const { min, max } = BITS_PER_PIXEL[codec];
  const fits = (bits: number): boolean => bits >= min && bits <= max;
  if (fits(value)) return null;
  return fits(value * 8) ? 8 : fits(value / 8) ? 0.125 : null;
}

/**
 * What looks wrong with a rate, most telling first: eight times off its neighbours or its picture (bits taken for
 * bytes), outside the usual bits per pixel of its family, above what the highest level of H.264 and H.265 allows that takes the
 * picture (long-GOP only: the encoder chooses its level, and none below it binds).
 */
export function doubts(input: PlausibilityInput): readonly Doubt[] {
  const value = bitsPerPixel(input);
  if (value === null) return [];
  const slip = eightfold(value, input);
  const { min, max } = BITS_PER_PIXEL[input.codec];
  const unusual: Doubt[] = !slip && (value < min || value > max) ? [{ code: 'bits-per-pixel', value, min, max }] : [];
  const found: Doubt[] = slip ? [slip] : unusual;
  const level =
    input.codec === 'long-gop' && input.width !== null && input.height !== null
      ? levelCeiling(input.width, input.height, input.fps)
      : null;
  if (level && input.rate * 8 > level.maxKbps * 1000) found.push({ code: 'above-level', ...level });
  return found;
}
