import Tesseract, { type Worker as TesseractWorker } from 'tesseract.js';
import type { Recogniser } from '../../core/photo/recogniser.ts';
import { RECOGNISER_FILES } from '../../reading/photo/recogniserFiles.ts';
import { PICTURE_SETTINGS, portableGray, wordsOf } from '../../reading/photo/tesseract.ts';

/** Thrown where the recogniser does not start: its files are not here, or this browser cannot run them. */
export class NoRecogniser extends Error {}

/** Milliseconds in which it has to start: a worker whose files are missing never says so. */
const PATIENCE = 60_000;

/** Starts the recogniser from the files below an address of this origin; nothing else is asked for. */
async function start(at: string): Promise<TesseractWorker> {
  // Its own worker never answers where this file is missing: it is looked for first, and comes from the cache then.
  const language = await fetch(`${at}${RECOGNISER_FILES.language}`).catch(() => null);
  if (!language?.ok) throw new NoRecogniser('language');
  await language.arrayBuffer();
  const worker = await new Promise<TesseractWorker>((go, fail) => {
    const late = setTimeout(() => fail(new NoRecogniser('late')), PATIENCE);
    const done = (): void => clearTimeout(late);
    Tesseract.createWorker('eng', Tesseract.OEM.LSTM_ONLY, {
      workerPath: `${at}${RECOGNISER_FILES.worker}`,
      corePath: `${at}${RECOGNISER_FILES.core}`,
      langPath: at.replace(/\/$/, ''),
      gzip: false,
      workerBlobURL: false,
      cacheMethod: 'none',
      errorHandler: (thrown: unknown) => fail(new NoRecogniser(String(thrown))),
    }).then(
      (made) => {
        done();
        go(made);
      },
      (thrown: unknown) => {
        done();
        fail(new NoRecogniser(String(thrown)));
      },
    );
  });
  await worker.setParameters(PICTURE_SETTINGS);
  return worker;
}

let running: Promise<TesseractWorker> | null = null;

/** The recogniser, started once; after a failure it is started anew. */
export async function recogniserFrom(at: string): Promise<Recogniser> {
  running ??= start(at);
  const started = running;
  try {
    const worker = await started;
    return async (gray) => {
      const file = portableGray(gray);
      const { data } = await worker.recognize(new Blob([file as BlobPart]), {}, { text: false, blocks: true });
      return wordsOf(data);
    };
  } catch (thrown) {
    if (running === started) running = null;
    throw thrown;
  }
}
