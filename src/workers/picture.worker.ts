import { expose, transfer } from 'comlink';
import { type Gray, grayOf } from '../core/photo/gray.ts';
import { type CardPart, readCard } from '../core/photo/readCard.ts';
import { readText } from '../core/photo/readText.ts';
import { err, ok } from '../core/result.ts';
import { isHeic, isPictureLike } from '../reading/photo/fileKind.ts';
import { NoRecogniser, recogniserFrom } from './picture/engine.ts';
import type { PictureApi, PictureProblem } from './picture.protocol.ts';

/** Longest side kept of a picture, pixels: print that is read from it stands well above what a phone's photo blurs. */
const LONGEST = 2200;
/** Largest file opened, bytes: a phone's photo has a few million. */
const LARGEST_FILE = 80_000_000;

/** How long other turns of a picture are tried in which nothing of a card was read yet, milliseconds. */
const PATIENCE = 2500;

let opened: OffscreenCanvas | null = null;

/** Opens a picture whole, or, where memory does not reach, made smaller while it is decoded. */
async function decoded(file: Blob): Promise<ImageBitmap | PictureProblem> {
  const head = new Uint8Array(await file.slice(0, 32).arrayBuffer());
  if (file.size > LARGEST_FILE) return 'too-large';
  try {
    return await createImageBitmap(file);
  } catch {
    if (isHeic(head)) return 'heic';
    if (!isPictureLike(head)) return 'no-picture';
  }
  try {
    return await createImageBitmap(file, { resizeWidth: LONGEST / 2, resizeQuality: 'medium' });
  } catch {
    // A file that begins like a picture is one that is broken, or one that is too large to decode here.
    return file.size > LARGEST_FILE / 10 ? 'no-memory' : 'no-picture';
  }
}

function grayPart(
  canvas: OffscreenCanvas,
  { left, top, right, bottom }: Omit<CardPart, 'word'> = {
    left: 0,
    top: 0,
    right: canvas.width,
    bottom: canvas.height,
  },
): Gray {
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new RangeError('no canvas');
  const [x, y] = [Math.max(0, Math.floor(left)), Math.max(0, Math.floor(top))];
  return grayOf(context.getImageData(x, y, Math.max(1, Math.floor(right) - x), Math.max(1, Math.floor(bottom) - y)));
}

/** What a thrown error means to a person. */
function problemOf(thrown: unknown): PictureProblem {
  if (thrown instanceof NoRecogniser) return 'no-recogniser';
  return thrown instanceof RangeError || /memory|allocat/i.test(String(thrown)) ? 'no-memory' : 'failed';
}

const api: PictureApi = {
  async open(source) {
    const found = source instanceof Blob ? await decoded(source) : source;
    if (typeof found === 'string') return err(found);
    try {
      const scale = Math.min(1, LONGEST / Math.max(found.width, found.height));
      const [width, height] = [
        Math.max(1, Math.round(found.width * scale)),
        Math.max(1, Math.round(found.height * scale)),
      ];
      const canvas = new OffscreenCanvas(width, height);
      const context = canvas.getContext('2d', { willReadFrequently: true });
      if (!context) return err('no-memory');
      // Print on nothing, as in a picture with a clear ground, is print on white.
      context.fillStyle = '#fff';
      context.fillRect(0, 0, width, height);
      context.imageSmoothingQuality = 'high';
      context.drawImage(found, 0, 0, width, height);
      opened = canvas;
      const bitmap = await createImageBitmap(canvas);
      return transfer(ok({ bitmap, width, height }), [bitmap]);
    } catch (thrown) {
      return err(problemOf(thrown));
    } finally {
      found.close();
    }
  },
  async readCard(recogniserAt, part, onFound) {
    if (!opened) return err('no-picture');
    try {
      const gray = grayPart(opened, part ?? undefined);
      const recognise = await recogniserFrom(recogniserAt);
      const start = performance.now();
      const isLate = (): boolean => performance.now() - start > PATIENCE;
      const read = await readCard(gray, recognise, { onFound, isLate });
      if (!part) return ok(read);
      const [left, top] = [Math.floor(part.left), Math.floor(part.top)];
      const moved = (finding: (typeof read.findings)[number]) => ({
        ...finding,
        piece: finding.piece.map(([x, y]) => [x + left, y + top] as const),
      });
      const parts = read.parts.map((one) => ({
        ...one,
        left: one.left + left,
        top: one.top + top,
        right: one.right + left,
        bottom: one.bottom + top,
      }));
      return ok({ ...read, parts, findings: read.findings.map(moved) });
    } catch (thrown) {
      return err(problemOf(thrown));
    }
  },
  async readText(recogniserAt) {
    if (!opened) return err('no-picture');
    try {
      return ok(await readText(grayPart(opened), await recogniserFrom(recogniserAt)));
    } catch (thrown) {
      return err(problemOf(thrown));
    }
  },
};

expose(api);
