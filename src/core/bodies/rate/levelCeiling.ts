import { H264_LEVELS, H264_PROFILE_FACTORS, H265_LEVELS, H265_PROFILE_FACTORS } from '../../standards/levels.ts';

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
 * The most that either codec allows for a picture at all: of the highest level, since an encoder may choose a higher one than
 * the picture needs, with the widest profile factor. A rate above it is worth asking about; null past the tables.
 */
export function levelCeiling(width: number, height: number, fps: number): LevelCeiling | null {
  const all: LevelCeiling[] = [];
  const [level, row] = Object.entries(H264_LEVELS).at(-1) ?? [];
  if (level && row && h264Ceiling(width, height, fps))
    all.push({ codec: 'H.264', level, maxKbps: row.maxKbps * Math.max(...Object.values(H264_PROFILE_FACTORS)) });
  const [other, tiers] = Object.entries(H265_LEVELS).at(-1) ?? [];
  if (other && tiers && h265Ceiling(width, height, fps))
    all.push({
      codec: 'H.265',
      level: other,
      maxKbps: tiers.highKbps * Math.max(...Object.values(H265_PROFILE_FACTORS)),
    });
  return all.reduce<LevelCeiling | null>((most, one) => (!most || one.maxKbps > most.maxKbps ? one : most), null);
}
