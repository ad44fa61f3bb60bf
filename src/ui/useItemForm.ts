import { type UseFormReturnType, useForm } from '@mantine/form';
import type Joi from 'joi';
import { type FormEventHandler, useEffect, useRef } from 'react';
import { fieldErrors, withoutBlanks } from '../app/kit/formValues.ts';
import { keepStorage } from '../app/kit/storage.ts';
import { stableText } from '../kit/stableText.ts';
import type { Undo } from '../store/kitStore.ts';
import { undoNotice } from './undoNotice.tsx';
import { useStored } from './useStored.ts';

interface ItemFormOptions<T> {
  readonly item: T;
  readonly isNew: boolean;
  readonly schema: Joi.Schema;
  readonly save: (item: T) => Promise<Undo>;
  readonly nameOf: (item: T) => string;
  readonly onSaved: (item: T) => void;
}

interface ItemForm<T> {
  readonly form: UseFormReturnType<T>;
  readonly changed: boolean;
  readonly onSubmit: FormEventHandler<HTMLFormElement>;
  readonly discard: () => void;
}

/**
 * A form over one item of the kit: validated by the kit's schema, stored whole on Save with an undo, and kept in step
 * with another tab as long as nothing is being typed here.
 */
export function useItemForm<T extends { readonly id: string }>(options: ItemFormOptions<T>): ItemForm<T> {
  const { item, isNew, schema, save, nameOf, onSaved } = options;
  const stored = useStored();
  const form = useForm<T>({ initialValues: item, validate: (values) => fieldErrors(schema, values) });
  const { current: api } = useRef(form);
  const shown = useRef(item);
  const text = stableText(form.values);
  useEffect(() => {
    const untouched = text === stableText(shown.current);
    if (untouched && shown.current !== item) api.setValues(item);
    if (untouched) shown.current = item;
  }, [api, item, text]);
  const onSubmit = form.onSubmit(
    (values) =>
      void stored(async () => {
        const saved = withoutBlanks(values) as T;
        const undo = await save(saved);
        shown.current = saved;
        form.setValues(saved);
        undoNotice(`${nameOf(saved)} saved.`, undo);
        // What a person typed is worth asking the browser to keep.
        void keepStorage();
        onSaved(saved);
      }),
    () => requestAnimationFrame(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()),
  );
  const discard = (): void => {
    form.setValues(item);
    form.clearErrors();
  };
  return { form, changed: isNew || text !== stableText(item), onSubmit, discard };
}
