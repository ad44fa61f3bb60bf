import type { TakeKind } from '../kit/model.ts';
import type { Seconds } from '../units/brand.ts';
import { type Cell, cellTone } from './cell.ts';
import { type Tone, toneOf } from './verdict.ts';

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

/**
 * How a cell reads for a take of a length. Beyond what it is known for nothing is known, whatever its word is.
 *
 * @param seconds - null where no length is asked for
 */
export function toneWithin(cell: Cell, take: TakeKind, seconds: number | null): Tone {
  const known = knownFor(cell);
  return seconds !== null && known !== null && seconds > known ? toneOf('uncovered', take) : cellTone(cell, take);
}
