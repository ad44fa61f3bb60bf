import type { Body, Card } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { fromGigabytes, fromMegabytes } from '../../core/units/convert.ts';
import { capacityText } from '../quantity.ts';

/** One place the stream passes on its way to the flash. */
export interface Section {
  readonly name: string;
  /** Null: not known. */
  readonly rate: BytesPerSecond | null;
  /** Peak figures are drawn in outline: they never enter a verdict. */
  readonly counts: boolean;
  /** What a bucket on the way holds; it hides a shortfall for a while and cures none. */
  readonly holds?: string;
}

const holds = (gb: number): string => capacityText(fromGigabytes(gb));

/** The write path of a cell, left to right, without the stream itself. */
export function stripSections(cell: Cell, body: Body, card: Card): readonly Section[] {
  const bus = cell.findings.find((finding) => finding.rule === 'bus');
  const sections: Section[] = [];
  if (body.bufferMB) sections.push({ name: 'buffer', rate: null, counts: false, holds: holds(body.bufferMB / 1000) });
  // A bus that nobody told is the slowest there is only where something is promised of it.
  sections.push({ name: 'slot bus', rate: bus?.rule === 'bus' && bus.slotTold ? bus.ceiling : null, counts: true });
  if (body.ceilingMBps !== null) sections.push({ name: 'camera', rate: fromMegabytes(body.ceilingMBps), counts: true });
  const peak = card.writeMBps ?? null;
  const cache = card.cacheGB ? { holds: holds(card.cacheGB) } : {};
  sections.push(
    {
      name: card.cacheGB ? 'fast cache' : 'card peak',
      rate: peak === null ? null : fromMegabytes(peak),
      counts: false,
      ...cache,
    },
    { name: 'guarantee', rate: cell.floor, counts: true },
  );
  return sections;
}
