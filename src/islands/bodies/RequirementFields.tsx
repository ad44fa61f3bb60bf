import { Select, TagsInput } from '@mantine/core';
import { MARK_KEYS } from '../../app/bodies/bodyDraft.ts';
import { oneSpelling } from '../../app/bodies/oneSpelling.ts';
import type { Body } from '../../core/kit/model.ts';
import { WHEN_MISSING_CHOICES } from '../../ui/choices.ts';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import own from './SlotFields.module.css';

type BodyFormApi = DraftForm<Body>;

/** What the body asks of a card for this mode, and what it does when the card lacks it. */
export function RequirementFields({ form, at }: { readonly form: BodyFormApi; readonly at: number }) {
  const path = `modes.${at}.requires`;
  const requires = form.values.modes[at]?.requires ?? [];
  return (
    <>
      {requires.map((_, place) => (
        <div key={place} className={own.accepts}>
          <TagsInput
            label="Asks for any of"
            data={[...MARK_KEYS]}
            placeholder="V90"
            {...form.getInputProps(`${path}.${place}.anyOf`)}
            onChange={(words) => form.setFieldValue(`${path}.${place}.anyOf`, oneSpelling(words))}
          />
          <Select
            label="Without it the camera"
            data={[...WHEN_MISSING_CHOICES]}
            allowDeselect={false}
            {...form.getInputProps(`${path}.${place}.whenMissing`)}
          />
          <button type="button" className="plain-button" onClick={() => form.removeListItem(path, place)}>
            Remove
          </button>
        </div>
      ))}
      <div className={css.actions}>
        <button
          type="button"
          className="plain-button"
          onClick={() => form.insertListItem(path, { anyOf: [], whenMissing: 'warns' })}
        >
          Add a required mark
        </button>
      </div>
    </>
  );
}
