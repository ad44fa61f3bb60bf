import type { Finding } from '../../core/match/finding.ts';

/** One line of the ladder: what was found, its number, and a second sentence where it needs one. */
export interface Line {
  readonly text: string;
  readonly figure: string;
  readonly more?: string;
}

/** The finding of one rule. */
export type Of<R extends Finding['rule']> = Extract<Finding, { rule: R }>;
