import type { Seconds } from '../units/brand.ts';
import type { Cell } from './cell.ts';

/** How long one card is counted on from empty: its planned minutes, and no longer than a proof lasts where that is all there is. */
export function rollTime({
  planned,
  provenSeconds,
  verdict,
}: Pick<Cell, 'planned' | 'provenSeconds' | 'verdict'>): Seconds {
  const seconds = (planned ?? 0) * 60;
  return (verdict === 'proven' && provenSeconds !== null ? Math.min(seconds, provenSeconds) : seconds) as Seconds;
}
