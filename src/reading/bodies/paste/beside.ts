import { isFigure, unitIn } from './cells.ts';
import { isMinutes } from './minutes.ts';

/** What a display shows in one cell: minutes left, and a bit rate beside them. */
interface Beside {
  readonly minutes: string;
  readonly rate: string;
}

/** The places at which a cell may be cut in two: at blanks and signs between words. */
const CUTS = /\s*[,;/|·@(]\s*|\s+(?:at\s+)?/giu;

/** Minutes that can be nothing else: 100M is as much a rate whose unit was cut short. */
const isTime = (text: string): boolean => isMinutes(text) && !/\dM$/.test(text);
const isRate = (text: string): boolean => isFigure(text) && unitIn(text) !== null;

/**
 * A cell of minutes with a rate that has its unit, in either order: `142 min 100 Mbps`, `100 Mb/s [142]`; null otherwise. A bare
 * number beside a rate may be another rate, or a footnote.
 */
function minutesBesideRate(cell: string): Beside | null {
  for (const { index, 0: sign } of cell.matchAll(CUTS)) {
    const [one, other] = [
      cell.slice(0, index).trim(),
      cell
        .slice(index + sign.length)
        .replace(/\)\s*$/, '')
        .trim(),
    ];
    if (isTime(one) && isRate(other)) return { minutes: one, rate: other };
    if (isRate(one) && isTime(other)) return { minutes: other, rate: one };
  }
  return null;
}

interface Cut {
  readonly head: string[];
  readonly rows: string[][];
}

/** A table with each column of minutes that have a rate beside them as two; a cell that has only one of them stands in its own. */
export function apart({ head, rows }: Cut): Cut {
  const both = head.map((_, at) => {
    const cells = rows.map((row) => row[at] ?? '').filter(Boolean);
    return cells.length > 0 && cells.filter((cell) => minutesBesideRate(cell) !== null).length * 2 > cells.length;
  });
  if (!both.includes(true)) return { head, rows };
  const split = (cell: string): string[] => {
    const found = minutesBesideRate(cell);
    if (found) return [found.minutes, found.rate];
    return isRate(cell) ? ['', cell] : [cell, ''];
  };
  return {
    head: head.flatMap((title, at) => (both[at] ? [title, 'Bit rate'] : [title])),
    rows: rows.map((row) => row.flatMap((cell, at) => (both[at] ? split(cell) : [cell]))),
  };
}
