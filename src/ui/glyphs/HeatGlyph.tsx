import type { HeatLevel } from '../../core/heat/run/level.ts';

/** How high the tube is filled; its outline tells it without colour. The board draws the same in its style sheet. */
const HEIGHTS: Readonly<Record<HeatLevel, number>> = { cool: 2.2, warm: 6.2, hot: 12.5 };
const TONES: Readonly<Record<HeatLevel, string>> = { cool: 'var(--t1)', warm: 'var(--t4)', hot: 'var(--t5)' };

/** A tube that fills: a little, half, to the brim and shut. */
export function HeatGlyph({ level, size }: { readonly level: HeatLevel; readonly size: number }) {
  const height = HEIGHTS[level];
  return (
    <svg width={(size * 9) / 16} height={size} viewBox="0 0 9 16" aria-hidden="true">
      <rect x="1" y={14.5 - height} width="7" height={height} style={{ fill: TONES[level] }} />
      <path d={`M1 1.2V15H8V1.2${level === 'hot' ? 'Z' : ''}`} fill="none" stroke="currentColor" strokeWidth="1.7" />
    </svg>
  );
}
