import type { ReactNode } from 'react';
import type { RuleOutcome } from '../../core/match/finding.ts';

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.8 } as const;

const GLYPHS: Readonly<Record<RuleOutcome, ReactNode>> = {
  pass: <path d="M2.5 8.5 6.3 12.2 13.5 4" {...line} strokeWidth={2.2} />,
  note: <path d="M8 3.2V9.6M8 11.6V13.4" {...line} strokeWidth={2.2} />,
  short: <path d="M2 4H14M4.6 8.2H11.4M7 12.4H9" {...line} strokeWidth={2.2} />,
  block: <path d="M3.5 3.5 12.5 12.5M12.5 3.5 3.5 12.5" {...line} strokeWidth={2.2} />,
  unknown: <circle cx="8" cy="8" r="5.4" {...line} strokeDasharray="2.4 2" />,
};

const NAMES: Readonly<Record<RuleOutcome, string>> = {
  pass: 'holds',
  note: 'note',
  short: 'falls short',
  block: 'blocks',
  unknown: 'not known',
};

/** What a rule found, told by outline and, to screen readers, by word. */
export function OutcomeGlyph({ outcome }: { readonly outcome: RuleOutcome }) {
  return (
    <svg width="15" height="15" viewBox="0 0 16 16" role="img" aria-label={NAMES[outcome]}>
      {GLYPHS[outcome]}
    </svg>
  );
}
