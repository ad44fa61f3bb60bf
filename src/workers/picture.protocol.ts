import type { MarkFound } from '../core/photo/findings.ts';
import type { CardPart, CardReading } from '../core/photo/readCard.ts';
import type { TextReading } from '../core/photo/readText.ts';
import type { Result } from '../core/result.ts';

/** Why a picture could not be read. */
export type PictureProblem =
  | 'no-picture'
  | 'heic'
  | 'too-large'
  | 'no-memory'
  /** The recogniser's files could not be loaded, or this browser cannot run it. */
  | 'no-recogniser'
  | 'failed';

/** A picture opened: upright as its camera noted, no larger than is needed. Pieces of readings are in its pixels. */
export interface OpenedPicture {
  readonly bitmap: ImageBitmap;
  readonly width: number;
  readonly height: number;
}

export interface PictureApi {
  /** Opens a file, or takes over a frame of a camera. The one before is let go. */
  open(source: Blob | ImageBitmap): Promise<Result<OpenedPicture, PictureProblem>>;
  /** Reads the opened picture as a card. */
  readCard(
    recogniserAt: string,
    part: CardPart | null,
    onFound: (findings: readonly MarkFound[]) => void,
  ): Promise<Result<CardReading, PictureProblem>>;
  /** Reads the opened picture as a table or a screen. */
  readText(recogniserAt: string): Promise<Result<TextReading, PictureProblem>>;
}
