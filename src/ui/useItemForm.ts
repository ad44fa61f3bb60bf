import { type UseFormReturnType, useForm } from '@mantine/form';
import type Joi from 'joi';
import { type FormEventHandler, useEffect, useRef, useState } from 'react';
import { type Draft, drafted, settled } from '../app/kit/draft.ts';
import { fieldErrors } from '../app/kit/formValues.ts';
import { dropUnsaved, isOutdated, keepUnsaved, type UnsavedList, unsavedOf } from '../app/kit/unsaved.ts';
import type { Written } from '../app/kit/write.ts';
import { isSameValue } from '../kit/patch.ts';
import { editRefusalText } from '../text/kit/editRefusal.ts';
import { stayAfterAll, useFormOpen } from './leaving.ts';
import { alarm } from './notices.ts';
import { undoNotice } from './undoNotice.tsx';
import { useStored } from './useStored.ts';

interface ItemFormOptions<T> {
  /** The list it belongs to, under which what is typed is kept until it is saved. */
  readonly list: UnsavedList;
  /** What the person calls it. */
  readonly name: (values: Draft<T>) => string;
  /** The entry; a new one may still want numbers. */
  readonly item: Draft<T>;
  readonly isNew: boolean;
  /** True where the entry was deleted elsewhere while the form was open. */
  readonly isGone: boolean;
  readonly schema: Joi.Schema;
  /** `base` is what the form was opened on; null: it is stored as a new entry. */
  readonly save: (item: T, base: T | null) => Promise<Written>;
  readonly onSaved: (item: T) => void;
}

/** The entry as it was changed here and elsewhere since the form was opened on it. */
export interface Conflict<T> {
  readonly before: T;
  readonly mine: T;
  readonly theirs: T;
}

/** The form over a draft. A path names a place in it, as `modes.0.rate.Mbps`. */
export interface DraftForm<T>
  extends Pick<
    UseFormReturnType<Draft<T>>,
    'values' | 'errors' | 'getInputProps' | 'getValues' | 'setValues' | 'clearErrors' | 'removeListItem' | 'onSubmit'
  > {
  readonly setFieldValue: (path: string, value: unknown) => void;
  readonly insertListItem: (path: string, item: unknown) => void;
}

export interface ItemForm<T> {
  readonly form: DraftForm<T>;
  readonly changed: boolean;
  /** What is typed here was overtaken elsewhere: known before Save is pressed. */
  readonly overtaken: boolean;
  readonly isGone: boolean;
  /** When what stands here was typed, where it was taken up again from an earlier visit; null otherwise. */
  readonly resumed: string | null;
  readonly onSubmit: FormEventHandler<HTMLFormElement>;
  readonly discard: () => void;
  readonly conflict: Conflict<T> | null;
  /** Saves what was chosen in a conflict; null: goes back to the form. */
  readonly settle: (item: T | null) => void;
}

/** The form library merges what it is given: a key that the entry no longer has must be taken out by name. */
function replaceValues<T>(form: DraftForm<T>, values: Draft<T> | T): void {
  const gone = Object.keys(form.getValues() as object).filter((key) => !(key in (values as object)));
  form.setValues({ ...Object.fromEntries(gone.map((key) => [key, undefined])), ...values } as Draft<T>);
}

/**
 * A form over one entry of the kit: validated by the kit's schema, stored whole on Save with an undo; until then what is
 * typed is kept in the browser, and taken up again after a reload or a crash. It is kept in step
 * with another tab as long as nothing is being typed here. Where both changed it, the person chooses field by field;
 * where it was deleted elsewhere, what was typed stays and can be saved anew.
 */
export function useItemForm<T extends { readonly id: string }>(options: ItemFormOptions<T>): ItemForm<T> {
  const { item, isNew, isGone, list, schema, save, onSaved } = options;
  const stored = useStored();
  const [left] = useState(() => (isNew ? null : unsavedOf(list, item.id as string, item)));
  const [resumed, setResumed] = useState(left?.at ?? null);
  const form = useForm<Draft<T>>({
    initialValues: (left?.values as Draft<T> | undefined) ?? item,
    validate: (values) => fieldErrors(schema, values),
  }) as DraftForm<T>;
  const { current: api } = useRef(form);
  /** What the values began from, and the newest entry that was taken over, or knowingly passed over by a save. */
  const shown = useRef((left?.base as Draft<T> | undefined) ?? item);
  const taken = useRef(shown.current);
  const newest = useRef(item);
  newest.current = item;
  const [conflict, setConflict] = useState<Conflict<T> | null>(null);
  /** Drawn anew where a save changed nothing but what the values are held against. */
  const [, setAfter] = useState(0);
  const { values } = form;
  const touched = !isSameValue(values, shown.current);
  useEffect(() => {
    // Asked of the form, not of what was drawn: a key may have been pressed since.
    if (touched || taken.current === item || !isSameValue(api.getValues(), shown.current)) return;
    taken.current = item;
    shown.current = item;
    replaceValues(api, item);
  }, [api, item, touched]);

  const id = item.id as string;
  // What was typed before the entry was last stored is not shown in its place: a browser that was killed brings it back.
  useEffect(() => {
    if (!left || isSameValue(left.base, newest.current)) return;
    void isOutdated(list, left).then((outdated) => {
      if (!outdated || !isSameValue(api.getValues(), left.values)) return;
      dropUnsaved(list, left.values.id);
      setResumed(null);
      shown.current = newest.current;
      taken.current = newest.current;
      replaceValues(api, newest.current);
    });
  }, [api, left, list]);
  useEffect(() => {
    if (touched)
      keepUnsaved(list, {
        base: isNew ? null : shown.current,
        values: { ...values, id },
        at: new Date().toISOString(),
      });
    // What is as it was needs no keeping; a new entry is told apart by its first key.
    else if (!isNew) dropUnsaved(list, id);
  }, [values, touched, isNew, list, id]);

  const store = (next: T, base: T | null): void =>
    void stored(async () => {
      const sent = api.getValues();
      const written = await save(next, base);
      if (written.ok) {
        shown.current = drafted(next);
        // The stored entry is on its way here; until it comes, the one before it is not to be shown again.
        taken.current = newest.current;
        setConflict(null);
        setResumed(null);
        // What was typed while it was stored stays, and is still to be saved.
        if (isSameValue(api.getValues(), sent)) {
          replaceValues(form, next);
          dropUnsaved(list, id);
        } else setAfter((count) => count + 1);
        if (written.value.id !== null) undoNotice(written.value);
        onSaved(next);
        formOpen.saved();
      } else if (written.error.code === 'changed') {
        // The list of the entry tells its type: it is the one this form saves to.
        setConflict({ before: base ?? next, mine: next, theirs: written.error.now as unknown as T });
      } else alarm(editRefusalText(written.error));
    });

  // What a known entry was opened on came from the store as it is: no draft.
  const onSubmit = form.onSubmit(
    () => store(settled<T>(form.getValues(), schema), isNew || isGone ? null : (shown.current as T)),
    () => {
      stayAfterAll();
      requestAnimationFrame(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
    },
  );
  const discard = (): void => {
    dropUnsaved(list, id);
    setResumed(null);
    shown.current = item;
    taken.current = item;
    replaceValues(form, item);
    form.clearErrors();
  };
  const formOpen = useFormOpen({ isDirty: touched, what: options.name(values), save: () => onSubmit(), discard });
  return {
    form,
    resumed,
    changed: isNew || isGone || touched,
    overtaken: touched && !isGone && taken.current !== item && !isSameValue(shown.current, item),
    isGone,
    onSubmit,
    discard,
    conflict,
    settle: (next) => (next === null ? setConflict(null) : store(next, conflict?.theirs ?? null)),
  };
}
