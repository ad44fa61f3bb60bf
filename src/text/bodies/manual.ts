import type { DocLine, FoundTable, ManualProblem } from '../../reading/bodies/manual/manual.ts';
import { plain } from '../quantity.ts';

/** Where a line stands in its document. */
export const placeText = ({ page, line }: Pick<DocLine, 'page' | 'line'>): string =>
  page === null ? `line ${line}` : typeof page === 'number' ? `page ${page}, line ${line}` : `${page}, row ${line}`;

/** A table that was found, in a line. */
export function foundText({ page, lines, modes }: FoundTable): string {
  const first = lines[0]?.line ?? 1;
  const last = lines.at(-1)?.line ?? first;
  const many = first === last ? '' : 's';
  const where =
    page === null ? `Line${many}` : typeof page === 'number' ? `Page ${page}, line${many}` : `${page}, row${many}`;
  const found =
    modes === 0 ? 'rates, not understood' : modes === 1 ? 'one line like a mode' : `${modes} lines like a mode`;
  return `${where} ${first}${last === first ? '' : `–${last}`}: ${found}`;
}

/** Why a document gave no modes, and what to do. */
export function manualProblemText(problem: ManualProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'This file is empty.';
    case 'encrypted':
      return 'This document is locked with a password. Open it in a viewer, copy the table, and paste it below.';
    case 'scanned':
      return `Its ${problem.pages === 1 ? 'page is a picture' : `${plain(problem.pages)} pages are pictures`}: there is no text in it. Type the rows below.`;
    case 'no-modes':
      return 'Nothing in it looks like a mode: a size, a frame rate and a rate in one line. Copy the table, and paste it below.';
    case 'unknown-format':
      return 'This is no PDF, web page, spreadsheet or text. Copy the table, and paste it below.';
    case 'old-sheet':
      return 'This is a spreadsheet of the old kind (.xls). Save it as .xlsx or CSV.';
    case 'too-large':
      return `This file is larger than ${plain(problem.max / 1e6)} MB. Save the pages with the table by themselves.`;
    case 'sheet-too-large':
      return `Unpacked, this spreadsheet is larger than ${plain(problem.max / 1e6)} MB. Save the sheet with the table by itself, or as CSV.`;
    case 'sheet-too-wide':
      return `This spreadsheet reaches to cell ${problem.cell}: more than ${plain(problem.max)} cells. Delete what stands far out, or save the table as CSV.`;
    case 'unreadable':
      return 'This file could not be read. Is it whole? Copy the table, and paste it below.';
  }
}
