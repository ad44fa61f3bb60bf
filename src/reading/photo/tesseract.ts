import type { Page, PSM } from 'tesseract.js';
import type { Gray } from '../../core/photo/gray.ts';
import type { RecognisedWord } from '../../core/photo/recogniser.ts';

/** Lines under each other in one block, as our own sheets are. */
const ONE_BLOCK = '6' as PSM.SINGLE_BLOCK;

/** How the recogniser is set for our sheets. */
export const PICTURE_SETTINGS = { tessedit_pageseg_mode: ONE_BLOCK, user_defined_dpi: '300' } as const;

/** A picture in the plainest format that the recogniser takes: PGM, binary [source: Netpbm, pgm(5)]. */
export function portableGray({ width, height, data }: Gray): Uint8Array {
  const head = new TextEncoder().encode(`P5\n${width} ${height}\n255\n`);
  const file = new Uint8Array(head.length + data.length);
  file.set(head);
  file.set(data, head.length);
  return file;
}

/** The words that it found, wherever it put them. */
export const wordsOf = ({ blocks }: Pick<Page, 'blocks'>): readonly RecognisedWord[] =>
  (blocks ?? []).flatMap(({ paragraphs }) =>
    paragraphs.flatMap(({ lines }) =>
      lines.flatMap(({ words }) =>
        words.map(({ text, confidence, bbox }) => ({
          text,
          confidence: confidence / 100,
          left: bbox.x0,
          top: bbox.y0,
          right: bbox.x1,
          bottom: bbox.y1,
        })),
      ),
    ),
  );
