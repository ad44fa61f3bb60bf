import { H264_LEVELS, H264_PROFILE_FACTORS, H265_LEVELS } from '../../standards/levels.ts';

/** The smallest level of a codec that takes a picture, and the most it allows, kb/s. */
export interface LevelCeiling {
  readonly codec: 'H.264' | 'H.265';
  readonly level: string;
  readonly maxKbps: number;
}

/** The high-tier ceiling of the smallest H.265 level in the table that takes a picture; null past the table. */
export function h265Ceiling(width: number, height: number, fps: number): LevelCeiling | null {
  const samples = width * height;
  const found = Object.entries(H265_LEVELS).find(
    ([, row]) => samples <= row.maxSamples && samples * fps <= row.maxSampleRate,
  );
  return found ? { codec: 'H.265', level: found[0], maxKbps: found[1].highKbps } : null;
}

/** The High 4:2:2 ceiling of the smallest H.264 level in the table that takes a picture; null past the table. */
export function h264Ceiling(width: number, height: number, fps: number): LevelCeiling | null {
  const blocks = Math.ceil(width / 16) * Math.ceil(height / 16);
  const found = Object.entries(H264_LEVELS).find(
    ([, row]) => blocks <= row.maxBlocks && blocks * fps <= row.maxBlockRate,
  );
  const factor = H264_PROFILE_FACTORS['high-422'];
  return found ? { codec: 'H.264', level: found[0], maxKbps: found[1].maxKbps * factor } : null;
}

/**
 * The most either codec allows for a picture: a rate above both is worth asking about. Pictures under level 5 of H.265
 * are left to H.264 alone, whose table here goes lower.
 */
export function levelCeiling(width: number, height: number, fps: number): LevelCeiling | null {
  const all = [h264Ceiling(width, height, fps), width * height > 2_228_224 ? h265Ceiling(width, height, fps) : null];
  return all.reduce((most, one) => (one && (!most || one.maxKbps > most.maxKbps) ? one : most), null);
}
