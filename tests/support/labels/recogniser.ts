import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { createWorker, OEM, PSM } from 'tesseract.js';
import type { Gray } from '../../../src/core/photo/gray.ts';
import type { Recogniser } from '../../../src/core/photo/recogniser.ts';
import { PICTURE_SETTINGS, portableGray, wordsOf } from '../../../src/reading/photo/tesseract.ts';

const { resolve } = createRequire(import.meta.url);

/** The recogniser of the app, started in this process instead of a browser. */
export async function startedRecogniser(): Promise<{
  readonly recognise: Recogniser;
  /** Everything it makes of a picture as it is, without our own work before and after. */
  readonly alone: (gray: Gray) => Promise<string>;
  readonly end: () => Promise<unknown>;
}> {
  const worker = await createWorker('eng', OEM.LSTM_ONLY, {
    langPath: join(dirname(resolve('@tesseract.js-data/eng/package.json')), '4.0.0_best_int'),
    cacheMethod: 'none',
  });
  await worker.setParameters(PICTURE_SETTINGS);
  return {
    recognise: async (gray) => {
      const { data } = await worker.recognize(Buffer.from(portableGray(gray)), {}, { text: false, blocks: true });
      return wordsOf(data);
    },
    alone: async (gray) => {
      await worker.setParameters({ tessedit_pageseg_mode: PSM.SPARSE_TEXT });
      const { data } = await worker.recognize(Buffer.from(portableGray(gray)), { rotateAuto: true }, { text: true });
      await worker.setParameters(PICTURE_SETTINGS);
      return data.text;
    },
    end: () => worker.terminate(),
  };
}
