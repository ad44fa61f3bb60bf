import type { ReactNode } from 'react';
import type { Written } from '../app/kit/write.ts';
import css from './form.module.css';
import panel from './panelForm.module.css';
import { SaveBar } from './SaveBar.tsx';
import { useArrival } from './useArrival.ts';
import { useChange } from './useChange.ts';
import type { ItemForm } from './useItemForm.ts';

interface PanelFormProps<T> {
  readonly itemForm: ItemForm<T>;
  /** What the form is called where it is read aloud. */
  readonly label: string;
  readonly title: string;
  /** What it is about, as in “The need”. */
  readonly what: string;
  /** Nothing is there yet that could be deleted, or come back to. */
  readonly isNew: boolean;
  /** How it is deleted, and what that button says. */
  readonly deletion: { readonly text: string; readonly make: () => Promise<Written> };
  /** It was deleted, or given up before it was saved. */
  readonly onDone: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A form in the panel beside a view: its title with a way out, its fields, and at its foot Delete, Save and Discard. */
export function PanelForm<T>({
  itemForm,
  label,
  title,
  what,
  isNew,
  deletion,
  onDone,
  onClose,
  children,
}: PanelFormProps<T>) {
  const { isGone, onSubmit, discard } = itemForm;
  const arrival = useArrival<HTMLFormElement>();
  const change = useChange();
  const remove = async (): Promise<void> => {
    if (!(await change(deletion.make))) return;
    discard();
    onDone();
  };
  return (
    <form ref={arrival} className={css.form} onSubmit={onSubmit} noValidate aria-label={label}>
      <div className={panel.head}>
        <h2>{title}</h2>
        <button type="button" className="plain-button" onClick={onClose}>
          Close
        </button>
      </div>
      {children}
      {!isNew && !isGone && (
        <div>
          <button type="button" className="plain-button" onClick={() => void remove()}>
            {deletion.text}
          </button>
        </div>
      )}
      <SaveBar
        itemForm={itemForm}
        what={what}
        inPanel
        onDiscard={() => {
          discard();
          if (isNew || isGone) onDone();
        }}
      />
    </form>
  );
}
