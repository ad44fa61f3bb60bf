import type { StreamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Test } from '../kit/model.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { fromMegabits } from '../units/convert.ts';
import type { Cell } from './cell.ts';
import { usable } from './minutes/minutes.ts';
import { sharesOf } from './seats.ts';
import { readTest } from './testReading.ts';

/** The kinds of minutes that are read and not computed; null where none was noted. */
export interface KnownMinutes {
  /** What the body's counter showed for an empty card of this capacity: t means t to t + 1. */
  readonly counter: number | null;
  /** The newest full take of this mode from empty on this card whose numbers can be true, minutes. */
  readonly measured: number | null;
}

interface KnownKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

/** What was read off the body and off full takes for one cell. */
export function knownMinutes(cell: Cell, kit: KnownKit): KnownMinutes {
  const { bodyId, modeId, cardId } = cell;
  const card = kit.cards.find(({ id }) => id === cardId);
  const body = kit.bodies.find(({ id }) => id === bodyId);
  const reading = body?.counters?.find((one) => one.modeId === modeId && one.capacityGB === card?.capacityGB);
  const fill = kit.tests
    .filter((test) => test.bodyId === bodyId && test.modeId === modeId && test.cardId === cardId && test.end === 'full')
    .filter((test) => body && card && readTest(test, body, card).misfit === null)
    .sort((a, b) => (a.date ?? '').localeCompare(b.date ?? ''))
    .at(-1);
  return { counter: reading?.minutes ?? null, measured: fill ? (fill.seconds * (fill.takes ?? 1)) / 60 : null };
}

/** Whole minutes by the slower end of a rate that only the counter tells; null for every other rate. */
export function slowerEndMinutes({ lines }: StreamRate, body: Body, card: Card): number | null {
  const line = lines.find(({ code }) => code === 'counter');
  if (line?.code !== 'counter') return null;
  const slow = Math.ceil(fromMegabits(line.lowMbps) / sharesOf(body)) as BytesPerSecond;
  // The reading bounds it from above and is never reached: the last whole minute before it counts.
  return Math.ceil(usable(card).bytes / slow / 60 - 1e-9) - 1;
}
