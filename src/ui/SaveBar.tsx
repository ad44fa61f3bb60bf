import { whenText } from '../text/kit/when.ts';
import { ConflictDialog } from './ConflictDialog.tsx';
import css from './form.module.css';
import type { ItemForm } from './useItemForm.ts';

interface SaveBarProps<T> {
  readonly itemForm: ItemForm<T>;
  /** What the form is about, for what is said of it. */
  readonly what: string;
  readonly onDiscard: () => void;
  readonly inPanel?: boolean;
}

/** Save and Discard at the foot of a form, how many fields stand in the way, and what happened elsewhere meanwhile. */
export function SaveBar<T>({ itemForm, what, onDiscard, inPanel }: SaveBarProps<T>) {
  const { form, changed, overtaken, isGone, resumed, conflict, settle } = itemForm;
  const problems = Object.keys(form.errors).length;
  return (
    <div className={`${css.actions} ${inPanel ? css.panelSticky : css.sticky}`}>
      {isGone && (
        <span className={`${css.said} tone-hot`} role="alert">
          Deleted elsewhere meanwhile. What you see here is still yours to save.
        </span>
      )}
      {resumed !== null && (
        <span className={`${css.said} tone-warm`} role="status">
          Taken up again: typed {whenText(resumed)} and not saved.
        </span>
      )}
      {overtaken && (
        <span className={`${css.said} tone-warm`} role="status">
          Changed elsewhere meanwhile. On Save you choose field by field.
        </span>
      )}
      <button type="submit" className="ink-button" data-strong disabled={!changed}>
        {isGone ? 'Save it anew' : 'Save'}
      </button>
      {changed && (
        <button type="button" className="ink-button" onClick={onDiscard}>
          Discard
        </button>
      )}
      {problems > 0 && (
        <span className="tone-hot" role="alert">
          {problems === 1 ? 'One field needs' : `${problems} fields need`} another look. Nothing was saved.
        </span>
      )}
      {conflict && <ConflictDialog what={what} conflict={conflict} onSettle={settle} />}
    </div>
  );
}
