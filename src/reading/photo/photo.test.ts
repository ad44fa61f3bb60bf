import { statSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { RECOGNISER_MB } from '../../text/photo/picture.ts';
import { isHeic, isPictureLike } from './fileKind.ts';
import { RECOGNISER_FILES, RECOGNISER_FOLDER } from './recogniserFiles.ts';
import { portableGray, wordsOf } from './tesseract.ts';

const bytes = (...parts: readonly (string | number)[]): Uint8Array =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'number' ? [part] : [...part].map((one) => one.charCodeAt(0)))),
  );

describe('the kind of a file', () => {
  it.each([
    ['PNG', bytes(0x89, 'PNG\r\n'), false, true],
    ['JPEG', bytes(0xff, 0xd8, 0xff, 0xe0), false, true],
    ['WebP', bytes('RIFF', 1, 2, 3, 4, 'WEBPVP8 '), false, true],
    ['AVIF', bytes(0, 0, 0, 28, 'ftypavif'), false, true],
    ['HEIC of a phone', bytes(0, 0, 0, 24, 'ftypheic'), true, false],
    ['HEIF of a phone', bytes(0, 0, 0, 24, 'ftypmif1'), true, false],
    ['a clip', bytes(0, 0, 0, 24, 'ftypisom'), false, false],
    ['a text', bytes('128GB SDXC'), false, false],
    ['nothing', bytes(), false, false],
  ])('%s is told by how it begins', (_, head, heic, picture) => {
    expect([isHeic(head), isPictureLike(head)]).toEqual([heic, picture]);
  });
});

describe('the recogniser', () => {
  const { resolve } = createRequire(import.meta.url);
  const folder = (name: string): string => dirname(resolve(`${name}/package.json`));

  it('weighs what is said before it is loaded', () => {
    const files = [
      join(folder('tesseract.js'), 'dist', RECOGNISER_FILES.worker),
      join(folder('tesseract.js-core'), RECOGNISER_FILES.core),
      join(folder('tesseract.js-core'), RECOGNISER_FILES.wasm),
      join(folder('@tesseract.js-data/eng'), '4.0.0_best_int', 'eng.traineddata.gz'),
    ];
    const megabytes = files.reduce((sum, file) => sum + statSync(file).size, 0) / 1e6;
    expect(Math.abs(megabytes - RECOGNISER_MB)).toBeLessThan(0.5);
  });

  it('stands at an address that names its version, so that a newer one is another', () => {
    const { version } = createRequire(import.meta.url)('tesseract.js/package.json') as { readonly version: string };
    expect(RECOGNISER_FOLDER).toBe(`/recogniser/${version}/`);
  });

  it('is given pictures as PGM', () => {
    const file = portableGray({ width: 2, height: 1, data: Uint8Array.from([0, 200]) });
    expect(new TextDecoder().decode(file.slice(0, 11))).toBe('P5\n2 1\n255\n');
    expect([...file.slice(11)]).toEqual([0, 200]);
  });

  it('gives words wherever it put them, and none where it found none', () => {
    expect(wordsOf({ blocks: null })).toEqual([]);
    const words = [{ text: 'V60', confidence: 80, bbox: { x0: 1, y0: 2, x1: 3, y1: 4 } }];
    const page = { blocks: [{ paragraphs: [{ lines: [{ words }] }] }] } as never;
    expect(wordsOf(page)).toEqual([{ text: 'V60', confidence: 0.8, left: 1, top: 2, right: 3, bottom: 4 }]);
  });
});
