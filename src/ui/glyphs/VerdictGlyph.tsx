import type { ReactNode } from 'react';
import type { Verdict } from '../../core/match/verdict.ts';

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const;
const cut = { fill: 'none', stroke: 'var(--glyph-cut, var(--paper))', strokeWidth: 1.9 } as const;

/** Nine outlines that differ without colour. */
const GLYPHS: Readonly<Record<Verdict, ReactNode>> = {
  guaranteed: (
    <>
      <circle cx="8" cy="8" r="7" fill="currentColor" />
      <path d="M4.6 8.3 7 10.7 11.4 5.6" {...cut} />
    </>
  ),
  tight: (
    <>
      <circle cx="8" cy="8" r="6.2" {...line} />
      <path d="M8 1.8V14.2" {...line} strokeWidth={2.4} />
    </>
  ),
  proven: (
    <>
      <path d="M8 .6 15.4 8 8 15.4.6 8Z" fill="currentColor" />
      <path d="M5 8.2 7.2 10.3 11 5.9" {...cut} />
    </>
  ),
  claimed: <path d="M8 1.6 14.4 8 8 14.4 1.6 8Z" {...line} />,
  held: (
    <>
      <path d="M8 1.6 14.4 8 8 14.4 1.6 8Z" {...line} />
      <path d="M8 1.6V14.4L1.6 8Z" fill="currentColor" />
    </>
  ),
  uncovered: <circle cx="8" cy="8" r="6.2" {...line} strokeDasharray="2.7 2.2" />,
  drops: <path d="M1 3.2H15M3.6 8H12.4M6.2 12.8H9.8" {...line} strokeWidth={2.3} />,
  locked: (
    <>
      <rect x="2.4" y="7" width="11.2" height="8" rx="1.2" fill="currentColor" />
      <path d="M4.8 7V4.6a3.2 3.2 0 0 1 6.4 0V7" {...line} />
    </>
  ),
  unfit: (
    <>
      <rect x="2" y="2" width="12" height="12" {...line} />
      <path d="M2 14 14 2" {...line} />
    </>
  ),
};

/** The glyph of a verdict; always stands beside its word, so it is silent to screen readers. */
export function VerdictGlyph({ verdict, size = 13 }: { readonly verdict: Verdict; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true" focusable="false">
      {GLYPHS[verdict]}
    </svg>
  );
}
