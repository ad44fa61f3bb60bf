import { useMemo, useState } from 'react';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import {
  burstFrames,
  cleared,
  clearTimes,
  drainRates,
  limiting,
  noBetter,
  shotsOn,
} from '../../app/prove/proveViews.ts';
import { entryAt } from '../../core/entryAt.ts';
import { paceText } from '../../text/heat/heatWords.ts';
import { clearTimeText, LIMITING_TEXT, noBetterText, voidText } from '../../text/prove/clearing.ts';
import { plain } from '../../text/quantity.ts';
import { typedNumber } from '../../ui/typedNumber.ts';
import css from './BurstPart.module.css';

interface BurstPartProps {
  readonly kit: ProveKit;
  readonly onLog: () => void;
  readonly onOpen: (clearingId: string) => void;
}

/** Bursts of stills: what each card drains in each body, what limits it, and what a burst and a card hold. */
export default function BurstPart({ kit, onLog, onOpen }: BurstPartProps) {
  const { bodies, cards, clearings } = kit;
  const tested = useMemo(
    () => bodies.filter(({ id }) => clearings.some(({ bodyId }) => bodyId === id)),
    [bodies, clearings],
  );
  const [file, setFile] = useState('');
  const [speed, setSpeed] = useState('');
  const size = typedNumber(file, { min: 0.01, max: 10_000 });
  const fps = typedNumber(speed, { min: 0.1, max: 1000 });
  const fileMB = size.ok && size.value >= 0.01 && size.value <= 10_000 ? size.value : null;
  const burstFps = fps.ok && fps.value >= 0.1 && fps.value <= 1000 ? fps.value : null;
  return (
    <section className={css.lab} aria-label="Bursts and stills">
      <div className={css.head}>
        <h2>Bursts and stills</h2>
        <button type="button" className="ink-button" onClick={onLog}>
          Log a burst
        </button>
      </div>
      <p className="soft">
        For stills a pause is no loss: what matters is how fast the buffer clears onto the card. A burst counts only if
        the buffer was full.
      </p>
      <div className={css.asked}>
        <label>
          Average picture, MB
          <input
            value={file}
            inputMode="decimal"
            placeholder="48.5"
            onChange={(event) => setFile(event.currentTarget.value)}
          />
        </label>
        <label>
          Burst, pictures a second
          <input
            value={speed}
            inputMode="decimal"
            placeholder="10"
            onChange={(event) => setSpeed(event.currentTarget.value)}
          />
        </label>
      </div>
      {file.trim() !== '' && fileMB === null && (
        <p className="tone-hot" role="alert">
          A picture is a number of MB, from 0.01 to 10,000.
        </p>
      )}
      {speed.trim() !== '' && burstFps === null && (
        <p className="tone-hot" role="alert">
          A burst is from 0.1 to 1,000 pictures a second.
        </p>
      )}
      {tested.length === 0 && (
        <p>
          No burst is logged yet. Set the fastest burst and a short shutter, hold it until the camera slows, and time
          the lamp.
        </p>
      )}
      {tested.map((body) => {
        const rates = drainRates(body, cards, clearings);
        const times = clearTimes(body, cards, clearings);
        const voids = clearings.filter((one) => one.bodyId === body.id && cleared(one, body).void !== null);
        return (
          <section key={body.id} className={css.body} aria-label={body.name}>
            <h3>{body.name}</h3>
            {rates.length > 0 && <p>{LIMITING_TEXT[limiting(rates)]}</p>}
            {times.length > 0 && (
              <>
                <p>
                  Times alone, of the same burst:{' '}
                  {LIMITING_TEXT[limiting(times.map(({ card, times: MBps }) => ({ card, MBps })))]}
                </p>
                <ul className={css.times}>
                  {times.map((one) => (
                    <li key={one.card.id}>
                      <button type="button" className="plain-button" onClick={() => onOpen(entryAt(one.ids, 0))}>
                        {one.card.label}
                      </button>{' '}
                      {clearTimeText(one)}
                    </li>
                  ))}
                </ul>
              </>
            )}
            {rates.length > 0 && (
              <div className={css.scroll}>
                <table className={css.table}>
                  <thead>
                    <tr>
                      <th scope="col">Card</th>
                      <th scope="col">Drains</th>
                      <th scope="col">Claims</th>
                      <th scope="col">Burst</th>
                      <th scope="col">Holds</th>
                    </tr>
                  </thead>
                  <tbody>
                    {rates.map(({ card, MBps, bursts, ids }) => {
                      const claim = card.writeMBps ?? card.sustainedMBps;
                      const held =
                        fileMB !== null && burstFps !== null && body.bufferMB !== null
                          ? burstFrames(body.bufferMB, fileMB, burstFps, MBps)
                          : null;
                      return (
                        <tr key={card.id}>
                          <th scope="row">
                            <button type="button" className="plain-button" onClick={() => onOpen(entryAt(ids, 0))}>
                              {card.label}
                            </button>
                          </th>
                          <td data-label="Drains">
                            <b>{paceText(MBps)}</b> <small>{bursts === 1 ? '1 burst' : `${bursts} bursts`}</small>
                          </td>
                          <td data-label="Claims">{claim === null ? '—' : paceText(claim)}</td>
                          <td data-label="Burst">
                            {held === null ? '—' : held === Infinity ? 'as long as you like' : `${held} pictures`}
                          </td>
                          <td data-label="Holds">
                            {fileMB === null ? '—' : `${plain(shotsOn(card, fileMB))} pictures`}
                          </td>
                        </tr>
                      );
                    })}
                  </tbody>
                </table>
              </div>
            )}
            {noBetter(body, cards, clearings).map((one) => (
              <p key={`${one.faster.card.id} ${one.slower.card.id}`} className="tone-warm">
                {noBetterText(one)}
              </p>
            ))}
            {voids.map((one) => {
              const reason = cleared(one, body).void;
              return (
                <p key={one.id} className="tone-hot">
                  <button type="button" className="plain-button" onClick={() => onOpen(one.id)}>
                    {cards.find(({ id }) => id === one.cardId)?.label ?? 'A card that is gone'}
                  </button>
                  : {reason && voidText(reason)}
                </p>
              );
            })}
          </section>
        );
      })}
    </section>
  );
}
