import type { KeyboardEvent } from 'react';
import type { Completion } from '../../core/match/ask/complete.ts';
import css from './QuickCheck.module.css';

interface QuickCompletionsProps {
  readonly all: readonly Completion[];
  readonly onTake: (line: string) => void;
  /** Back to the line. */
  readonly onLeave: () => void;
}

/** What the last word may become: pressed, or reached with the arrow down from the line. */
export function QuickCompletions({ all, onTake, onLeave }: QuickCompletionsProps) {
  const move = (event: KeyboardEvent<HTMLElement>): void => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (event.key === 'Escape') onLeave();
    if (by === undefined) return;
    event.preventDefault();
    const buttons = [...event.currentTarget.querySelectorAll('button')];
    const next = buttons.indexOf(document.activeElement as HTMLButtonElement) + by;
    if (next < 0) onLeave();
    else buttons[Math.min(next, buttons.length - 1)]?.focus();
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the arrows move between its buttons
    <div id="quick-completions" className={css.completions} onKeyDown={move}>
      {all.map(({ piece, line }) => (
        <button key={line} type="button" className={css.completion} onClick={() => onTake(line)}>
          {piece}
        </button>
      ))}
    </div>
  );
}
