import { useState } from 'react';
import type { OpenedPicture } from '../../app/photo/pictureReader.ts';
import { type CellAnswers, cellAt, counterTimes, openCells, pastedText } from '../../app/photo/textRows.ts';
import type { TextReading } from '../../core/photo/readText.ts';
import { barredText, NO_ROWS, pictureProblemText } from '../../text/photo/picture.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { NotRead } from './NotRead.tsx';
import { PictureView } from './PictureView.tsx';
import { PieceView } from './PieceView.tsx';
import css from './picture.module.css';
import { RecogniserGate } from './RecogniserGate.tsx';
import { TakePicture } from './TakePicture.tsx';
import { usePicture } from './usePicture.ts';

interface TextPictureProps {
  /** A table goes where one is pasted; of a counter one time is picked. */
  readonly kind: 'table' | 'counter';
  /** Confirmed rows by tabs, or minutes. */
  readonly onAccept: (text: string) => void;
  readonly onClose: () => void;
}

const TITLES = { table: 'Read a table off a picture', counter: 'Read the counter off a picture' } as const;
const WHAT = { table: 'the table of rates', counter: 'the screen that shows the minutes left' } as const;

/** A rate table or a counter read off a picture: every figure stands beside the piece it was read from. */
export default function TextPicture(props: TextPictureProps) {
  return (
    <Dialog opened title={TITLES[props.kind]} size="min(1080px, 96vw)" onClose={props.onClose}>
      <RecogniserGate onClose={props.onClose}>
        <Reading {...props} />
      </RecogniserGate>
    </Dialog>
  );
}

function Reading({ kind, onAccept, onClose }: TextPictureProps) {
  const { state, take, again } = usePicture('text');
  switch (state.phase) {
    case 'none':
      return <TakePicture what={WHAT[kind]} onPicture={(source) => void take(source)} />;
    case 'opening':
      return <p role="status">Opening the picture…</p>;
    case 'reading':
      return (
        <div className={css.waiting}>
          <PictureView bitmap={state.picture.bitmap} pieces={[]} />
          <p role="status">Reading the picture…</p>
        </div>
      );
    case 'text': {
      const { picture, reading } = state;
      if (reading.rows.length > 0) {
        return kind === 'table' ? (
          <TableFound picture={picture} reading={reading} onAccept={onAccept} onAgain={again} />
        ) : (
          <CounterFound picture={picture} reading={reading} onAccept={onAccept} onAgain={again} />
        );
      }
      return <NotRead text={NO_ROWS} onAgain={again} onClose={onClose} />;
    }
    case 'problem':
      return <NotRead text={pictureProblemText(state.problem)} onAgain={again} onClose={onClose} />;
    case 'card':
      return null;
  }
}

interface FoundProps {
  readonly picture: OpenedPicture;
  readonly reading: TextReading;
  readonly onAccept: (text: string) => void;
  readonly onAgain: () => void;
}

function TableFound({ picture, reading, onAccept, onAgain }: FoundProps) {
  const [answers, setAnswers] = useState<CellAnswers>({});
  const open = openCells(reading, answers);
  const say = (key: string, text: string): void => setAnswers((before) => ({ ...before, [key]: text }));
  return (
    <div className={css.waiting}>
      <p role="status" className={css.sum}>
        {reading.rows.length} rows{open > 0 && ` · ${open} figures to compare`}
      </p>
      {open > 0 && <p>{barredText}</p>}
      <ol className={css.rows} aria-label="Rows that were read">
        {reading.rows.map((cells, row) => (
          <li key={row} className={css.line}>
            {cells.map((cell, column) => {
              const key = cellAt(row, column);
              const isOpen = cell.isDoubtful && !(key in answers);
              const text = answers[key] ?? cell.text;
              return (
                <div key={key} className={css.cell} data-state={isOpen ? 'asked' : 'sure'}>
                  <PieceView bitmap={picture.bitmap} piece={cell.piece} label={`Row ${row + 1}, in the picture`} />
                  <input
                    className={css.input}
                    aria-label={`Row ${row + 1}, cell ${column + 1}`}
                    value={text}
                    autoComplete="off"
                    onChange={(event) => say(key, event.currentTarget.value)}
                  />
                  {isOpen && (
                    <div className={css.buttons}>
                      {[cell.text, ...(cell.other === null ? [] : [cell.other])].map((one) => (
                        <button key={one} type="button" className="ink-button" onClick={() => say(key, one)}>
                          It is {one}
                        </button>
                      ))}
                    </div>
                  )}
                </div>
              );
            })}
          </li>
        ))}
      </ol>
      <div className={css.foot}>
        <button
          type="button"
          className="ink-button"
          data-strong
          disabled={open > 0}
          onClick={() => onAccept(pastedText(reading, answers))}
        >
          {open > 0 ? `${open} to compare first` : 'These figures stand there: go on'}
        </button>
        <button type="button" className="ink-button" onClick={onAgain}>
          Another picture
        </button>
      </div>
    </div>
  );
}

function CounterFound({ picture, reading, onAccept, onAgain }: FoundProps) {
  const times = counterTimes(reading);
  return (
    <div className={css.waiting}>
      <PictureView bitmap={picture.bitmap} pieces={times.map(({ cell }) => ({ piece: cell.piece, state: 'asked' }))} />
      <p role="status" className={css.sum}>
        {times.length === 0 ? 'No figure was read that could be minutes.' : 'Which of these are the minutes left?'}
      </p>
      <ul className={css.rows} aria-label="Figures that could be minutes">
        {times.map(({ minutes, text, cell }) => (
          <li key={`${minutes} ${cell.text} ${cell.piece.join()}`} className={css.line}>
            <PieceView bitmap={picture.bitmap} piece={cell.piece} label={`“${cell.text}” in the picture`} />
            <button type="button" className="ink-button" onClick={() => onAccept(String(minutes))}>
              {text}
            </button>
          </li>
        ))}
      </ul>
      <div className={css.foot}>
        <button type="button" className="ink-button" onClick={onAgain}>
          Another picture
        </button>
      </div>
    </div>
  );
}
