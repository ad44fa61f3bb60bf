import { useEffect, useRef } from 'react';
import css from './TrialBar.module.css';

interface TrialBarProps {
  readonly text: string;
  readonly onKeep: () => void;
  readonly onDrop: () => void;
}

/** Says that the board shows a trial, which one, and offers to keep or drop it. */
export function TrialBar({ text, onKeep, onDrop }: TrialBarProps) {
  const bar = useRef<HTMLDivElement>(null);
  // On a phone the panel in which it was pressed lay far below.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another trial is another text: it is brought into view again
  useEffect(() => {
    bar.current?.scrollIntoView({ block: 'nearest' });
  }, [text]);
  return (
    <div ref={bar} className={css.bar} role="status">
      <b>Trial</b>
      <span className={css.text}>{text}</span>
      <button type="button" className="plain-button" onClick={onKeep}>
        Keep it
      </button>
      <button type="button" className="plain-button" onClick={onDrop}>
        Drop it
      </button>
    </div>
  );
}
