import { Fragment } from 'react';
import { placeName } from '../text/kit/fields.ts';
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

/** Most fields that are called by name; the rest are counted, and come up once these are right. */
const NAMED = 4;

/** Leads to a field by its place; those that say none, as a rate with its unit, come in the order in which they are wrong. */
function goTo(form: HTMLFormElement | null, path: string, problems: readonly string[]): void {
  const at = (one: string) => form?.querySelector<HTMLElement>(`[data-path="${CSS.escape(one)}"]`) ?? null;
  const others = [...(form?.querySelectorAll<HTMLElement>('[aria-invalid="true"]:not([data-path])') ?? [])];
  const field = at(path) ?? others[problems.filter((one) => at(one) === null).indexOf(path)] ?? others[0];
  field?.scrollIntoView({ block: 'center' });
  field?.focus();
}

/** Save and Discard at the foot of a form, how many fields stand in the way, and what happened elsewhere meanwhile. */
export function SaveBar<T>({ itemForm, what, onDiscard, inPanel }: SaveBarProps<T>) {
  const { form, changed, overtaken, isGone, resumed, conflict, settle } = itemForm;
  const problems = Object.keys(form.errors);
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
      {problems.length > 0 && (
        <span className={`${css.said} tone-hot`} role="alert">
          Not saved. Correct {problems.length === 1 ? 'one field' : `${problems.length} fields`}:{' '}
          {problems.slice(0, NAMED).map((path, at) => (
            <Fragment key={path}>
              {at > 0 && ', '}
              <button
                type="button"
                className="plain-button"
                onClick={({ currentTarget }) => goTo(currentTarget.closest('form'), path, problems)}
              >
                {placeName(path, form.getValues())}
              </button>
            </Fragment>
          ))}
          {problems.length > NAMED ? `, and ${problems.length - NAMED} more.` : '.'}
        </span>
      )}
      {conflict && <ConflictDialog what={what} conflict={conflict} onSettle={settle} />}
    </div>
  );
}
