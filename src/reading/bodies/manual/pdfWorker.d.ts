/** The package has no types for its worker: it is only handed over. */
declare module 'pdfjs-dist/legacy/build/pdf.worker.mjs';
