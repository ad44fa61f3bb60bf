import { Dialog } from './Dialog.tsx';
import css from './form.module.css';
import { useLeaving } from './leaving.ts';

/** Asks before a form is left in which something is typed that is not saved. */
export function LeaveDialog() {
  const leaving = useLeaving();
  if (!leaving) return null;
  const { what, save, discard, later, stay } = leaving;
  return (
    <Dialog opened onClose={stay} title={`${what} is not saved`}>
      <p>What you typed is not in the kit yet.</p>
      <p className={css.asked}>
        <button type="button" className="ink-button" data-strong data-autofocus onClick={save}>
          Save it
        </button>
        <button type="button" className="ink-button" onClick={later}>
          Leave it for later
        </button>
        <button type="button" className="ink-button" onClick={discard}>
          Discard it
        </button>
      </p>
      <p className={css.hint}>Left for later, it is taken up again when you open it next, in this browser.</p>
    </Dialog>
  );
}
