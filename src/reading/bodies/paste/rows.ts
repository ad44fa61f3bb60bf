import type { ModeColumn } from './columns.ts';
import type { PastedTable } from './cut.ts';

/** What a row is taken for: a mode, more text of the row above, the title of the rows below, or nothing. */
export type RowAs = 'mode' | 'joins' | 'heads' | 'out';
export const ROW_AS = ['mode', 'joins', 'heads', 'out'] as const satisfies readonly RowAs[];

interface PlacedCell {
  readonly text: string;
  /** Stands once in the table for several rows, and was taken from the row above. */
  readonly above: boolean;
}

export interface PlacedRow {
  readonly as: RowAs;
  readonly cells: readonly PlacedCell[];
  /** The title it stands under; empty where none. */
  readonly title: string;
  /** Whether it was cut by the columns of a table, not out of ragged text. */
  readonly isRuled: boolean;
}

/** Columns in which a merged cell of a manual stands for the rows below it. */
const MERGED: ReadonlySet<ModeColumn> = new Set(['size', 'codec', 'fps', 'width', 'height']);

/** A title that says nothing of the rows below it: it would only lengthen every name. */
const GENERAL =
  /^(?:(?:the|recording|recordable|movie|video|modes?|settings?|formats?|tables?|bit|data|rates?|qualit(?:y|ies)|sizes?|list|of|and|for)[\s/,:.]*)+$/i;

const isSame = (row: readonly string[], other: readonly string[]): boolean =>
  row.join('\u0000').toLowerCase() === other.join('\u0000').toLowerCase();

/** What a row looks like by itself. */
function looksLike(table: PastedTable, columns: readonly ModeColumn[], at: number): RowAs {
  const row = table.rows[at] ?? [];
  if (isSame(row, table.head)) return 'out';
  const filled = row.flatMap((text, place) => (text === '' ? [] : [place]));
  const has = (column: ModeColumn): boolean => row.some((text, place) => columns[place] === column && text !== '');
  const [only = 0] = filled;
  const text = row[only] ?? '';
  const isAlone = filled.length === 1;
  if (has('rate') || (!isAlone && has('minutes')) || (!isAlone && (has('fps') || has('capture')))) return 'mode';
  if (isAlone && /^(?:[*※†‡]|note\b|\(?\d+\))/i.test(text)) return 'out';
  if (isAlone && GENERAL.test(text)) return 'out';
  if (isAlone && columns[only] === 'size') return 'heads';
  if (isAlone && only === 0) return at > 0 && /^[\p{Ll}(\-–+&/]/u.test(text) ? 'joins' : 'heads';
  return at > 0 ? 'joins' : 'mode';
}

/**
 * Rows in their places: continuation lines joined to the row above, titles over the rows below, merged cells filled from
 * above. What was taken from elsewhere is marked, and every row can be taken for something else.
 */
export function placeRows(
  table: PastedTable,
  columns: readonly ModeColumn[],
  chosen: Readonly<Record<number, RowAs>>,
): readonly PlacedRow[] {
  const kinds = table.rows.map((_, at) => chosen[at] ?? looksLike(table, columns, at));
  // Ragged text has no cells that could be merged.
  const isRuled = table.known === null;
  let title = '';
  const above = new Map<number, string>();
  const heading = new Map<number, string>();
  const placed: PlacedRow[] = [];
  kinds.forEach((as, at) => {
    const row = table.rows[at] ?? [];
    if (as === 'heads') {
      // A size or codec over some rows is theirs; the rest is what they are called.
      const isTheirs = (place: number): boolean => MERGED.has(columns[place] ?? 'skip');
      const words = row.filter((text, place) => text !== '' && !isTheirs(place));
      if (words.length > 0) title = words.join(' ');
      above.clear();
      heading.clear();
      row.forEach((text, place) => {
        if (text !== '' && isTheirs(place)) heading.set(place, text);
      });
    }
    const cells = row.map((own, place): PlacedCell => {
      if (as !== 'mode') return { text: own, above: false };
      const text = [own, ...continued(table, kinds, at, place)].filter(Boolean).join(' ');
      const column = columns[place];
      if (text !== '') above.set(place, text);
      else if (heading.has(place)) return { text: heading.get(place) ?? '', above: true };
      else if (isRuled && column && MERGED.has(column) && above.has(place))
        return { text: above.get(place) ?? '', above: true };
      return { text, above: false };
    });
    placed.push({ as, cells, title: as === 'mode' ? title : '', isRuled });
  });
  return placed;
}

/** What the lines that join a row add to one of its cells. */
function continued(table: PastedTable, kinds: readonly RowAs[], at: number, place: number): string[] {
  const more: string[] = [];
  for (let next = at + 1; kinds[next] === 'joins'; next += 1) more.push(table.rows[next]?.[place] ?? '');
  return more;
}
