import type { Card } from '../kit/model.ts';
import { busCeiling } from '../standards/buses.ts';
import { toMegabytes } from '../units/convert.ts';
import { busOf } from './printedBus.ts';

/** What a card of its bus can carry at most, MB/s; null where the bus has no known ceiling. */
export function ownCeilingMBps(card: Pick<Card, 'form' | 'bus' | 'marks'>): number | null {
  const { bus } = busOf(card);
  const ceiling = bus && busCeiling(bus, card.form);
  return ceiling === null ? null : toMegabytes(ceiling);
}
