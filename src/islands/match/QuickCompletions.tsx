import type { KeyboardEvent } from 'react';
import { completions } from '../../app/match/completed.ts';
import css from './QuickCheck.module.css';

interface QuickCompletionsProps {
  readonly text: string;
  readonly names: readonly string[];
  readonly onTake: (line: string) => void;
  /** Back to the line. */
  readonly onLeave: () => void;
}

/** What the last word may become: pressed, or reached with the arrow down from the line. */
export default function QuickCompletions({ text, names, onTake, onLeave }: QuickCompletionsProps) {
  const all = completions(text, names);
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
  if (all.length === 0) return null;
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
