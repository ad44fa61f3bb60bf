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

/** H.265 levels from 5 up, by level number: Table A.8 and A.9 [S: ITU-T H.265, values from memory]. */
// biome-ignore format: one row a line
export const H265_LEVELS = {
  '5.0': { maxSamples: 8_912_896, maxSampleRate: 267_386_880, mainKbps: 25_000, highKbps: 100_000, source: 'itu-h265' },
  '5.1': { maxSamples: 8_912_896, maxSampleRate: 534_773_760, mainKbps: 40_000, highKbps: 160_000, source: 'itu-h265' },
  '5.2': { maxSamples: 8_912_896, maxSampleRate: 1_069_547_520, mainKbps: 60_000, highKbps: 240_000, source: 'itu-h265' },
  '6.0': { maxSamples: 35_651_584, maxSampleRate: 1_069_547_520, mainKbps: 60_000, highKbps: 240_000, source: 'itu-h265' },
  '6.1': { maxSamples: 35_651_584, maxSampleRate: 2_139_095_040, mainKbps: 120_000, highKbps: 480_000, source: 'itu-h265' },
  '6.2': { maxSamples: 35_651_584, maxSampleRate: 4_278_190_080, mainKbps: 240_000, highKbps: 800_000, source: 'itu-h265' },
} as const satisfies Record<string, LevelRow>;
