import { type ReactNode, useEffect, useState } from 'react';
import {
  dropRecogniser,
  type KeepProblem,
  keepRecogniser,
  type RecogniserState,
  recogniserState,
} from '../../app/photo/recogniser.ts';
import { keepProblemText, keepText, RECOGNISER_MB } from '../../text/photo/picture.ts';
import css from './picture.module.css';

interface RecogniserGateProps {
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** Lets nothing be loaded before a person said so; the size is named. Once it is kept, nothing is asked. */
export function RecogniserGate({ onClose, children }: RecogniserGateProps) {
  const [state, setState] = useState<RecogniserState | 'looking' | 'used'>('looking');
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<KeepProblem | null>(null);
  useEffect(() => {
    let left = false;
    void recogniserState().then((found) => {
      if (!left) setState(found);
    });
    return () => {
      left = true;
    };
  }, []);
  if (state === 'used') return children;
  if (state === 'kept') {
    return (
      <div className={css.gate}>
        {children}
        <p className="soft">
          The recogniser ({RECOGNISER_MB} MB) is kept on this device.{' '}
          <button
            type="button"
            className="plain-button"
            onClick={() => void dropRecogniser().then(() => setState('absent'))}
          >
            Remove it
          </button>
        </p>
      </div>
    );
  }
  if (state === 'looking') return <p role="status">Looking for the recogniser…</p>;
  const keeps = state === 'absent';
  const get = async (): Promise<void> => {
    setProblem(null);
    if (!keeps || problem === 'full') {
      setState('used');
      return;
    }
    setShare(0);
    const kept = await keepRecogniser(setShare);
    setShare(null);
    if (kept.ok) setState('kept');
    else setProblem(kept.error);
  };
  return (
    <div className={css.gate}>
      <p>{keepText(keeps)}</p>
      <p>The picture is read on this device and never leaves it. It is not stored.</p>
      {problem && (
        <p role="alert" className="tone-hot">
          {keepProblemText(problem)}
        </p>
      )}
      {share !== null && (
        <progress className={css.progress} value={share} max={1} aria-label="Loading the recogniser" />
      )}
      <div className={css.buttons}>
        <button
          type="button"
          className="ink-button"
          data-strong
          data-autofocus
          disabled={share !== null}
          onClick={() => void get()}
        >
          {share !== null
            ? 'Loading…'
            : problem === 'full'
              ? 'Use it without keeping'
              : `${problem ? 'Try again' : 'Get it'} · ${RECOGNISER_MB} MB`}
        </button>
        <button type="button" className="ink-button" onClick={onClose}>
          Type it instead
        </button>
      </div>
    </div>
  );
}
