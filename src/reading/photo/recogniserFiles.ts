/** The files of the recogniser, below the folder that the build puts them in. */
export const RECOGNISER_FILES = {
  worker: 'worker.min.js',
  core: 'tesseract-core-simd-lstm.js',
  /** Fetched by the core itself. */
  wasm: 'tesseract-core-simd-lstm.wasm',
  /** Packed by itself, under a name that no server takes for its packed copy of another file. */
  language: 'eng.traineddata',
} as const;

/** Their folder; the version of the recogniser is in it, so that a newer one is another address. */
export const RECOGNISER_FOLDER = '/recogniser/7.0.0/';
