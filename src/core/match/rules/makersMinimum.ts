import { type BusPrint, sureBus } from '../../cards/printedBus.ts';
import type { Card } from '../../kit/model.ts';
import { busCeiling, busesOf, promisesLike } from '../../standards/buses.ts';
import { isSd } from '../../standards/forms.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';
import type { BusFacts } from './bus.ts';

type Minimum = BusPrint & Pick<Card, 'minimumMBps' | 'minimumSource'>;

/** What a maker's minimum comes to in one seat. */
interface MinimumHere {
  readonly floor: BytesPerSecond;
  /** True where it is more than the card's own bus carries: it cannot be held, and is a claim. */
  readonly isAbove: boolean;
}

const atMost = (value: BytesPerSecond, ceiling: BytesPerSecond | null): BytesPerSecond =>
  ceiling !== null && ceiling < value ? ceiling : value;

/**
 * The minimum a maker states in writing, as far as it counts in a seat. It was stated for the card's own bus: there it counts
 * in full. On another of its form it counts up to what that one carries, since a card that holds more on its own holds that
 * much; of SD, whose classes do not count on a slower bus either, only up to what even the slowest of them carries. Never
 * more than its own bus carries.
 */
function minimumHere(card: Minimum, { inForce }: Pick<BusFacts, 'inForce'>): MinimumHere | null {
  if (card.minimumMBps == null) return null;
  const stated = fromMegabytes(card.minimumMBps);
  const own = sureBus(card);
  const ownCeiling = own && busCeiling(own, card.form);
  const isAbove = ownCeiling !== null && stated > ownCeiling;
  const possible = atMost(stated, ownCeiling);
  const isOwn = own !== null && inForce !== null && promisesLike(own) === promisesLike(inForce);
  const [slowest = null] = busesOf(card.form);
  const counted = isOwn || !isSd(card.form) ? inForce : slowest;
  return { floor: atMost(possible, counted && busCeiling(counted, card.form)), isAbove };
}

/** What of it is a promise in one seat; null where none is stated, or where it cannot be true. */
export function minimumInForce(card: Minimum, bus: Pick<BusFacts, 'inForce'>): BytesPerSecond | null {
  const here = minimumHere(card, bus);
  return here === null || here.isAbove ? null : here.floor;
}

/** Compares it with the need; null where the maker states none. */
export function makersMinimumRule(
  card: Minimum,
  bus: Pick<BusFacts, 'inForce'>,
  need: BytesPerSecond,
  doubted: boolean,
): Finding | null {
  const here = minimumHere(card, bus);
  if (here === null || card.minimumMBps == null) return null;
  const floor = doubted ? null : here.floor;
  const outcome = floor === null ? 'unknown' : floor < need ? 'short' : here.isAbove ? 'note' : 'pass';
  const stated = fromMegabytes(card.minimumMBps);
  return { rule: 'makers-minimum', outcome, stated, floor, source: card.minimumSource ?? null, need };
}
