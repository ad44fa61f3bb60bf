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

/** The lines of a page, top to bottom, each cut into cells where there is more space than between words. */
function linesOf(pieces: readonly Piece[]): readonly (readonly Cell[])[] {
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
    return cells.flatMap(inner);
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
  const lines = linesOf(pieces);
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
