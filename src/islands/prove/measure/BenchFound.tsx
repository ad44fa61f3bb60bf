import { useMemo, useState } from 'react';
import { isRight, verifiesCard } from '../../../app/prove/measure/benchPlaces.ts';
import { type BenchState, startBench } from '../../../app/prove/measure/benchRun.ts';
import { busCeilingMBps, noteBench } from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import { paceText } from '../../../text/heat/heatWords.ts';
import { cardSummary } from '../../../text/match/cell.ts';
import { aboveBusText, END_TEXT, faultText, practiceClockText, silenceText } from '../../../text/prove/bench.ts';
import { plain } from '../../../text/quantity.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { useChange } from '../../../ui/useChange.ts';
import { KeepTrace } from './KeepTrace.tsx';
import css from './measure.module.css';
import { TraceFound } from './TraceFound.tsx';

interface BenchFoundProps {
  readonly kit: ProveKit;
  readonly bench: Extract<BenchState, { phase: 'done' }>;
  readonly onAnother: () => void;
  readonly onRemove: () => Promise<void>;
}

const GB = (bytes: number): string => `${plain(bytes / 1e9, bytes < 1e10 ? 2 : 1)} GB`;

/** What a bench found, and what is to be done with it. */
export function BenchFound({ kit, bench, onAnother, onRemove }: BenchFoundProps) {
  const { outcome, reading, request, isFresh } = bench;
  // Where it was not said before: whose bus and size what was found is held against.
  const [cardId, setCardId] = useState(bench.cardId);
  const change = useChange();
  const [isNoted, setNoted] = useState(false);
  const { ended, writtenBytes, verifiedBytes, readBytes, readSeconds, fault, silences, message, writeRates } = outcome;
  const { place } = request;
  const card = kit.cards.find(({ id }) => id === cardId);
  const points = useMemo(() => writeRates.map((MBps, second) => [second, MBps] as const), [writeRates]);
  const readMBps = readSeconds > 0 && readBytes > 0 ? readBytes / readSeconds / 1e6 : null;
  const ceiling = busCeilingMBps(card);
  const fastest = reading ? (reading.burstMBps ?? reading.sustainedMBps) : 0;
  const isOther = ceiling !== null && fastest > ceiling;
  // Faster than its bus, it was read out of a memory.
  const isMemory = ceiling !== null && readMBps !== null && readMBps > ceiling;
  const cameBack = isRight(outcome);
  const verifies =
    place.kind === 'folder' && card && !isOther && !isMemory && verifiesCard(outcome, card.capacityGB, isFresh)
      ? `filled and read back on a computer, ${GB(writtenBytes)}`
      : null;
  const noted = fault && { text: faultText(fault), retires: fault.code !== 'unreadable' };
  const readBack = (wasOut: boolean): void =>
    void startBench({ ...request, readsBack: true, isResumed: true }, cardId, wasOut);
  // Only what is written to its end: else it would first be written on, and then answered for by the memory.
  const mayReadBack =
    place.kind === 'folder' &&
    fault === null &&
    (ended === 'limit' || ended === 'full') &&
    writtenBytes > 0 &&
    !cameBack;
  const wasShort = ended === 'full' && request.limitBytes !== null && writtenBytes < request.limitBytes;
  return (
    <section className={css.part} aria-label="What the bench found">
      <h2>{card ? card.label : place.kind === 'practice' ? 'A practice card' : 'What the bench found'}</h2>
      <p role="status">
        {END_TEXT[ended]} {GB(writtenBytes)} written
        {wasShort && request.limitBytes !== null && ` of ${GB(request.limitBytes)}: there was no room for more`}
        {verifiedBytes > 0 && `, ${GB(verifiedBytes)} read back and right`}
        {readMBps !== null && `, read at ${paceText(readMBps)}`}.{message && ` (${message})`}
      </p>
      {fault && (
        <p className={css.bad} role="alert">
          {faultText(fault)}
        </p>
      )}
      {cameBack && (
        <p className={css.good}>
          Every byte read back matched what was written
          {place.kind === 'folder' &&
            (!isFresh || isMemory) &&
            ', though the memory of this computer may have answered for the card'}
          .
        </p>
      )}
      {isOther && ceiling !== null && (
        <p className={css.bad} role="alert">
          {aboveBusText(fastest, ceiling)}
        </p>
      )}
      {silences.length > 0 && (
        <ul className={css.notes} aria-label="Silences">
          {silences.map((one) => (
            <li key={one.atSeconds}>{silenceText(one)}</li>
          ))}
        </ul>
      )}
      {mayReadBack && (
        <div className={css.ask}>
          <p>
            Now take the card out of the reader, and put it in again: so the card itself answers when it is read back,
            and not the memory of this computer.
          </p>
          <p className={css.actions}>
            <button type="button" className="ink-button" data-strong onClick={() => readBack(true)}>
              It was out: read it back
            </button>
            <button type="button" className="plain-button" onClick={() => readBack(false)}>
              Read it back without
            </button>
          </p>
        </div>
      )}
      {reading ? (
        <TraceFound
          name={card?.label ?? 'this bench'}
          reading={reading}
          points={points}
          isStepped
          card={card}
          isFaulty={fault !== null || isOther || ended === 'beyond'}
        />
      ) : (
        <p className="soft">Too little was written to tell a rate: five seconds at the least.</p>
      )}
      {place.kind === 'practice' && (
        <p className="soft">
          A practice card is not there: nothing of it is kept. A real card is found out in the same way.{' '}
          {practiceClockText(place.faster)}
        </p>
      )}
      {place.kind === 'own' && (
        <p className="soft">This is the disk of this computer, not a card: nothing of it is kept.</p>
      )}
      {place.kind === 'folder' && !card && kit.cards.length > 0 && (
        <Chips
          legend="Which card is it?"
          value=""
          choices={kit.cards.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) }))}
          onChange={setCardId}
        />
      )}
      {place.kind === 'folder' && card && (!reading || isOther) && (verifies !== null || fault !== null) && (
        <p className={css.actions}>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={isNoted}
            onClick={() =>
              void change(() =>
                noteBench(
                  card,
                  { writtenGB: writtenBytes / 1e9, verifiedGB: verifiedBytes / 1e9, fault: noted },
                  verifies,
                ),
              ).then((isMade) => isMade && setNoted(true))
            }
          >
            {isNoted ? 'Noted' : fault ? `Note it with ${card.label}` : `Note that ${card.label} is verified`}
          </button>
        </p>
      )}
      {place.kind === 'folder' && card && reading && !isOther && ended !== 'beyond' && (
        <KeepTrace
          key={`${verifies} ${fault?.code}`}
          kit={kit}
          cardId={card.id}
          isFixed
          verifies={verifies}
          trace={{
            reading,
            bySecond: writeRates,
            program: 'fill-and-verify',
            note: null,
            readMBps: isFresh && !isMemory ? readMBps : null,
            verifiedGB: isFresh && !isMemory && verifiedBytes > 0 ? verifiedBytes / 1e9 : null,
            fault: noted,
          }}
        />
      )}
      <p className={css.actions}>
        {place.kind !== 'practice' && (
          <button type="button" className="ink-button" onClick={() => void onRemove()}>
            Remove what was written
          </button>
        )}
        {(ended === 'cancelled' || ended === 'lost') && place.kind !== 'practice' && (
          <button
            type="button"
            className="ink-button"
            onClick={() => void startBench({ ...request, isResumed: true }, cardId, isFresh)}
          >
            Go on with it
          </button>
        )}
        <button type="button" className="plain-button" onClick={onAnother}>
          Another bench
        </button>
      </p>
    </section>
  );
}
