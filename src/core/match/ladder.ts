import type { Finding } from './finding.ts';

/**
 * The rules in the order in which they are asked and stand in the findings of a cell [domain.md §5]. `rate` ends the asking
 * where a mode has none; `seats` comes last, over the answers of all seats.
 */
export const LADDER = [
  'shape',
  'protocol',
  'family',
  'promised-max',
  'goes-to',
  'advice',
  'rate',
  'bus',
  'body-ceiling',
  'requirement',
  'guarantee',
  'makers-minimum',
  'headroom',
  'label',
  'fault',
  'approved',
  'own-tests',
  'twin-tests',
  'reported',
  'makers-figure',
  'arrangement',
  'demands-card',
  'seats',
] as const satisfies readonly Finding['rule'][];

/** A rule by its code. */
export type RuleKey = Finding['rule'];
