import { useEffect, useState } from 'react';
import {
  type BenchPlace,
  type BenchRequest,
  type ChosenFolder,
  chosenFolders,
  type FolderLook,
  forgetFolder,
  hasOwnStore,
  type Looked,
  mostOf,
  practicePlace,
  rememberFolder,
} from '../../../app/prove/measure/benchPlaces.ts';
import {
  ELSEWHERE_TEXT,
  forgetBench,
  lookAt,
  removeLeft,
  runsElsewhere,
  startBench,
  useBench,
} from '../../../app/prove/measure/benchRun.ts';
import { newSeed } from '../../../app/prove/measure/seed.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import { thrownText } from '../../../text/thrown.ts';
import { BenchChoose } from './BenchChoose.tsx';
import { BenchFound } from './BenchFound.tsx';
import { BenchLooked } from './BenchLooked.tsx';
import { BenchRunning } from './BenchRunning.tsx';
import css from './measure.module.css';

const OWN_NAME = 'this computer’s own disk';
const isAbort = (thrown: unknown): boolean => thrown instanceof DOMException && thrown.name === 'AbortError';

/** A card measured here and now: written with a pattern, read back, and compared. */
export default function BenchPart({ kit }: { readonly kit: ProveKit }) {
  const bench = useBench();
  const [looked, setLooked] = useState<Looked | null>(null);
  const [cardId, setCardId] = useState('');
  const [left, setLeft] = useState<readonly ChosenFolder[]>([]);
  const [ownLeft, setOwnLeft] = useState(false);
  const [message, setMessage] = useState<string | null>(null);

  // What an earlier visit left is found again: in this browser's own store, and in folders that were chosen then.
  useEffect(() => {
    void chosenFolders().then(setLeft);
  }, []);
  const isIdle = bench.phase === 'idle';
  useEffect(() => {
    if (!hasOwnStore() || !isIdle) return;
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
  }, [isIdle]);

  // A bench in another tab is told as that, for as long as it runs.
  const [isElsewhere, setElsewhere] = useState(false);
  useEffect(() => {
    if (bench.phase === 'running') return;
    const ask = (): void => void runsElsewhere().then(setElsewhere);
    ask();
    const every = setInterval(ask, 1500);
    return () => clearInterval(every);
  }, [bench.phase]);

  const examine = async (place: BenchPlace, name: string, rememberedId: string | null): Promise<void> => {
    setMessage(null);
    try {
      const look = await lookAt(place);
      if (look) setLooked({ place, name, look, rememberedId });
    } catch (thrown) {
      setMessage(
        `${name} could not be looked at (${thrownText(thrown)}). Is the card in, and is the permission given?`,
      );
    }
  };
  const chooseFolder = async (): Promise<void> => {
    try {
      const folder = await (
        window as unknown as { showDirectoryPicker: (options: object) => Promise<FileSystemDirectoryHandle> }
      ).showDirectoryPicker({ mode: 'readwrite', id: 'cool-reel-bench' });
      await examine({ kind: 'folder', folder }, folder.name, null);
    } catch (thrown) {
      if (!isAbort(thrown)) setMessage(`No folder was opened (${thrownText(thrown)}).`);
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
      setMessage(`Not everything could be removed (${thrownText(thrown)}). Put the card in again and try once more.`);
    }
  };
  const start = (
    place: BenchPlace,
    name: string,
    { seed, limitBytes, isResumed }: Pick<BenchRequest, 'seed' | 'limitBytes' | 'isResumed'>,
  ): void => {
    setMessage(null);
    const isFolder = place.kind === 'folder';
    // Without it a folder has to be chosen again.
    if (isFolder) void rememberFolder({ id: name, name, cardId, folder: place.folder });
    const card = kit.cards.find(({ id }) => id === cardId);
    const mostBytes = isFolder && limitBytes === null && card ? mostOf(card.capacityGB) : null;
    void startBench({ place, seed, limitBytes, mostBytes, readsBack: !isFolder, isResumed }, cardId, !isFolder);
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
      {isElsewhere && (
        <p className={css.ask} role="status">
          {ELSEWHERE_TEXT}
        </p>
      )}
      {looked && !isElsewhere ? (
        <BenchLooked
          key={looked.name}
          kit={kit}
          looked={looked}
          cardId={cardId}
          onCard={setCardId}
          onStart={(limitBytes) => start(looked.place, looked.name, { seed: newSeed(), limitBytes, isResumed: false })}
          onGoOn={() => {
            const { left: there } = looked.look;
            if (there) start(looked.place, looked.name, { ...there, isResumed: true });
          }}
          onRemove={() => void remove(looked)}
          onBack={() => setLooked(null)}
        />
      ) : (
        <BenchChoose
          left={isElsewhere ? [] : left}
          ownLeft={ownLeft && !isElsewhere}
          onChoose={() => void chooseFolder()}
          onLeft={(one) => void openLeft(one)}
          onOwn={() => void examine({ kind: 'own' }, OWN_NAME, null)}
          onPractice={(card) =>
            start(practicePlace(card), 'practice', { seed: newSeed(), limitBytes: null, isResumed: false })
          }
        />
      )}
    </section>
  );
}
