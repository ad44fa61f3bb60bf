import { Checkbox } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { type Scanner, startScanner } from '../../app/day/camera.ts';
import { type HandOver, handOver, isOff, readCode, type StatesRead, statesCode } from '../../app/day/codes.ts';
import { compareLists, listsWanted } from '../../app/day/copies.ts';
import { takeOver } from '../../app/day/dayActions.ts';
import type { CameraRefusal } from '../../app/photo/cameraStream.ts';
import type { Card } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { CopiesCompared } from '../../core/rotation/copyLists.ts';
import { comparedText } from '../../text/day/copies.ts';
import { apartText, LIVE_STATES } from '../../text/day/live.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { DropZone } from '../../ui/DropZone.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './CodeDialogs.module.css';
import { QrCode } from './QrCode.tsx';

const CAMERA_WORDS: Readonly<Record<CameraRefusal, string>> = {
  'no-camera': 'This device has no camera that the browser can use. Press the card in the list instead.',
  refused: 'The camera was refused. Allow it for this page in the browser, or press the card in the list.',
  taken: 'Another program has the camera. Close it, or press the card in the list.',
  insecure: 'A browser gives its camera only to a secure page: open this over HTTPS, or press the card in the list.',
};

const REHEARSED_THERE = 'The other device rehearses: end the rehearsal there, or rehearse here too.';
const REHEARSED_HERE = 'You rehearse, and the other device does not: end the rehearsal here first.';

interface ScanProps {
  readonly plan: Plan;
  /** Whether the day is rehearsed here: rehearsals are kept apart. */
  readonly isRehearsed: boolean;
  readonly cards: readonly Card[];
  /** A card was read. */
  readonly onCard: (cardId: string) => void;
  /** What another device knows was read. */
  readonly onStates: (read: StatesRead) => void;
  readonly onClose: () => void;
}

/** The camera, until it has seen a code of ours. */
export function ScanDialog({ plan, isRehearsed, cards, onCard, onStates, onClose }: ScanProps) {
  // The dialog brings its picture a moment later than itself.
  const [video, setVideo] = useState<HTMLVideoElement | null>(null);
  const [said, setSaid] = useState('');
  const told = useRef({ onCard, onStates });
  told.current = { onCard, onStates };
  const known = useRef({ plan, cards, isRehearsed });
  known.current = { plan, cards, isRehearsed };
  useEffect(() => {
    if (video === null) return;
    let scanner: Scanner | null = null;
    let left = false;
    const seen = (text: string): void => {
      const read = readCode(text);
      if (!read.ok) {
        setSaid(
          read.error === 'damaged'
            ? 'This code is damaged or was cut off. Hold it steady, or show it anew.'
            : 'This is not a card sticker or a code from another device of this crew. Scan a sticker, or the code shown under “Send states”.',
        );
        return;
      }
      const code = read.value;
      if (code.kind === 'states') {
        if (code.planId !== known.current.plan.id)
          setSaid('This code is of another day. Open that day on both devices.');
        else if (code.isRehearsed !== known.current.isRehearsed)
          setSaid(code.isRehearsed ? REHEARSED_THERE : REHEARSED_HERE);
        else told.current.onStates(code);
        return;
      }
      const card = known.current.cards.find(({ id }) => id === code.cardId);
      if (!card) setSaid('This card is not in the kit of this device.');
      else if (!known.current.plan.cardIds.includes(card.id)) setSaid(`${card.label} is not in this day.`);
      else told.current.onCard(card.id);
    };
    void (async () => {
      const started = await startScanner(video, seen);
      if (typeof started === 'string') setSaid(CAMERA_WORDS[started]);
      else if (left) started.stop();
      else scanner = started;
    })();
    return () => {
      left = true;
      scanner?.stop();
    };
  }, [video]);
  return (
    <Dialog opened title="Scan a card" onClose={onClose}>
      <div className={css.scan}>
        <video ref={setVideo} className={css.video} playsInline muted aria-label="The camera" />
        <p role="status" className={said ? 'tone-warm' : 'soft'}>
          {said || 'Hold the code of a card, or of another device, into the picture.'}
        </p>
      </div>
    </Dialog>
  );
}

interface ShowProps {
  readonly plan: Plan;
  readonly isRehearsed: boolean;
  readonly onClose: () => void;
}

/** How long a code is shown before it is drawn with the clock as it is then, milliseconds. */
const CODE_LASTS = 15_000;

/** The states of the day as a code for another device. */
export function ShowStates({ plan, isRehearsed, onClose }: ShowProps) {
  const count = new Set((plan.log ?? []).map(({ cardId }) => cardId)).size;
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), CODE_LASTS);
    return () => clearInterval(timer);
  }, []);
  return (
    <Dialog opened title="Send states to another device" onClose={onClose}>
      <div className={css.scan}>
        {count === 0 ? (
          <p>Nothing is noted yet: there is nothing to send.</p>
        ) : (
          <>
            <QrCode
              text={statesCode(plan, { now, isRehearsed })}
              label={`The states of ${count} cards as a code`}
              size={320}
            />
            <p>
              On the other device press “Scan a card” and point it at this code. What would change is shown there first;
              of a card noted on both, the less safe state stays until somebody says which came later. No network is
              used.
            </p>
          </>
        )}
      </div>
    </Dialog>
  );
}

interface TakeOverProps {
  /** As it is kept: with the log, and the rehearsal beside it. */
  readonly kept: Plan;
  /** As it is shown. */
  readonly plan: Plan;
  readonly cards: readonly Card[];
  readonly read: StatesRead;
  readonly onClose: () => void;
}

/** What another device knows, before it is taken over. */
export function TakeOver({ kept, plan, cards, read, onClose }: TakeOverProps) {
  const change = useChange();
  const [now] = useState(Date.now);
  const [vouched, setVouched] = useState(false);
  const asked = handOver(plan, cards, read, { now, vouched: false });
  const found = vouched ? handOver(plan, cards, read, { now, vouched }) : asked;
  const labelOf = (id: string): string => cards.find((card) => card.id === id)?.label ?? id;
  const count = found.changes.length === 1 ? '1 card' : `${found.changes.length} cards`;
  const isNew = found.log.length > (plan.log ?? []).length;
  return (
    <Dialog opened title="From the other device" onClose={onClose}>
      <div className={css.scan}>
        {isOff(asked.aheadSeconds) && (
          <p className="tone-warm">{apartText(asked.aheadSeconds)} Its times are shown by yours.</p>
        )}
        {found.changes.length === 0 ? (
          <p>{isNew ? 'Every card stays as it is here.' : 'Nothing is new there: everything stays as it is here.'}</p>
        ) : (
          <Changes changes={found.changes} labelOf={labelOf} />
        )}
        {asked.contested.length > 0 && (
          <fieldset className={css.contested}>
            <legend>Nobody can tell which came later</legend>
            <ul className={css.changes}>
              {asked.contested.map(({ cardId, here, there, who, stays }) => (
                <li key={cardId}>
                  <b>{labelOf(cardId)}</b> {LIVE_STATES[here]} here, {LIVE_STATES[there]} there{who && `, ${who}`}:{' '}
                  {vouched ? `theirs came later, ${LIVE_STATES[there]}` : `${LIVE_STATES[stays]} stays, the less safe`}
                </li>
              ))}
            </ul>
            <Checkbox
              label="Theirs came later: take their order"
              checked={vouched}
              onChange={(event) => setVouched(event.currentTarget.checked)}
            />
          </fieldset>
        )}
        <div className={css.buttons}>
          {isNew && (
            <button
              type="button"
              className="ink-button"
              data-strong
              onClick={() =>
                void change(() => takeOver(kept, cards, read, { now, vouched })).then((done) =>
                  done ? onClose() : undefined,
                )
              }
            >
              {found.changes.length > 0 ? `Take over ${count}` : 'Keep theirs in the log'}
            </button>
          )}
          <button type="button" className="ink-button" onClick={onClose}>
            {isNew ? 'Leave it' : 'Close'}
          </button>
        </div>
      </div>
    </Dialog>
  );
}

function Changes({
  changes,
  labelOf,
}: {
  readonly changes: HandOver['changes'];
  readonly labelOf: (id: string) => string;
}) {
  return (
    <ul className={css.changes}>
      {changes.map(({ cardId, from, to, who }) => (
        <li key={cardId}>
          <b>{labelOf(cardId)}</b> {from ? LIVE_STATES[from] : 'nothing known'} → {LIVE_STATES[to]}
          {who && `, ${who}`}
          {to === 'free' && from !== null && from !== 'verified' && (
            <span className="tone-hot"> freed there: ask whether its copies are verified</span>
          )}
        </li>
      ))}
    </ul>
  );
}

interface CompareProps {
  readonly card: Card;
  /** Copies that the day asks for: so many lists have to agree. */
  readonly copies: number;
  /** The lists agree. */
  readonly onVerified: () => void;
  readonly onClose: () => void;
}

const NAMED = 12;

/** The lists of two copies of one card, compared; only an equal pair verifies it. */
export function CompareDialog({ card, copies, onVerified, onClose }: CompareProps) {
  const [files, setFiles] = useState<readonly File[]>([]);
  const [found, setFound] = useState<CopiesCompared | null>(null);
  const [problem, setProblem] = useState('');
  const wanted = listsWanted(copies);
  const round = useRef(0);
  const take = (more: readonly File[]): void => {
    const next = [...files, ...more].slice(-wanted);
    round.current += 1;
    const own = round.current;
    setFiles(next);
    setFound(null);
    setProblem('');
    if (next.length < wanted) return;
    // What was found of lists that were changed meanwhile is not what is shown.
    const show = (tell: () => void): void => {
      if (round.current === own) tell();
    };
    void compareLists(next).then(
      (made) => show(() => (made.ok ? setFound(made.value) : setProblem(made.error))),
      () => show(() => setProblem('One of these files could not be read. Choose it again.')),
    );
  };
  return (
    <Dialog opened title={`The copies of ${card.label}`} size="lg" onClose={onClose}>
      <div className={css.scan}>
        <p>
          Choose the lists that your checksum program wrote of {wanted === 2 ? 'both' : `all ${wanted}`} copies, as
          md5sum, sha256sum or xxhsum write them.
        </p>
        <DropZone
          label="or drop them here"
          choose="Choose the lists"
          accept=".md5,.sha256,.sha1,.xxh,.xxh64,.xxhash,.txt,.sum,text/plain"
          multiple
          onFiles={take}
        />
        {files.length > 0 && (
          <p className="soft">
            {files.map(({ name }) => name).join(', ')}
            {files.length < wanted && ': now the list of another copy'}
          </p>
        )}
        {problem && (
          <p className="tone-hot" role="alert">
            {problem}
          </p>
        )}
        {found && (
          <div role="status" className={css.compared}>
            <p className={found.isEqual ? 'tone-cool' : 'tone-hot'}>
              <b>{comparedText(found)}</b>
            </p>
            {found.leftOff && (
              <p className="soft">
                Compared without the folders {found.leftOff.first || '(none)'} and {found.leftOff.second || '(none)'}:
                are they the copies of this card?
              </p>
            )}
            <Named title="Different" paths={found.different} />
            <Named title="Missing in the second" paths={found.missing} />
            <Named title="Only in the second" paths={found.extra} />
          </div>
        )}
        <div className={css.buttons}>
          <button type="button" className="ink-button" data-strong disabled={!found?.isEqual} onClick={onVerified}>
            {card.label} is verified
          </button>
          <button type="button" className="ink-button" onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </Dialog>
  );
}

function Named({ title, paths }: { readonly title: string; readonly paths: readonly string[] }) {
  if (paths.length === 0) return null;
  return (
    <div>
      <h3>{title}</h3>
      <ul className={css.paths}>
        {paths.slice(0, NAMED).map((path) => (
          <li key={path}>{path}</li>
        ))}
        {paths.length > NAMED && <li>and {paths.length - NAMED} more</li>}
      </ul>
    </div>
  );
}
