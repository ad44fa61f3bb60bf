import { useState } from 'react';
import type { Draft } from '../../../app/kit/draft.ts';
import { addClips, apartClip, dropClip, dropClips, useClips } from '../../../app/prove/measure/clips.ts';
import { sampleFile } from '../../../app/prove/measure/samples.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { Test } from '../../../core/kit/model.ts';
import { clipProblemText, codecText, fpsText, lengthText, Mbps } from '../../../text/prove/clip.ts';
import { DropZone } from '../../../ui/DropZone.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { ByHand } from './ByHand.tsx';
import { ClipChapters } from './ClipChapters.tsx';
import { ClipDetails } from './ClipDetails.tsx';
import { ClipTable } from './ClipTable.tsx';
import css from './measure.module.css';

interface ClipPartProps {
  readonly kit: ProveKit;
  readonly onLog: (test: Partial<Draft<Test>>) => void;
}

/** Clips and what they were written with: the rate of a mode, second by second, from the user’s own camera. */
export default function ClipPart({ kit, onLog }: ClipPartProps) {
  const clips = useClips();
  const [leftOut, setLeftOut] = useState(0);
  const [byHand, setByHand] = useState<{ readonly bytes: number; readonly seconds: number | null } | null>(null);
  const [openId, setOpenId] = useState<string | null>(null);
  const read = clips.filter(({ state }) => state.phase === 'read');
  const whole = read.filter(({ state }) => state.phase === 'read' && state.read.clip.cutBytes === null);
  // One clip alone is what a person came for.
  const shown = openId ?? (clips.length === 1 && read.length === 1 ? (read[0]?.id ?? null) : null);
  return (
    <section className={css.part} aria-label="Clips">
      <h2>What a clip was written with</h2>
      <p className={css.lead}>
        The best source of a rate is a clip of your own. Of MP4 and MOV only the table of frames is read, other kinds
        are gone through once; nothing leaves this device.
      </p>
      <DropZone
        label="or let clips fall here: MP4, MOV, WebM, MKV, TS"
        choose="Choose clips"
        accept="video/*,.mkv,.mov,.mp4,.m4v,.webm,.ts,.mts,.m2ts,.avi,.mxf,.mpg"
        multiple
        onFiles={(files) => setLeftOut(addClips(files))}
      />
      {leftOut > 0 && (
        <p className={css.ask} role="alert">
          {leftOut === 1 ? 'One clip was' : `${leftOut} clips were`} not taken: 200 stand side by side at most. Take
          some away first.
        </p>
      )}
      {clips.length === 0 && (
        <p className={css.samples}>
          None at hand?
          <button
            type="button"
            className="plain-button"
            onClick={() => void sampleFile('clip').then((file) => file && setLeftOut(addClips([file])))}
          >
            Try a sample clip
          </button>
          <a href="/samples/mooring-test.mp4" download>
            Save it
          </a>
        </p>
      )}
      <ClipChapters clips={clips} />
      {clips.length > 0 && (
        <ul className={css.list} aria-label="Clips">
          {clips.map(({ id, name, state, chapters }) => (
            <li key={id}>
              <div className={css.row}>
                {state.phase === 'read' ? (
                  <button
                    type="button"
                    className={css.open}
                    aria-expanded={id === shown}
                    onClick={() => setOpenId(id === shown ? '' : id)}
                  >
                    <b>{name}</b>
                    <span>
                      {codecText(state.read.clip.codec)} · {state.read.clip.width}×{state.read.clip.height} ·{' '}
                      {fpsText(state.read.clip)} · {lengthText(state.read.clip.seconds)}
                      {chapters && ` · in ${chapters.length} files`}
                      {state.read.clip.cutBytes !== null && <b className="tone-hot"> · cut off</b>}
                    </span>
                  </button>
                ) : (
                  <span className={css.open}>
                    <b>{name}</b>
                    <span className={state.phase === 'refused' ? 'tone-hot' : undefined} role="status">
                      {state.phase === 'waiting' && 'waits for the clips before it'}
                      {state.phase === 'reading' && `being read, ${Math.round(state.share * 100)} %`}
                      {state.phase === 'stopped' && 'not read'}
                      {state.phase === 'refused' && clipProblemText(state.problem)}
                    </span>
                  </span>
                )}
                {state.phase === 'read' && <span className={css.rate}>{Mbps(state.read.clip.totalMbps)}</span>}
                {state.phase === 'refused' && state.problem.code === 'other-format' && (
                  <button
                    type="button"
                    className="plain-button"
                    onClick={() => state.problem.code === 'other-format' && setByHand(state.problem)}
                  >
                    {state.problem.seconds === null ? 'Say its length' : 'Take these figures'}
                  </button>
                )}
                {chapters && (
                  <button
                    type="button"
                    className="plain-button"
                    aria-label={`${name}: takes of their own`}
                    onClick={() => apartClip(id)}
                  >
                    Apart
                  </button>
                )}
                <button
                  type="button"
                  className="plain-button"
                  aria-label={`Take ${name} away`}
                  onClick={() => dropClip(id)}
                >
                  Away
                </button>
              </div>
              {state.phase === 'read' && id === shown && (
                <ClipDetails kit={kit} name={name} read={state.read} onLog={onLog} />
              )}
            </li>
          ))}
        </ul>
      )}
      {clips.length > 1 && (
        <p className={css.actions}>
          <button type="button" className="plain-button" onClick={dropClips}>
            Take all away
          </button>
        </p>
      )}
      {whole.length > 1 && <ClipTable kit={kit} clips={whole} />}
      <Fold title="Another format" about="bytes and length by hand, or a folder of frames" failed={byHand !== null}>
        <ByHand
          key={byHand ? `${byHand.bytes} ${byHand.seconds}` : ''}
          kit={kit}
          bytes={byHand?.bytes ?? null}
          seconds={byHand?.seconds ?? null}
        />
      </Fold>
    </section>
  );
}
