import { useCallback, useEffect, useRef, useState } from 'react';
import {
  type OpenedPicture,
  type PictureProblem,
  type PictureReader,
  startPictureReader,
} from '../../app/photo/pictureReader.ts';
import type { MarkFound } from '../../core/photo/findings.ts';
import type { CardPart, CardReading } from '../../core/photo/readCard.ts';
import type { TextReading } from '../../core/photo/readText.ts';

/** What is known of a picture at a moment. */
export type PictureState =
  | { readonly phase: 'none' }
  | { readonly phase: 'opening' }
  | { readonly phase: 'reading'; readonly picture: OpenedPicture; readonly soFar: readonly MarkFound[] }
  | { readonly phase: 'card'; readonly picture: OpenedPicture; readonly reading: CardReading }
  | { readonly phase: 'text'; readonly picture: OpenedPicture; readonly reading: TextReading }
  | { readonly phase: 'problem'; readonly problem: PictureProblem };

/** Opens and reads one picture after another; a newer one makes an older one's answer void. */
export function usePicture(kind: 'card' | 'text') {
  const [state, setState] = useState<PictureState>({ phase: 'none' });
  const reader = useRef<Promise<PictureReader> | null>(null);
  const round = useRef(0);
  const picture = useRef<OpenedPicture | null>(null);
  const end = useCallback((): void => {
    round.current += 1;
    void reader.current?.then((one) => one.end());
    reader.current = null;
    picture.current?.bitmap.close();
    picture.current = null;
  }, []);
  useEffect(() => end, [end]);
  const read = useCallback(
    async (own: number, opened: OpenedPicture, part: CardPart | null): Promise<void> => {
      const show = (next: PictureState): void => {
        if (round.current === own) setState(next);
      };
      const one = await (reader.current ?? Promise.reject(new Error('ended')));
      show({ phase: 'reading', picture: opened, soFar: [] });
      if (kind === 'card') {
        const answer = await one.readCard(part, (soFar) => show({ phase: 'reading', picture: opened, soFar }));
        show(
          answer.ok
            ? { phase: 'card', picture: opened, reading: answer.value }
            : { phase: 'problem', problem: answer.error },
        );
        return;
      }
      const answer = await one.readText();
      show(
        answer.ok
          ? { phase: 'text', picture: opened, reading: answer.value }
          : { phase: 'problem', problem: answer.error },
      );
    },
    [kind],
  );
  const take = useCallback(
    async (source: Blob | ImageBitmap): Promise<void> => {
      round.current += 1;
      const own = round.current;
      setState({ phase: 'opening' });
      try {
        reader.current ??= startPictureReader();
        const opened = await (await reader.current).open(source);
        if (round.current !== own) return;
        if (!opened.ok) {
          setState({ phase: 'problem', problem: opened.error });
          return;
        }
        picture.current?.bitmap.close();
        picture.current = opened.value;
        await read(own, opened.value, null);
      } catch {
        // The part with the worker did not load, as without a network: the next picture asks for it again.
        reader.current = null;
        if (round.current === own) setState({ phase: 'problem', problem: 'failed' });
      }
    },
    [read],
  );
  /** Reads a part of the picture that is open. */
  const readPart = useCallback(
    (part: CardPart): void => {
      if (!picture.current) return;
      round.current += 1;
      void read(round.current, picture.current, part).catch(() => setState({ phase: 'problem', problem: 'failed' }));
    },
    [read],
  );
  const isRead = state.phase === 'card' || state.phase === 'text';
  const again = useCallback((): void => {
    // A worker that is done reads the next picture at once; one at work, or one that failed, is ended.
    if (!isRead) end();
    round.current += 1;
    setState({ phase: 'none' });
  }, [end, isRead]);
  return { state, take, readPart, again };
}
