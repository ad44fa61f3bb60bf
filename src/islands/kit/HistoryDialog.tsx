import { redoChange, undoChange } from '../../app/kit/history.ts';
import { useChanges } from '../../app/kit/useChanges.ts';
import { whenText } from '../../text/kit/when.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { tellMoved } from '../../ui/undoNotice.tsx';
import css from './rows.module.css';

/** The last changes, newest first; each can be taken back by itself, in any order. */
export default function HistoryDialog({ onClose }: { readonly onClose: () => void }) {
  const all = useChanges();
  return (
    <Dialog opened onClose={onClose} title="Last changes" size="lg">
      {all?.length === 0 && <p>None yet. Every change you make is listed here and can be undone.</p>}
      <ul className={css.list}>
        {all?.map(({ id, at, what, state }) => (
          <li key={id} className={css.row} data-undone={state === 'undone' || undefined}>
            <span className={css.when}>{whenText(at)}</span>
            <span className={css.what}>
              {what}
              {state === 'undone' && <span className="soft"> Taken back.</span>}
            </span>
            {state === 'done' ? (
              <button
                type="button"
                className="plain-button"
                aria-label={`Take back: ${what}`}
                onClick={() => void tellMoved(() => undoChange(id), 'back')}
              >
                Take back
              </button>
            ) : (
              <button
                type="button"
                className="plain-button"
                aria-label={`Make again: ${what}`}
                onClick={() => void tellMoved(() => redoChange(id), 'again')}
              >
                Make again
              </button>
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
