import type { Card } from '../../kit/model.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';
import type { BusFacts } from './bus.ts';

type Minimum = Pick<Card, 'minimumMBps' | 'minimumSource'>;

/**
 * The minimum a maker states in writing, where it counts: on the card's own bus. On a slower one, or in a slot whose bus
 * is not told, the same page promises nothing.
 */
export function minimumInForce({ minimumMBps }: Minimum, bus: BusFacts): BytesPerSecond | null {
  if (minimumMBps == null || bus.surplus || !bus.slotTold) return null;
  return fromMegabytes(minimumMBps);
}

/** Compares it with the need; null where the maker states none. */
export function makersMinimumRule(
  card: Minimum,
  bus: BusFacts,
  need: BytesPerSecond,
  doubted: boolean,
): Finding | null {
  if (card.minimumMBps == null) return null;
  const floor = doubted ? null : minimumInForce(card, bus);
  const outcome = floor === null ? 'unknown' : floor >= need ? 'pass' : 'short';
  const stated = fromMegabytes(card.minimumMBps);
  return { rule: 'makers-minimum', outcome, stated, floor, source: card.minimumSource ?? null, need };
}
