import { entryAt } from '../../../core/entryAt.ts';
import { RATE_UNIT } from '../../../core/units/spelling.ts';
import { axisOf, unrolled } from '../paste/matrix.ts';
import type { DocLine, FoundTable } from './manual.ts';

const SIZE = /\b\d{3,5}\s*[x×✕*]\s*\d{3,5}\b|\b(?:DCI|C4K|UHD|FHD|Full\s*HD|HD|[2-9]\.?\d?K|1[0-2]K)\b/i;
const SPEED = /\b\d{2,3}(?:[.,]\d{1,3})?\s*(?:p|i|fps)\b|\b(?:23|29|47|59|119|239)[.,]\d{1,3}\b/i;
const RATE = new RegExp(String.raw`\b\d+(?:[.,]\d+)?\s*${RATE_UNIT}(?!\p{L})`, 'iu');
const UNIT_ALONE = new RegExp(String.raw`^[([]?\s*(?:${RATE_UNIT}|fps|pixels?|p|i)\s*[)\]]?$`, 'iu');
const CODEC =
  /\b(?:H\.?26[45]|HEVC|AVC|MPEG-?[24]|AV1|VP9|RAW|intra|all-?i|long\s*-?\s*gop|ipb|4:[24][24]:?[0-4]?|(?:8|10|12|14|16)[\s-]?bit)\b/i;
const FIGURES = /\d/;
const RATE_WORD = new RegExp(String.raw`(?<!\p{L})${RATE_UNIT}(?!\p{L})|bit\s*rate`, 'iu');

/** How much of a line looks like a mode: size, speed, rate, codec. */
const marks = (text: string): number => [SIZE, SPEED, RATE, CODEC].filter((one) => one.test(text)).length;

/** A line that gives a mode away by itself: a rate with its unit and one thing more, or size and speed. */
const isMode = ({ cells }: DocLine): boolean => {
  const text = cells.join(' ');
  return (
    text.length < 400 &&
    ((RATE.test(text) && marks(text) >= 2) || (SIZE.test(text) && SPEED.test(text) && cells.length >= 2))
  );
};

/** A line of figures below a mode, as where a cell stands for several rows. */
const isMore = ({ cells }: DocLine): boolean =>
  cells.length >= 2 && cells.some((cell) => FIGURES.test(cell)) && marks(cells.join(' ')) >= 1;

const isHeading = ({ cells }: DocLine): boolean =>
  cells.length >= 2 &&
  cells.some((cell) => /rate|size|resol|frame|codec|format|mode|fps|qualit|speed|recording/i.test(cell));
const isUnits = ({ cells }: DocLine): boolean =>
  cells.length >= 1 && cells.every((cell) => UNIT_ALONE.test(cell) || cell === '');

/** Lines between two modes that still belong to their table: text of a cell that went on. */
const BETWEEN = 2;

/** Lines from one that names speeds or sizes side by side, down to where its figures end; null where it heads no such table. */
function twoWays(lines: readonly DocLine[], at: number): FoundTable | null {
  const head = entryAt(lines, at);
  if (axisOf(head.cells) === null) return null;
  const isOfPage = (line: DocLine | undefined): line is DocLine => line !== undefined && line.page === head.page;
  let last = at;
  for (let next = at + 1; next <= last + 2; next += 1) {
    const line = lines[next];
    if (!isOfPage(line) || axisOf(line.cells) !== null) break;
    if (line.cells.filter((cell) => FIGURES.test(cell)).length >= 2) last = next;
  }
  const above = lines[at - 1];
  const from = isOfPage(above) && (isUnits(above) || RATE_WORD.test(above.cells.join(' '))) ? at - 1 : at;
  const own = lines.slice(from, last + 1);
  const table = unrolled(own.map(({ cells }) => cells));
  return table && { page: head.page, lines: own, modes: table.rows.filter((row) => row.at(-1) !== '').length };
}

/** Most stretches of lines that are shown without being understood. */
const MOST_LEFT = 20;

/** Lines with a rate that stand in no table, with what stands beside them: shown in their place, to be taken by hand. */
function leftOver(lines: readonly DocLine[], tables: readonly FoundTable[]): readonly FoundTable[] {
  const taken = new Set(tables.flatMap((table) => table.lines));
  const left: FoundTable[] = [];
  for (let at = 0; at < lines.length && left.length < MOST_LEFT; at += 1) {
    const first = entryAt(lines, at);
    if (taken.has(first) || !RATE.test(first.cells.join(' '))) continue;
    let last = at;
    for (let next = at + 1; next <= last + BETWEEN && next < lines.length; next += 1) {
      const line = entryAt(lines, next);
      if (taken.has(line) || line.page !== first.page) break;
      if (RATE.test(line.cells.join(' '))) last = next;
    }
    const above = lines[at - 1];
    const from = above && !taken.has(above) && above.page === first.page ? at - 1 : at;
    left.push({ page: first.page, lines: lines.slice(from, last + 1), modes: 0 });
    at = last;
  }
  return left;
}

/**
 * Finds what looks like tables of modes among the lines of a document. Nothing is read off them here: they go through the same
 * preview as a pasted table. What holds a rate and is no such table comes last.
 */
export function findTables(lines: readonly DocLine[]): readonly FoundTable[] {
  const tables: FoundTable[] = [];
  for (let at = 0; at < lines.length; ) {
    const first = entryAt(lines, at);
    const both = twoWays(lines, at);
    if (both) {
      tables.push(both);
      at = lines.indexOf(entryAt(both.lines, both.lines.length - 1), at) + 1;
      continue;
    }
    if (!isMode(first)) {
      at += 1;
      continue;
    }
    let last = at;
    for (let next = at + 1; next < lines.length && next - last <= BETWEEN + 1; next += 1) {
      const line = entryAt(lines, next);
      if (line.page !== first.page) break;
      if (isMode(line) || isMore(line)) last = next;
    }
    let from = at;
    for (let above = 1; above <= 2; above += 1) {
      const line = lines[at - above];
      if (!line || line.page !== first.page) break;
      const isOfIt = isUnits(line) || isHeading(line);
      if (isOfIt) from = at - above;
      if (!isUnits(line)) break;
    }
    const own = lines.slice(from, last + 1);
    tables.push({ page: first.page, lines: own, modes: own.filter((line) => isMode(line) || isMore(line)).length });
    at = last + 1;
  }
  return [...tables, ...leftOver(lines, tables)];
}
