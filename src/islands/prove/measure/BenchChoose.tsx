import { useState } from 'react';
import {
  type ChosenFolder,
  canChooseFolder,
  hasOwnStore,
  PRACTICE_CARDS,
} from '../../../app/prove/measure/benchPlaces.ts';
import type { PracticeCard } from '../../../core/prove/bench/practice.ts';
import { PRACTICE_WORDS } from '../../../text/prove/bench.ts';
import { Chips } from '../../../ui/Chips.tsx';
import css from './measure.module.css';

interface BenchChooseProps {
  /** Folders in which an earlier bench was begun. */
  readonly left: readonly ChosenFolder[];
  readonly ownLeft: boolean;
  readonly onChoose: () => void;
  readonly onLeft: (folder: ChosenFolder) => void;
  readonly onOwn: () => void;
  readonly onPractice: (card: PracticeCard) => void;
}

/** Where to write: a card's folder, what an earlier bench left, this computer, or a card that is not there. */
export function BenchChoose({ left, ownLeft, onChoose, onLeft, onOwn, onPractice }: BenchChooseProps) {
  const [practice, setPractice] = useState<PracticeCard | ''>('');
  return (
    <>
      {canChooseFolder() ? (
        <p className={css.actions}>
          <button type="button" className="ink-button" data-strong onClick={onChoose}>
            Choose the card’s folder
          </button>
          <span className="soft">in a reader on this computer</span>
        </p>
      ) : (
        <p className={css.ask}>
          This browser cannot write to a folder that you choose, or this page was not opened securely. Try a practice
          card here, and bring in the log of another program under “A write trace”.
        </p>
      )}
      {left.map((one) => (
        <p key={one.id} className={css.actions}>
          A bench was begun in {one.name}.
          <button type="button" className="plain-button" onClick={() => onLeft(one)}>
            Look what is left
          </button>
        </p>
      ))}
      {ownLeft && (
        <p className={css.actions}>
          A bench was begun on this computer’s own disk.
          <button type="button" className="plain-button" onClick={onOwn}>
            Look what is left
          </button>
        </p>
      )}
      {hasOwnStore() && (
        <p className={css.actions}>
          <button type="button" className="ink-button" onClick={onOwn}>
            This computer’s own disk
          </button>
          <span className="soft">to see how it works; it measures no card</span>
        </p>
      )}
      <Chips
        legend="Or a practice card that is not there"
        value={practice}
        choices={PRACTICE_CARDS.map((value) => ({ value, label: PRACTICE_WORDS[value] }))}
        onChange={(value) => setPractice(value as PracticeCard)}
      />
      {practice !== '' && (
        <p className={css.actions}>
          <button type="button" className="ink-button" data-strong onClick={() => onPractice(practice)}>
            Write and read it back
          </button>
          <span className="soft">2 GB of its own time; nothing of it is kept with a card of yours</span>
        </p>
      )}
    </>
  );
}
