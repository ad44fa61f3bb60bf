import { useEffect, useState } from 'react';
import {
  type BenchPlace,
  type ChosenFolder,
  canChooseFolder,
  chosenFolders,
  type FolderLook,
  forgetFolder,
  hasOwnStore,
  PRACTICE_CARDS,
  practicePlace,
  rememberFolder,
} from '../../../app/prove/measure/benchPlaces.ts';
import { forgetBench, lookAt, removeLeft, startBench, useBench } from '../../../app/prove/measure/benchRun.ts';
import { newSeed } from '../../../app/prove/measure/seed.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { PracticeCard } from '../../../core/prove/bench/practice.ts';
import { cardSummary } from '../../../text/match/cell.ts';
import { CACHE_TEXT, PRACTICE_WORDS } from '../../../text/prove/bench.ts';
import { plain } from '../../../text/quantity.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { NumberField } from '../../../ui/NumberField.tsx';
import { BenchFound } from './BenchFound.tsx';
import { BenchRunning } from './BenchRunning.tsx';
import css from './measure.module.css';

/** A place that was looked at, before anything is written to it. */
interface Looked {
  readonly place: BenchPlace;
  readonly name: string;
  readonly look: FolderLook;
  readonly rememberedId: string | null;
}

const GB = 1e9;
const OWN_NAME = 'this computer’s own disk';
const said = (thrown: unknown): string => (thrown instanceof Error ? thrown.message : String(thrown));
const isAbort = (thrown: unknown): boolean => thrown instanceof DOMException && thrown.name === 'AbortError';
const gb = (bytes: number): string => `${plain(bytes / GB, bytes < 10 * GB ? 2 : 1)} GB`;

/** A card measured here and now: written with a pattern, read back, and compared. */
export default function BenchPart({ kit }: { readonly kit: ProveKit }) {
  const bench = useBench();
  const [looked, setLooked] = useState<Looked | null>(null);
  const [cardId, setCardId] = useState('');
  const [limit, setLimit] = useState<number | string>('');
  const [room, setRoom] = useState<number | string>('');
  const [consents, setConsents] = useState(false);
  const [practice, setPractice] = useState<PracticeCard | ''>('');
  const [left, setLeft] = useState<readonly ChosenFolder[]>([]);
  const [ownLeft, setOwnLeft] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const [chooses, offersOwn] = [canChooseFolder(), hasOwnStore()];

  // What an earlier visit left is found again: in this browser's own store, and in folders that were chosen then.
  useEffect(() => {
    void chosenFolders().then(setLeft);
  }, []);
  useEffect(() => {
    if (!offersOwn || bench.phase !== 'idle') return;
    let isHere = true;
    lookAt({ kind: 'own' }).then(
      (look) => {
        if (isHere) setOwnLeft(look?.left != null);
      },
      () => undefined,
    );
    return () => {
      isHere = false;
    };
  }, [bench.phase === 'idle']);

  const examine = async (place: BenchPlace, name: string, rememberedId: string | null): Promise<void> => {
    setMessage(null);
    setConsents(false);
    try {
      const look = await lookAt(place);
      if (look) setLooked({ place, name, look, rememberedId });
    } catch (thrown) {
      setMessage(`${name} could not be looked at (${said(thrown)}). Is the card in, and is the permission given?`);
    }
  };
  const chooseFolder = async (): Promise<void> => {
    try {
      const folder = await (
        window as unknown as { showDirectoryPicker: (options: object) => Promise<FileSystemDirectoryHandle> }
      ).showDirectoryPicker({ mode: 'readwrite', id: 'cool-reel-bench' });
      await examine({ kind: 'folder', folder }, folder.name, null);
    } catch (thrown) {
      if (!isAbort(thrown)) setMessage(`No folder was opened (${said(thrown)}).`);
    }
  };
  const openLeft = async (one: ChosenFolder): Promise<void> => {
    const asks = one.folder as FileSystemDirectoryHandle & {
      readonly requestPermission?: (mode: object) => Promise<string>;
    };
    if ((await asks.requestPermission?.({ mode: 'readwrite' })) === 'denied') {
      setMessage(`Without permission ${one.name} cannot be looked at.`);
      return;
    }
    setCardId(one.cardId);
    await examine({ kind: 'folder', folder: one.folder }, one.name, one.id);
  };
  const remove = async ({ place, name, rememberedId }: Looked): Promise<void> => {
    try {
      const isGone = await removeLeft(place);
      if (rememberedId) await forgetFolder(rememberedId);
      setLeft(await chosenFolders());
      setLooked(null);
      setMessage(
        isGone
          ? 'Everything the bench wrote is gone.'
          : `There are other files in its folder in ${name}: they are left as they are.`,
      );
    } catch (thrown) {
      setMessage(`Not everything could be removed (${said(thrown)}). Put the card in again and try once more.`);
    }
  };
  const start = (
    place: BenchPlace,
    name: string,
    seed: number,
    limitBytes: number | null,
    isResumed: boolean,
  ): void => {
    setMessage(null);
    const isFolder = place.kind === 'folder';
    // Without it a folder has to be chosen again.
    if (isFolder) void rememberFolder({ id: name, name, cardId, folder: place.folder });
    void startBench({ place, seed, limitBytes, readsBack: !isFolder, isResumed }, cardId, !isFolder);
  };

  if (bench.phase === 'running') return <BenchRunning kit={kit} bench={bench} />;
  if (bench.phase === 'done')
    return (
      <BenchFound
        kit={kit}
        bench={bench}
        onAnother={() => {
          setLooked(null);
          forgetBench();
        }}
        onRemove={async () => {
          const { place } = bench.request;
          await remove({
            place,
            name: place.kind === 'folder' ? place.folder.name : '',
            look: {} as FolderLook,
            rememberedId: place.kind === 'folder' ? place.folder.name : null,
          });
        }}
      />
    );
  const gigabytes = typeof limit === 'number' && limit > 0 ? limit : null;
  const free = typeof room === 'number' && room > 0 ? room : null;
  const hasFootage = (looked?.look.footage ?? 0) > 0;
  const most = looked?.look.freeBytes != null ? looked.look.freeBytes / GB : free;
  const tooMuch = gigabytes !== null && most !== null && gigabytes > most - (hasFootage ? 1 : 0);
  const mayStart =
    looked !== null &&
    !looked.look.isTaken &&
    (limit === '' || gigabytes !== null) &&
    !tooMuch &&
    (!hasFootage || (consents && gigabytes !== null && most !== null)) &&
    // This browser's own store is no card: it is never filled.
    (looked.place.kind !== 'own' || gigabytes !== null);
  return (
    <section className={css.part} aria-label="Measure a card now">
      <h2>A card, written and read back</h2>
      <p className={css.lead}>
        It is written with a pattern until it is full or as far as you say, then read back and compared: its rate second
        by second, and whether it holds what it says. Copy everything off the card first.
      </p>
      {bench.phase === 'failed' && (
        <p className={css.bad} role="alert">
          {bench.message}
        </p>
      )}
      {message && (
        <p className={css.ask} role="status">
          {message}
        </p>
      )}
      {!looked && (
        <>
          {chooses ? (
            <p className={css.actions}>
              <button type="button" className="ink-button" data-strong onClick={() => void chooseFolder()}>
                Choose the card’s folder
              </button>
              <span className="soft">in a reader on this computer</span>
            </p>
          ) : (
            <p className={css.ask}>
              This browser cannot write to a folder that you choose, or this page was not opened securely. Try a
              practice card here, and bring in the log of another program under “A write trace”.
            </p>
          )}
          {left.map((one) => (
            <p key={one.id} className={css.actions}>
              A bench was begun in {one.name}.
              <button type="button" className="plain-button" onClick={() => void openLeft(one)}>
                Look what is left
              </button>
            </p>
          ))}
          {ownLeft && (
            <p className={css.actions}>
              A bench was begun on this computer’s own disk.
              <button
                type="button"
                className="plain-button"
                onClick={() => void examine({ kind: 'own' }, OWN_NAME, null)}
              >
                Look what is left
              </button>
            </p>
          )}
          {offersOwn && (
            <p className={css.actions}>
              <button
                type="button"
                className="ink-button"
                onClick={() => void examine({ kind: 'own' }, OWN_NAME, null)}
              >
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
              <button
                type="button"
                className="ink-button"
                data-strong
                onClick={() => start(practicePlace(practice), 'practice', newSeed(), null, false)}
              >
                Write and read it back
              </button>
              <span className="soft">2 GB of its own time; nothing of it is kept with a card of yours</span>
            </p>
          )}
        </>
      )}
      {looked && (
        <>
          <h3>{looked.name}</h3>
          {looked.look.isTaken && (
            <p className={css.bad} role="alert">
              There is a folder “cool-reel-bench” in it with files of somebody else. It is left alone: move it away, or
              choose another folder.
            </p>
          )}
          {looked.look.left && (
            <div className={css.ask}>
              <p>
                An earlier bench left {gb(looked.look.left.bytes)} here
                {looked.look.left.verified > 0 && `, ${gb(looked.look.left.verified)} of it read back`}.
              </p>
              <p className={css.actions}>
                <button
                  type="button"
                  className="ink-button"
                  data-strong
                  onClick={() =>
                    looked.look.left &&
                    start(looked.place, looked.name, looked.look.left.seed, looked.look.left.limitBytes, true)
                  }
                >
                  Go on with it
                </button>
                <button type="button" className="ink-button" onClick={() => void remove(looked)}>
                  Remove it
                </button>
              </p>
            </div>
          )}
          {!looked.look.left && !looked.look.isTaken && (
            <>
              {looked.place.kind === 'folder' && (
                <Chips
                  legend="Which card is it?"
                  value={cardId}
                  choices={kit.cards.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) }))}
                  onChange={setCardId}
                />
              )}
              {hasFootage && (
                <div className={css.bad} role="alert">
                  <p>
                    There is footage in it:{' '}
                    {looked.look.footage === 1 ? 'a file' : `${looked.look.footage} files and folders`} such as{' '}
                    {looked.look.example}. Copy it twice before anything is written. Nothing of it is touched, but it is
                    not filled: say how much room there is and how much to write.
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
              {hasFootage && looked.look.freeBytes === null && (
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
                placeholder={hasFootage || looked.place.kind === 'own' ? 'how much' : 'until it is full'}
                error={
                  tooMuch
                    ? `There is room for ${plain(Math.max(0, (most ?? 0) - (hasFootage ? 1 : 0)), 1)} GB.`
                    : undefined
                }
              />
              <p className="soft">{CACHE_TEXT}</p>
              <p className={css.actions}>
                <button
                  type="button"
                  className="ink-button"
                  data-strong
                  disabled={!mayStart}
                  onClick={() =>
                    start(
                      looked.place,
                      looked.name,
                      newSeed(),
                      gigabytes === null ? null : Math.round(gigabytes * GB),
                      false,
                    )
                  }
                >
                  {gigabytes === null ? 'Write until it is full' : `Write ${plain(gigabytes, 2)} GB`}
                </button>
                <button type="button" className="plain-button" onClick={() => setLooked(null)}>
                  Another place
                </button>
              </p>
            </>
          )}
          {(looked.look.left || looked.look.isTaken) && (
            <p>
              <button type="button" className="plain-button" onClick={() => setLooked(null)}>
                Another place
              </button>
            </p>
          )}
        </>
      )}
    </section>
  );
}
