import type { TaskState } from '../app/tasks/useTask.ts';
import css from './TaskNote.module.css';

interface TaskNoteProps {
  readonly state: TaskState<unknown>;
  /** What is being worked out. */
  readonly what: string;
  readonly onAgain: () => void;
}

/** A question to the worker that has no answer yet, or never will: what is going on and what to do. */
export function TaskNote({ state, what, onAgain }: TaskNoteProps) {
  switch (state.phase) {
    case 'running':
      return (
        <div className={css.note} role="status">
          <span>Working out {what}…</span>
          <progress className={css.bar} value={state.share} max={1} aria-label={`Working out ${what}`} />
          <button type="button" className="plain-button" onClick={state.cancel}>
            Cancel
          </button>
        </div>
      );
    case 'cancelled':
      return (
        <div className={css.note} role="status">
          <span>Cancelled. Nothing was worked out.</span>
          <button type="button" className="plain-button" onClick={onAgain}>
            Work it out
          </button>
        </div>
      );
    case 'died':
      return (
        <div className={css.note} role="alert">
          <span>The calculation stopped without an answer. Nothing you entered is lost. Press Try again.</span>
          <button type="button" className="plain-button" onClick={onAgain}>
            Try again
          </button>
        </div>
      );
    case 'failed':
      return (
        <div className={css.note} role="alert">
          <span>This could not be worked out. Change what is asked, or try again.</span>
          <button type="button" className="plain-button" onClick={onAgain}>
            Try again
          </button>
        </div>
      );
    default:
      return null;
  }
}
