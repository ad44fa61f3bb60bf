// The build for older engines too: the newest one asks for what Node 20 and last year's browsers do not have.
import { getDocument, Util } from 'pdfjs-dist/legacy/build/pdf.mjs';
import * as pdfWorker from 'pdfjs-dist/legacy/build/pdf.worker.mjs';
import { err, ok, type Result } from '../../../core/result.ts';
import type { DocLine, ManualProblem } from './manual.ts';
import { type Piece, pdfLines } from './pdfLines.ts';

// This runs in a worker already: a second one would only be one more file to load.
(globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = pdfWorker;

/** Text stands on one of four sides. */
const QUARTER = Math.PI / 2;

interface OpenPdf {
  readonly pages: number;
  readonly linesOf: (page: number) => Promise<readonly DocLine[]>;
  readonly close: () => Promise<void>;
}

/** Opens a document for its text alone: no font is loaded and nothing is drawn. */
export async function openPdf(data: Uint8Array): Promise<Result<OpenPdf, ManualProblem>> {
  const task = getDocument({
    data,
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    useWorkerFetch: false,
    verbosity: 0,
  });
  try {
    const document = await task.promise;
    return ok({
      pages: document.numPages,
      async linesOf(number) {
        const page = await document.getPage(number);
        const view = page.getViewport({ scale: 1 });
        const { items } = await page.getTextContent();
        const turned = new Map<number, Piece[]>();
        for (const item of items) {
          if (!('str' in item)) continue;
          const [a = 0, b = 0, , , x = 0, y = 0] = Util.transform(view.transform, item.transform) as number[];
          const size = Math.hypot(a, b) || item.height;
          // A table may lie on its side on a page that stands: its text is read along its own lines.
          const quarter = (Math.round(Math.atan2(b, a) / QUARTER) + 4) % 4;
          const [along, down] = [Math.round(Math.cos(quarter * QUARTER)), Math.round(Math.sin(quarter * QUARTER))];
          const piece = { text: item.str, x: x * along + y * down, width: item.width, y: y * along - x * down, size };
          turned.set(quarter, [...(turned.get(quarter) ?? []), piece]);
        }
        page.cleanup();
        const lines: DocLine[] = [];
        for (const [, pieces] of [...turned].sort(([one], [other]) => one - other))
          for (const line of pdfLines(number, pieces)) lines.push({ ...line, line: lines.length + 1 });
        return lines;
      },
      close: () => task.destroy(),
    });
  } catch (thrown) {
    const name = thrown instanceof Error ? thrown.name : '';
    if (name === 'PasswordException') return err({ code: 'encrypted' });
    return err({ code: 'unreadable', message: thrown instanceof Error ? thrown.message : String(thrown) });
  }
}
