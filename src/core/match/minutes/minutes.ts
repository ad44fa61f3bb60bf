import type { Card } from '../../kit/model.ts';
import { ASSUMED } from '../../standards/assumptions.ts';
import { SIZES_SOLD_GB } from '../../standards/sizes.ts';
import { wholeQuotient } from '../../units/amount.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../../units/brand.ts';
import { fromGigabytes } from '../../units/convert.ts';

const USABLE_PER_MILLE = Math.round(ASSUMED.usableFraction.value * 1000);

/** What formatting usually leaves of a label [A]: 98.7 %, rounded down to a whole byte. */
export const usableOf = (label: Bytes): Bytes => Math.floor((label / 1000) * USABLE_PER_MILLE) as Bytes;

/** Bytes a card really takes: as entered, else the assumed share of its label. */
export function usable(card: Pick<Card, 'capacityGB' | 'usableGB'>): {
  readonly bytes: Bytes;
  readonly assumed: boolean;
} {
  return card.usableGB === null
    ? { bytes: usableOf(fromGigabytes(card.capacityGB)), assumed: true }
    : { bytes: fromGigabytes(card.usableGB), assumed: false };
}

/** Label arithmetic: capacity ÷ average rate of the picture alone, in minutes, unrounded. */
export const labelMinutes = (label: Bytes, picture: BytesPerSecond): number => label / picture / 60;

/**
 * Planned minutes: usable ÷ average of everything written, floored to whole minutes, exact at equality. Never above label
 * arithmetic, whatever room was entered.
 *
 * @param label - minutes by label arithmetic, unrounded
 */
export const plannedMinutes = (room: Bytes, average: BytesPerSecond, label: number): number =>
  Math.min(wholeQuotient(room, average * 60), Math.floor(label));

/** The room a length of time asks for, and the smallest size sold that holds it. */
export interface CapacityFor {
  /** Bytes the take writes. */
  readonly written: Bytes;
  /** Smallest label that leaves that much room after formatting. */
  readonly label: Bytes;
  /** Next size sold, or null when more than the largest is needed. */
  readonly sizeSold: Bytes | null;
}

/** The capacity a wanted time asks for. */
export function capacityFor(time: Seconds, average: BytesPerSecond): CapacityFor {
  const written = Math.ceil(time * average) as Bytes;
  const label = Math.ceil((written * 1000) / USABLE_PER_MILLE) as Bytes;
  const sold = SIZES_SOLD_GB.find((size) => usableOf(fromGigabytes(size)) >= written);
  return { written, label, sizeSold: sold === undefined ? null : fromGigabytes(sold) };
}

/** How many cards of one room a wanted time fills, counting a part-filled last one. */
export const cardsFor = (time: Seconds, room: Bytes, average: BytesPerSecond): number =>
  Math.max(1, Math.ceil((time * average) / room - 1e-9));
