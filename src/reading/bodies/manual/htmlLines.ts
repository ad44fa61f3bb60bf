import { type Document, type Element, isTag, isText } from 'domhandler';
import { DomUtils, parseDocument } from 'htmlparser2';
import { entryAt } from '../../../core/entryAt.ts';
import type { DocLine } from './manual.ts';

const UNSEEN = new Set(['script', 'style', 'noscript', 'template', 'head']);
const textOf = (node: Element): string => DomUtils.textContent(node).replace(/\s+/g, ' ').trim();

/** Rows of a table; a cell that spans several stands in each of its places. */
function rowsOf(table: Element): readonly (readonly string[])[] {
  const grid: string[][] = [];
  const rows = DomUtils.getElementsByTagName('tr', table.children).filter((row) => nearest(row) === table);
  rows.forEach((row, at) => {
    grid[at] ??= [];
    let column = 0;
    for (const cell of row.children.filter(isTag).filter(({ name }) => name === 'td' || name === 'th')) {
      while (grid[at]?.[column] !== undefined) column += 1;
      const span = (key: string): number =>
        Math.min(200, Math.max(1, Number.parseInt(cell.attribs[key] ?? '1', 10) || 1));
      const [wide, high] = [span('colspan'), Math.min(span('rowspan'), rows.length - at)];
      for (let down = 0; down < high; down += 1)
        for (let across = 0; across < wide; across += 1) {
          grid[at + down] ??= [];
          entryAt(grid, at + down)[column + across] = across === 0 || cell.name === 'th' ? textOf(cell) : '';
        }
      column += wide;
    }
  });
  return grid.map((row) => Array.from(row, (cell) => cell ?? ''));
}

function nearest(node: Element): Element | null {
  for (let up = node.parent; up; up = up.parent) if (isTag(up) && up.name === 'table') return up;
  return null;
}

/** Lines of a page: rows of its tables, and the text between them. */
export function htmlLines(html: string): readonly DocLine[] {
  const lines: DocLine[] = [];
  const add = (cells: readonly string[]): void => {
    if (cells.some((cell) => cell !== '')) lines.push({ page: null, line: lines.length + 1, cells });
  };
  const walk = (node: Document | Element): void => {
    for (const child of node.children) {
      if (isText(child)) {
        const text = child.data.replace(/\s+/g, ' ').trim();
        if (text) add(text.split(/\t| {2,}/));
      } else if (isTag(child)) {
        if (UNSEEN.has(child.name)) continue;
        if (child.name === 'table') for (const row of rowsOf(child)) add(row);
        else if (child.name === 'pre')
          for (const line of DomUtils.textContent(child).split('\n')) add(line.trim().split(/\t| {2,}/));
        else if (
          ['p', 'li', 'dd', 'dt'].includes(child.name) &&
          DomUtils.getElementsByTagName('table', child.children).length === 0
        )
          add([textOf(child)]);
        else walk(child);
      }
    }
  };
  walk(parseDocument(html));
  return lines;
}
