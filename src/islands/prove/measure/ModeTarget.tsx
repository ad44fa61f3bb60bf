import { useState } from 'react';
import { addMode, makeBody, setMeasured } from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { Codec, Mode, ModeRate } from '../../../core/kit/model.ts';
import type { ClipReading } from '../../../core/prove/clip.ts';
import { modeTitle } from '../../../text/match/cell.ts';
import { Mbps } from '../../../text/prove/clip.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { useChange } from '../../../ui/useChange.ts';
import css from './measure.module.css';

interface ModeTargetProps {
  readonly kit: ProveKit;
  /** Null where the rate was entered by hand: then there is no mode to be made. */
  readonly clip: ClipReading | null;
  readonly rate: ModeRate;
  readonly mode: Mode | null;
  readonly name: string;
}

const NEW = 'new';
const CODECS: readonly { readonly value: Codec; readonly label: string }[] = [
  { value: 'long-gop', label: 'Long-GOP' },
  { value: 'intra', label: 'Intra' },
  { value: 'raw', label: 'Raw' },
];

/** What a rate says of a mode, in words. */
const rateText = (rate: ModeRate): string =>
  rate.kind === 'stated'
    ? `${Mbps(rate.Mbps)}, ${rate.is === 'constant' ? 'held' : 'on average'}`
    : rate.kind === 'frame'
      ? `${(rate.bytesPerFrame / 1e6).toPrecision(3)} MB a frame`
      : '';

/** The mode that a measured rate is given to, or that is made from the clip: of a body that is there, or of a new one. */
export function ModeTarget({ kit, clip, rate, mode, name }: ModeTargetProps) {
  const change = useChange();
  const [bodyId, setBodyId] = useState('');
  const [modeId, setModeId] = useState('');
  const [codec, setCodec] = useState<Codec | ''>(clip?.family === 'long-gop' ? 'long-gop' : '');
  const [madeId, setMadeId] = useState<string | null>(null);
  const body = kit.bodies.find(({ id }) => id === bodyId);
  const modes = body?.modes ?? [];
  const near = clip ? modes.filter(({ width, fps }) => width === clip.width && Math.abs(fps - clip.fps) < 0.02) : modes;
  const others = modes.filter((one) => !near.includes(one));
  const chosen = modes.find(({ id }) => id === modeId);
  // Every frame whole may be intra or raw: the file does not tell.
  const made = mode && codec !== '' ? { ...mode, codec } : null;
  const done = (): void => setModeId('');
  return (
    <section className={css.part} aria-label="Give this rate to a mode">
      <Chips
        legend="Whose clip is it?"
        value={bodyId}
        choices={[
          ...kit.bodies.map((one) => ({ value: one.id, label: one.name })),
          ...(mode ? [{ value: NEW, label: 'a new camera' }] : []),
        ]}
        onChange={(id) => {
          setBodyId(id);
          setModeId(id === NEW ? NEW : '');
        }}
      />
      {body && (
        <Chips
          legend="In which mode?"
          value={modeId}
          choices={[
            ...[...near, ...others].map((one) => ({ value: one.id, label: modeTitle(one) })),
            ...(mode ? [{ value: NEW, label: 'a new mode' }] : []),
          ]}
          onChange={setModeId}
        />
      )}
      {modeId === NEW && clip?.family !== 'long-gop' && (
        <Chips
          legend={clip?.family === 'intra' ? 'Every frame is whole: intra, or raw?' : 'Which family of codec?'}
          value={codec}
          choices={clip?.family === 'intra' ? CODECS.filter(({ value }) => value !== 'long-gop') : CODECS}
          onChange={(value) => setCodec(value as Codec)}
        />
      )}
      {chosen && body && (
        <p className={css.actions}>
          <button
            type="button"
            className="ink-button"
            data-strong
            onClick={() => void change(() => setMeasured(body, chosen, rate)).then((isMade) => isMade && done())}
          >
            Set {modeTitle(chosen)} to {rateText(rate)}
          </button>
          {clip && !near.includes(chosen) && (
            <span className="tone-warm">Its picture or frame rate is another than the clip’s.</span>
          )}
        </p>
      )}
      {modeId === NEW && made && (
        <p className={css.actions}>
          <button
            type="button"
            className="ink-button"
            data-strong
            onClick={() =>
              void (
                body
                  ? change(() => addMode(body, made))
                  : makeBody(`Camera of ${name}`.slice(0, 80), made).then(({ written, id }) =>
                      change(async () => written).then((isMade) => {
                        if (isMade) {
                          setBodyId(id);
                          setMadeId(id);
                        }
                        return isMade;
                      }),
                    )
              ).then((isMade) => isMade && done())
            }
          >
            {body ? `Add ${made.name} to ${body.name}` : `Make a camera with ${made.name}`}
          </button>
          <span className="soft">{rateText(rate)}</span>
          {!body && <span className="soft">Its slots and its name are for you to enter under Cameras.</span>}
        </p>
      )}
      {madeId !== null && madeId === bodyId && (
        <p>
          <a href={`/bodies?open=${encodeURIComponent(madeId)}`}>Name it and give it slots</a>
        </p>
      )}
    </section>
  );
}
