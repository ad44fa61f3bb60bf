import type { HeatLevel } from '../../core/heatrun/level.ts';

/** How high the column stands; its outline tells it without colour. */
const HEIGHTS: Readonly<Record<HeatLevel, number>> = { cool: 1.5, warm: 5, hot: 9.5 };
const TONES: Readonly<Record<HeatLevel, string>> = { cool: 'var(--t1)', warm: 'var(--t4)', hot: 'var(--t5)' };

/** A tube that fills: hardly, half, to the brim. */
export function HeatGlyph({ level, size }: { readonly level: HeatLevel; readonly size: number }) {
  const height = HEIGHTS[level];
  return (
    <svg width={(size * 8) / 16} height={size} viewBox="0 0 8 16" aria-hidden="true">
      <rect x="1.5" y={14 - height} width="5" height={height} style={{ fill: TONES[level] }} />
      <path d="M1 2.5V14.2H7V2.5" fill="none" stroke="currentColor" strokeWidth="1.5" />
      {level === 'hot' && <path d="M.4 1.6 4 .4 7.6 1.6" fill="none" stroke="currentColor" strokeWidth="1.3" />}
    </svg>
  );
}
