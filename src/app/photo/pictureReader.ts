import { proxy } from 'comlink';
import type { MarkFound } from '../../core/photo/findings.ts';
import type { CardPart, CardReading } from '../../core/photo/readCard.ts';
import type { TextReading } from '../../core/photo/readText.ts';
import { err, type Result } from '../../core/result.ts';
import type { OpenedPicture, PictureProblem } from '../../workers/picture.protocol.ts';
import { recogniserAt } from './recogniser.ts';

export type { OpenedPicture, PictureProblem } from '../../workers/picture.protocol.ts';

/** Opens and reads pictures in a worker of its own. */
export interface PictureReader {
  readonly open: (source: Blob | ImageBitmap) => Promise<Result<OpenedPicture, PictureProblem>>;
  readonly readCard: (
    part: CardPart | null,
    onFound: (findings: readonly MarkFound[]) => void,
  ) => Promise<Result<CardReading, PictureProblem>>;
  readonly readText: () => Promise<Result<TextReading, PictureProblem>>;
  readonly end: () => void;
}

/** Longest silence before a reading counts as lost, milliseconds: a slow phone reads a card in a few seconds. */
const PATIENCE = 90_000;

/** Starts the worker. It is ended with the dialog: what it holds is as large as a picture. */
export async function startPictureReader(): Promise<PictureReader> {
  const { pictureWorker } = await import('../../workers/start.ts');
  const { api, stop, onDeath } = pictureWorker();
  let died: (problem: PictureProblem) => void = () => {};
  const death = new Promise<PictureProblem>((tell) => {
    died = tell;
  });
  // A worker that a phone ends is most often one that ran out of memory.
  onDeath(() => died('no-memory'));
  const alive = <T>(work: Promise<Result<T, PictureProblem>>): Promise<Result<T, PictureProblem>> =>
    Promise.race([
      work.catch((): Result<T, PictureProblem> => err('failed')),
      death.then((problem): Result<T, PictureProblem> => err(problem)),
      new Promise<Result<T, PictureProblem>>((tell) => setTimeout(() => tell(err('failed')), PATIENCE)),
    ]);
  const as = <T>(answer: unknown): Promise<Result<T, PictureProblem>> => answer as Promise<Result<T, PictureProblem>>;
  return {
    open: (source) => alive(as<OpenedPicture>(api.open(source))),
    readCard: (part, onFound) => alive(as<CardReading>(api.readCard(recogniserAt(), part, proxy(onFound)))),
    readText: () => alive(as<TextReading>(api.readText(recogniserAt()))),
    end: stop,
  };
}
