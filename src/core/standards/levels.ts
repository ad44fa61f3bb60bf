import type { SourceKey } from './sources.ts';

interface LevelRow {
  /** Largest luma picture, samples. */
  readonly maxSamples: number;
  /** Largest luma sample rate, samples a second. */
  readonly maxSampleRate: number;
  /** Maximum bit rate, kb/s, main and high tier. */
  readonly mainKbps: number;
  readonly highKbps: number;
  readonly source: SourceKey;
}

/** H.265 levels from 5 up: pictures of Table A.8, bit rates of Table A.9 [S: ITU-T H.265, values from memory]. */
// biome-ignore format: one row a line
export const H265_LEVELS = {
  '5.0': { maxSamples: 8_912_896, maxSampleRate: 267_386_880, mainKbps: 25_000, highKbps: 100_000, source: 'itu-h265' },
  '5.1': { maxSamples: 8_912_896, maxSampleRate: 534_773_760, mainKbps: 40_000, highKbps: 160_000, source: 'itu-h265' },
  '5.2': { maxSamples: 8_912_896, maxSampleRate: 1_069_547_520, mainKbps: 60_000, highKbps: 240_000, source: 'itu-h265' },
  '6.0': { maxSamples: 35_651_584, maxSampleRate: 1_069_547_520, mainKbps: 60_000, highKbps: 240_000, source: 'itu-h265' },
  '6.1': { maxSamples: 35_651_584, maxSampleRate: 2_139_095_040, mainKbps: 120_000, highKbps: 480_000, source: 'itu-h265' },
  '6.2': { maxSamples: 35_651_584, maxSampleRate: 4_278_190_080, mainKbps: 240_000, highKbps: 800_000, source: 'itu-h265' },
} as const satisfies Record<string, LevelRow>;

interface H264Row {
  /** Largest picture, macroblocks of 16 × 16. */
  readonly maxBlocks: number;
  /** Largest rate, macroblocks a second. */
  readonly maxBlockRate: number;
  /** Maximum bit rate of the Baseline and Main profiles, kb/s (factor 1000). */
  readonly maxKbps: number;
  readonly source: SourceKey;
}

/** H.264 levels from 4 up: Table A-1 [S: ITU-T H.264, values from memory; tests compare them with ffmpeg's encoder]. */
// biome-ignore format: one row a line
export const H264_LEVELS = {
  '4.0': { maxBlocks: 8192, maxBlockRate: 245_760, maxKbps: 20_000, source: 'itu-h264' },
  '4.1': { maxBlocks: 8192, maxBlockRate: 245_760, maxKbps: 50_000, source: 'itu-h264' },
  '4.2': { maxBlocks: 8704, maxBlockRate: 522_240, maxKbps: 50_000, source: 'itu-h264' },
  '5.0': { maxBlocks: 22_080, maxBlockRate: 589_824, maxKbps: 135_000, source: 'itu-h264' },
  '5.1': { maxBlocks: 36_864, maxBlockRate: 983_040, maxKbps: 240_000, source: 'itu-h264' },
  '5.2': { maxBlocks: 36_864, maxBlockRate: 2_073_600, maxKbps: 240_000, source: 'itu-h264' },
  '6.0': { maxBlocks: 139_264, maxBlockRate: 4_177_920, maxKbps: 240_000, source: 'itu-h264' },
  '6.1': { maxBlocks: 139_264, maxBlockRate: 8_355_840, maxKbps: 480_000, source: 'itu-h264' },
  '6.2': { maxBlocks: 139_264, maxBlockRate: 16_711_680, maxKbps: 800_000, source: 'itu-h264' },
} as const satisfies Record<string, H264Row>;

/** What a profile multiplies the level’s maximum by: Table A-2; the intra profiles of a kind share its factor. */
export const H264_PROFILE_FACTORS = { main: 1, high: 1.25, 'high-10': 3, 'high-422': 4 } as const;

/** The same of H.265, of Main and Main 10 as 1; intra profiles of the format range extensions twice as much again. */
export const H265_PROFILE_FACTORS = {
  main: 1,
  'main-12': 1.5,
  'main-422-10': 5 / 3,
  'main-422-12': 2,
  'main-444-12': 3,
  'main-444-12-intra': 6,
} as const;
