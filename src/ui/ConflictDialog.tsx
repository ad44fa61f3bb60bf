import { useMemo, useState } from 'react';
import { chosen, disagreements } from '../app/kit/conflict.ts';
import { fieldPathText, valueText } from '../text/kit/fields.ts';
import css from './ConflictDialog.module.css';
import { Dialog } from './Dialog.tsx';
import type { Conflict } from './useItemForm.ts';

interface ConflictDialogProps<T> {
  readonly what: string;
  readonly conflict: Conflict<T>;
  readonly onSettle: (item: T | null) => void;
}

/** An entry that was changed here and elsewhere: both shown, one chosen for each field. */
export function ConflictDialog<T>({ what, conflict, onSettle }: ConflictDialogProps<T>) {
  const { before, mine, theirs } = conflict;
  const all = useMemo(() => disagreements(before, mine, theirs), [before, mine, theirs]);
  const [picks, setPicks] = useState<readonly boolean[]>(() => all.map(({ by }) => by !== 'them'));
  const pick = (at: number, own: boolean): void => setPicks(picks.with(at, own));
  return (
    <Dialog opened onClose={() => onSettle(null)} title={`${what} was changed elsewhere`} size="lg">
      <div className={css.conflict}>
        <p>Another tab or person saved it while it was open here. Choose for each field what to keep.</p>
        <ul className={css.fields}>
          {all.map(({ path, mine: own, theirs: other, by }, at) => {
            const name = fieldPathText(path, theirs);
            return (
              <li key={JSON.stringify(path)}>
                <fieldset className={css.field}>
                  <legend className={css.name}>
                    {name}
                    {by === 'both' && <span className="tone-hot"> both changed it</span>}
                  </legend>
                  <label className={css.choice}>
                    <input type="radio" name={`field ${at}`} checked={picks[at]} onChange={() => pick(at, true)} />
                    <span>
                      <span className={css.side}>Here</span> {valueText(own, path)}
                    </span>
                  </label>
                  <label className={css.choice}>
                    <input type="radio" name={`field ${at}`} checked={!picks[at]} onChange={() => pick(at, false)} />
                    <span>
                      <span className={css.side}>Elsewhere</span> {valueText(other, path)}
                    </span>
                  </label>
                </fieldset>
              </li>
            );
          })}
        </ul>
        <p className={css.actions}>
          <button type="button" className="ink-button" data-strong onClick={() => onSettle(chosen(theirs, all, picks))}>
            Save what is chosen
          </button>
          <button type="button" className="plain-button" onClick={() => onSettle(null)}>
            Back to the form
          </button>
        </p>
      </div>
    </Dialog>
  );
}
