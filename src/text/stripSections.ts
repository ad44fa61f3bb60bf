import type { Cell } from '../core/match/evaluate.ts';
import type { Body, Card } from '../core/model/kit.ts';
import type { BytesPerSecond } from '../core/units/brand.ts';
import { fromMBps } from '../core/units/convert.ts';

/** One place the stream passes on its way to the flash. */
export interface Section {
  readonly name: string;
  /** Null: not known. */
  readonly rate: BytesPerSecond | null;
  /** Peak figures are drawn in outline: they never enter a verdict. */
  readonly counts: boolean;
}

/** The write path of a cell, left to right, without the stream itself. */
export function stripSections(cell: Cell, body: Body, card: Card): readonly Section[] {
  const bus = cell.findings.find((finding) => finding.rule === 'bus');
  const sections: Section[] = [{ name: 'slot bus', rate: bus?.rule === 'bus' ? bus.ceiling : null, counts: true }];
  if (body.ceilingMBps !== null) sections.push({ name: 'body', rate: fromMBps(body.ceilingMBps), counts: true });
  const peak = card.writeMBps ?? null;
  sections.push(
    { name: 'card peak', rate: peak === null ? null : fromMBps(peak), counts: false },
    { name: 'guarantee', rate: cell.floor, counts: true },
  );
  return sections;
}
