import { entryAt } from '../../../core/entryAt.ts';
import type { DocLine } from './manual.ts';

/** A piece of text on a page: its left end and width, and its base line, from the top. */
export interface Piece {
  readonly text: string;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  /** Size of its type. */
  readonly size: number;
}

/** Pieces whose base lines lie within this share of the type are on one line. */
const SAME_LINE = 0.45;
/** Blank space from here on parts two cells, in sizes of the type; words stand a third apart at most. */
const CELL = 0.75;
/** A blank above this parts two words that came as two pieces. */
const WORD = 0.15;

interface Cell {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** A line of cells with its base line, from the top, and the size of its type. */
interface Line {
  readonly cells: readonly Cell[];
  readonly y: number;
  readonly size: number;
}

/** The lines of a page, top to bottom, each cut into cells where there is more space than between words. */
function linesOf(pieces: readonly Piece[]): readonly Line[] {
  const sorted = pieces.filter(({ text }) => text.trim() !== '').sort((a, b) => a.y - b.y || a.x - b.x);
  const rows: Piece[][] = [];
  for (const piece of sorted) {
    const row = rows.at(-1);
    const base = row?.[0];
    if (row && base && Math.abs(piece.y - base.y) <= SAME_LINE * Math.max(piece.size, base.size)) row.push(piece);
    else rows.push([piece]);
  }
  return rows.map((row) => {
    const cells: Cell[] = [];
    for (const { text, x, width, size } of row.sort((a, b) => a.x - b.x)) {
      const before = cells.at(-1);
      const blank = before ? x - before.to : Number.POSITIVE_INFINITY;
      if (before && blank < CELL * size) {
        const joint = blank > WORD * size && !before.text.endsWith(' ') && !text.startsWith(' ') ? ' ' : '';
        cells[cells.length - 1] = {
          text: before.text + joint + text,
          from: before.from,
          to: Math.max(before.to, x + width),
        };
      } else cells.push({ text, from: x, to: x + width });
    }
    const [first] = row;
    return { cells: cells.flatMap(inner), y: first?.y ?? 0, size: first?.size ?? 0 };
  });
}

/** A piece that holds wide blanks of its own is several cells. */
function inner({ text, from, to }: Cell): readonly Cell[] {
  const parts = [...text.matchAll(/\S+(?:\s\S+)*/g)];
  const each = text.length > 0 ? (to - from) / text.length : 0;
  return parts.map((part) => ({
    text: part[0].replace(/\s+/g, ' '),
    from: from + part.index * each,
    to: from + (part.index + part[0].length) * each,
  }));
}

/**
 * Lines of a page with their cells in the columns of the table they stand in: a row that leaves a cell empty keeps the others
 * in place.
 */
export function pdfLines(page: number, pieces: readonly Piece[]): readonly DocLine[] {
  const lines = wholeRows(linesOf(pieces)).map(({ cells }) => cells);
  const result: DocLine[] = [];
  for (let at = 0; at < lines.length; ) {
    let to = at;
    while (to < lines.length && (lines[to]?.length ?? 0) >= 2) to += 1;
    if (to - at < 2) {
      result.push({ page, line: at + 1, cells: (lines[at] ?? []).map(({ text }) => text) });
      at += 1;
      continue;
    }
    const block = lines.slice(at, to);
    const columns = columnsOf(block);
    block.forEach((cells, place) => {
      result.push({ page, line: at + place + 1, cells: inColumns(cells, columns) });
    });
    at = to;
  }
  return result;
}

/** Lines nearer than this to each other, in sizes of the type, are no two lines of text: a cell beside them was broken. */
const HALF_LINE = 0.95;

/**
 * Rows whose cells were broken over lines, put together: a cell of two lines stands half a line above and half a line below the
 * other cells of its row. Two lines that are as full as each other stay the two rows they are.
 */
function wholeRows(lines: readonly Line[]): readonly Line[] {
  const rows: Line[] = [];
  for (let at = 0; at < lines.length; ) {
    let to = at + 1;
    const isNear = (one: Line, other: Line): boolean => other.y - one.y < HALF_LINE * Math.max(one.size, other.size);
    while (to < lines.length && isNear(entryAt(lines, to - 1), entryAt(lines, to))) to += 1;
    const group = lines.slice(at, to);
    rows.push(...(group.length > 1 ? joinedRow(group) : group));
    at = to;
  }
  return rows;
}

/** Lines of one row as one: cells that lie over each other are one cell, top to bottom. */
function joinedRow(group: readonly Line[]): readonly Line[] {
  const fullest = group.reduce((most, line) => (line.cells.length > most.cells.length ? line : most));
  // Two lines as full as each other are two rows, set tight.
  if (group.filter(({ cells }) => cells.length === fullest.cells.length).length > 1) return group;
  const cells: Cell[] = [];
  for (const cell of group.flatMap((line) => line.cells)) {
    const place = cells.findIndex(({ from, to }) => cell.from < to && cell.to > from);
    const over = cells[place];
    if (!over) cells.push(cell);
    else
      cells[place] = {
        text: `${over.text} ${cell.text}`,
        from: Math.min(over.from, cell.from),
        to: Math.max(over.to, cell.to),
      };
  }
  return [{ ...fullest, cells: cells.sort((a, b) => a.from - b.from) }];
}

interface Column {
  from: number;
  to: number;
}

/** Columns of lines that stand together: those of the fullest lines, widened by what overlaps one of them alone. */
function columnsOf(block: readonly (readonly Cell[])[]): readonly Column[] {
  const most = Math.max(...block.map((cells) => cells.length));
  const columns: Column[] = [];
  for (const { from, to } of block
    .filter((cells) => cells.length === most)
    .flat()
    .sort((a, b) => a.from - b.from)) {
    const over = columns.filter((one) => from < one.to && to > one.from);
    const [only] = over;
    if (!only) columns.push({ from, to });
    else if (over.length === 1) [only.from, only.to] = [Math.min(only.from, from), Math.max(only.to, to)];
  }
  return columns.sort((a, b) => a.from - b.from);
}

/** Each cell in the column it lies over most, or nearest to. */
function inColumns(cells: readonly Cell[], columns: readonly Column[]): readonly string[] {
  const row = columns.map(() => '');
  for (const { text, from, to } of cells) {
    const distance = (one: Column): number => -Math.min(to, one.to) + Math.max(from, one.from);
    let best = 0;
    columns.forEach((one, at) => {
      if (distance(one) < distance(entryAt(columns, best))) best = at;
    });
    row[best] = row[best] ? `${row[best]} ${text}` : text;
  }
  return row;
}
