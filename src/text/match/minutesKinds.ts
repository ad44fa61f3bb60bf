import type { Cell } from '../../core/match/cell.ts';
import type { KnownMinutes } from '../../core/match/knownMinutes.ts';
import { minutesText, plain } from '../quantity.ts';

/** The kinds of minutes that disagree, each named, those that are known. */
export function minutesKinds(
  cell: Cell,
  known: KnownMinutes,
  slowerEnd: number | null,
): readonly { readonly name: string; readonly figure: string }[] {
  const kinds = [];
  if (cell.labelMinutes !== null) {
    kinds.push({
      name: 'by the box (printed size ÷ picture rate)',
      figure:
        cell.labelMinutes < 100 ? `${plain(cell.labelMinutes)}\u00a0min` : minutesText(Math.floor(cell.labelMinutes)),
    });
  }
  if (cell.planned !== null)
    kinds.push({ name: 'planned (usable size ÷ everything written)', figure: minutesText(cell.planned) });
  if (slowerEnd !== null && cell.planned !== null && slowerEnd > cell.planned)
    kinds.push({ name: 'planned, if the lower rate read from the counter is right', figure: minutesText(slowerEnd) });
  if (known.counter !== null) {
    kinds.push({
      name: 'the camera’s counter, empty card',
      figure: `${known.counter} – ${known.counter + 1}\u00a0min`,
    });
  }
  if (known.measured !== null) kinds.push({ name: 'your own full take', figure: `${plain(known.measured)}\u00a0min` });
  return kinds;
}
