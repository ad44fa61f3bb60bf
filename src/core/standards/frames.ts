import type { SourceKey } from './sources.ts';

interface FrameRow {
  readonly name: string;
  readonly bytesPerFrame: number;
  readonly source: SourceKey;
}

/** Codecs whose frame has a fixed number of bytes, by our own key [domain.md §4, §11]. */
// biome-ignore format: one row a line
export const FIXED_FRAMES = {
  'vc3-1080-10bit-high': { name: 'VC-3 1080 10-bit 4:2:2, high', bytesPerFrame: 917_504, source: 'smpte-2019-1' },
  'vc3-1080-8bit-low': { name: 'VC-3 1080 8-bit 4:2:2, low', bytesPerFrame: 606_208, source: 'smpte-2019-1' },
  'dv25-625': { name: 'DV 25 Mb/s, 625/50', bytesPerFrame: 144_000, source: 'iec-61834' },
} as const satisfies Record<string, FrameRow>;
