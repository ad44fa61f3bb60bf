import { useState } from 'react';
import type { Looked } from '../../../app/prove/measure/benchPlaces.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import { cardSummary } from '../../../text/match/cell.ts';
import { CACHE_TEXT } from '../../../text/prove/bench.ts';
import { plain } from '../../../text/quantity.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { NumberField } from '../../../ui/NumberField.tsx';
import css from './measure.module.css';

interface BenchLookedProps {
  readonly kit: ProveKit;
  readonly looked: Looked;
  readonly cardId: string;
  readonly onCard: (id: string) => void;
  /** Bytes to write; null: until it is full. */
  readonly onStart: (limitBytes: number | null) => void;
  readonly onGoOn: () => void;
  readonly onRemove: () => void;
  readonly onBack: () => void;
}

const GB = 1e9;
const gb = (bytes: number): string => `${plain(bytes / GB, bytes < 10 * GB ? 2 : 1)} GB`;

/** A place that was looked at: what an earlier bench left in it, what stands against writing, and how much to write. */
export function BenchLooked({ kit, looked, cardId, onCard, onStart, onGoOn, onRemove, onBack }: BenchLookedProps) {
  const { look, place, name } = looked;
  const [limit, setLimit] = useState<number | string>('');
  const [room, setRoom] = useState<number | string>('');
  const [consents, setConsents] = useState(false);
  const gigabytes = typeof limit === 'number' && limit > 0 ? limit : null;
  const free = typeof room === 'number' && room > 0 ? room : null;
  const hasFootage = look.footage > 0;
  const most = look.freeBytes === null ? free : look.freeBytes / GB;
  const tooMuch = gigabytes !== null && most !== null && gigabytes > most - (hasFootage ? 1 : 0);
  // Without its card nobody would notice that another volume is being filled.
  const asksCard = place.kind === 'folder' && cardId === '' && gigabytes === null;
  const mayStart =
    !look.isTaken &&
    (limit === '' || gigabytes !== null) &&
    !tooMuch &&
    !asksCard &&
    (!hasFootage || (consents && gigabytes !== null && most !== null)) &&
    // This browser's own store is no card: it is never filled.
    (place.kind !== 'own' || gigabytes !== null);
  return (
    <>
      <h3>{name}</h3>
      {look.isTaken && (
        <p className={css.bad} role="alert">
          There is a folder “cool-reel-bench” in it with files of somebody else. It is left alone: move it away, or
          choose another folder.
        </p>
      )}
      {look.left && (
        <div className={css.ask}>
          <p>
            An earlier bench left {gb(look.left.bytes)} here
            {look.left.verified > 0 && `, ${gb(look.left.verified)} of it read back`}.
          </p>
          <p className={css.actions}>
            <button type="button" className="ink-button" data-strong onClick={onGoOn}>
              Go on with it
            </button>
            <button type="button" className="ink-button" onClick={onRemove}>
              Remove it
            </button>
          </p>
        </div>
      )}
      {!look.left && !look.isTaken && (
        <>
          {place.kind === 'folder' && (
            <Chips
              legend="Which card is it?"
              value={cardId}
              choices={kit.cards.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) }))}
              onChange={onCard}
            />
          )}
          {hasFootage && (
            <div className={css.bad} role="alert">
              <p>
                There is footage in it: {look.footage === 1 ? 'a file' : `${look.footage} files and folders`} such as{' '}
                {look.example}. Copy it twice before anything is written. Nothing of it is touched, but it is not
                filled: say how much room there is and how much to write.
              </p>
              <label>
                <input
                  type="checkbox"
                  checked={consents}
                  onChange={(event) => setConsents(event.currentTarget.checked)}
                />{' '}
                It is copied, and I want to measure here
              </label>
            </div>
          )}
          {hasFootage && look.freeBytes === null && (
            <NumberField
              label="Room on the card"
              unit="GB"
              value={room}
              onChange={setRoom}
              placeholder="as the system shows it"
            />
          )}
          <NumberField
            label="Write"
            unit="GB"
            value={limit}
            onChange={setLimit}
            placeholder={hasFootage || place.kind === 'own' ? 'how much' : 'until it is full'}
            error={
              tooMuch ? `There is room for ${plain(Math.max(0, (most ?? 0) - (hasFootage ? 1 : 0)), 1)} GB.` : undefined
            }
          />
          {asksCard && limit === '' && (
            <p className="tone-warm">
              Say which card it is, or how much to write: then no other volume is filled by a slip.
            </p>
          )}
          <p className="soft">{CACHE_TEXT}</p>
          <p className={css.actions}>
            <button
              type="button"
              className="ink-button"
              data-strong
              disabled={!mayStart}
              onClick={() => onStart(gigabytes === null ? null : Math.round(gigabytes * GB))}
            >
              {gigabytes === null ? 'Write until it is full' : `Write ${plain(gigabytes, 2)} GB`}
            </button>
            <button type="button" className="plain-button" onClick={onBack}>
              Another place
            </button>
          </p>
        </>
      )}
      {(look.left || look.isTaken) && (
        <p>
          <button type="button" className="plain-button" onClick={onBack}>
            Another place
          </button>
        </p>
      )}
    </>
  );
}
