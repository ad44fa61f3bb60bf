import type { TypedLabel } from '../../app/cards/cardDraft.ts';
import { NO_CARD_SEEN, NOTHING_READ, pictureProblemText, severalText } from '../../text/photo/picture.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { CardFound } from './CardFound.tsx';
import { NotRead } from './NotRead.tsx';
import { PictureView } from './PictureView.tsx';
import css from './picture.module.css';
import { RecogniserGate } from './RecogniserGate.tsx';
import { TakePicture } from './TakePicture.tsx';
import { usePicture } from './usePicture.ts';

interface CardPictureProps {
  /** What was typed of the label before. */
  readonly typed: TypedLabel;
  /** The confirmed label, in the words of the label reader. */
  readonly onAccept: (text: string) => void;
  readonly onClose: () => void;
}

/** A card read off a picture. The picture stays in this dialog, and goes with it. */
export default function CardPicture({ typed, onAccept, onClose }: CardPictureProps) {
  return (
    <Dialog opened title="Read a card off a picture" size="min(1080px, 96vw)" onClose={onClose}>
      <RecogniserGate onClose={onClose}>
        <Reading typed={typed} onAccept={onAccept} onClose={onClose} />
      </RecogniserGate>
    </Dialog>
  );
}

function Reading({ typed, onAccept, onClose }: CardPictureProps) {
  const { state, take, readPart, again } = usePicture('card');
  const taken = (source: Blob | ImageBitmap): void => void take(source);
  switch (state.phase) {
    case 'none':
      return <TakePicture what="one card" onPicture={taken} />;
    case 'opening':
      return <p role="status">Opening the picture…</p>;
    case 'problem':
      return <NotRead text={pictureProblemText(state.problem)} onAgain={again} onClose={onClose} />;
    case 'reading':
      return state.soFar.length === 0 ? (
        <div className={css.waiting}>
          <PictureView bitmap={state.picture.bitmap} pieces={[]} />
          <p role="status">Reading the picture…</p>
        </div>
      ) : (
        <CardFound
          picture={state.picture}
          findings={state.soFar}
          isReading
          typed={typed}
          onAccept={onAccept}
          onAgain={again}
        />
      );
    case 'text':
      return null;
    case 'card': {
      const { picture, reading } = state;
      if (reading.parts.length > 1) {
        return (
          <div className={css.waiting}>
            <PictureView bitmap={picture.bitmap} pieces={[]} />
            <p role="status">{severalText(reading.parts.map(({ word }) => word))}</p>
            <div className={css.buttons}>
              {reading.parts.map((part) => (
                <button
                  key={part.word + part.left + part.top}
                  type="button"
                  className="ink-button"
                  data-strong
                  onClick={() => readPart(part)}
                >
                  Read the one with {part.word}
                </button>
              ))}
              <button type="button" className="ink-button" onClick={again}>
                Another picture
              </button>
            </div>
          </div>
        );
      }
      if (reading.findings.length === 0) {
        return (
          <NotRead text={reading.isPage ? NO_CARD_SEEN : NOTHING_READ} onAgain={again} onClose={onClose}>
            <PictureView bitmap={picture.bitmap} pieces={[]} />
          </NotRead>
        );
      }
      return (
        <CardFound
          picture={picture}
          findings={reading.findings}
          isReading={false}
          typed={typed}
          onAccept={onAccept}
          onAgain={again}
        />
      );
    }
  }
}
