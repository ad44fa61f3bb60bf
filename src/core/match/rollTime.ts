import type { Seconds } from '../units/brand.ts';
import type { Cell } from './cell.ts';

/** How long one card is counted on from empty: its planned minutes, and no longer than a proof or a stopped take lasts where that is all there is. */
export function rollTime(cell: Pick<Cell, 'planned' | 'provenSeconds' | 'heldSeconds' | 'verdict'>): Seconds {
  const seconds = (cell.planned ?? 0) * 60;
  return Math.min(seconds, knownFor(cell) ?? seconds) as Seconds;
}

/** How long an answer is known for, where that may be shorter than the card lasts; null where it is for the whole card. */
export function knownFor({
  provenSeconds,
  heldSeconds,
  verdict,
}: Pick<Cell, 'provenSeconds' | 'heldSeconds' | 'verdict'>): Seconds | null {
  return verdict === 'proven' ? provenSeconds : verdict === 'held' ? heldSeconds : null;
}
