import { err, ok, type Result } from '../../../core/result.ts';
import { findTables } from './findTables.ts';
import { type DocLine, MAX_MANUAL_BYTES, MAX_MANUAL_PAGES, type ManualProblem, type ReadManual } from './manual.ts';

type Lines = Result<{ readonly pages: number; readonly lines: readonly DocLine[] }, ManualProblem>;

/** What a file is, by its first bytes; its name may say anything. */
function kindOf(head: Uint8Array): 'pdf' | 'zip' | 'old-sheet' | 'text' {
  const text = String.fromCharCode(...head.subarray(0, 1024));
  if (text.includes('%PDF-')) return 'pdf';
  if (text.startsWith('PK')) return 'zip';
  if (head[0] === 0xd0 && head[1] === 0xcf) return 'old-sheet';
  return 'text';
}

async function sheetLines(file: Blob): Promise<Lines> {
  const [{ default: readSheets }, { unpackSheet }] = await Promise.all([
    import('read-excel-file/universal'),
    import('./unpackSheet.ts'),
  ]);
  const unpacked = unpackSheet(new Uint8Array(await file.arrayBuffer()));
  if (!unpacked.ok) return unpacked;
  const sheets = await readSheets(new Blob([unpacked.value as Uint8Array<ArrayBuffer>]));
  const lines = sheets.flatMap(({ sheet, data }) =>
    data.map(
      (row, at): DocLine => ({
        page: sheets.length > 1 ? sheet : null,
        line: at + 1,
        cells: row.map((cell) => (cell === null || cell === undefined ? '' : String(cell).replace(/\s+/g, ' ').trim())),
      }),
    ),
  );
  return ok({ pages: sheets.length, lines });
}

/** Text that is a web page, or plain: a table with tabs, or columns set apart by blanks. */
async function textLines(file: Blob): Promise<Lines> {
  const text = await file.text();
  if (text.slice(0, 4000).includes('\0')) return err({ code: 'unknown-format' });
  if (/<(?:html|table|body|div|p|!doctype)\b/i.test(text.slice(0, 20_000))) {
    const { htmlLines } = await import('./htmlLines.ts');
    return ok({ pages: 1, lines: htmlLines(text) });
  }
  const { default: Papa } = await import('papaparse');
  const isCut = /[\t;]|,.*,/.test(text.slice(0, 5000));
  const rows = isCut
    ? Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data
    : text.split(/\r?\n/).map((line) => line.trim().split(/ {2,}/));
  return ok({
    pages: 1,
    lines: rows.map((cells, at) => ({ page: null, line: at + 1, cells: cells.map((cell) => cell.trim()) })),
  });
}

/**
 * Finds tables of modes in a document: PDF, web page, spreadsheet or text.
 *
 * @returns shares done on the way; then what was found, or why nothing was
 */
export async function* manualSteps(file: Blob): AsyncGenerator<number, Result<ReadManual, ManualProblem>, void> {
  if (file.size === 0) return err({ code: 'empty' });
  if (file.size > MAX_MANUAL_BYTES) return err({ code: 'too-large', max: MAX_MANUAL_BYTES });
  try {
    const kind = kindOf(new Uint8Array(await file.slice(0, 1024).arrayBuffer()));
    if (kind === 'old-sheet') return err({ code: 'old-sheet' });
    const read = kind === 'pdf' ? yield* pdf(file) : kind === 'zip' ? await sheetLines(file) : await textLines(file);
    if (!read.ok) return read;
    const { pages, lines } = read.value;
    const tables = findTables(lines);
    return tables.length === 0 ? err({ code: 'no-modes', lines: lines.length }) : ok({ pages, tables });
  } catch (thrown) {
    return err({ code: 'unreadable', message: thrown instanceof Error ? thrown.message : String(thrown) });
  }
}

async function* pdf(file: Blob): AsyncGenerator<number, Lines, void> {
  const { openPdf } = await import('./openPdf.ts');
  const opened = await openPdf(new Uint8Array(await file.arrayBuffer()));
  if (!opened.ok) return opened;
  const { pages, linesOf, close } = opened.value;
  try {
    const most = Math.min(pages, MAX_MANUAL_PAGES);
    const lines: DocLine[] = [];
    for (let page = 1; page <= most; page += 1) {
      yield (page - 1) / most;
      lines.push(...(await linesOf(page)));
    }
    return lines.length === 0 ? err({ code: 'scanned', pages }) : ok({ pages, lines });
  } finally {
    await close();
  }
}
