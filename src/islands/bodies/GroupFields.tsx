import { Select, TagsInput, TextInput } from '@mantine/core';
import { MARK_KEYS } from '../../app/bodies/bodyDraft.ts';
import { oneSpelling } from '../../app/bodies/oneSpelling.ts';
import type { Draft } from '../../app/kit/draft.ts';
import type { Body, GroupRequirement } from '../../core/kit/model.ts';
import { WHEN_MISSING_CHOICES } from '../../ui/choices.ts';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import own from './GroupFields.module.css';

/** What the body asks for whole groups of modes: a body can lock a codec family because its fastest option needs it. */
export function GroupFields({ form }: { readonly form: DraftForm<Body> }) {
  const all = form.values.groupRequires ?? [];
  const set = (next: readonly Draft<GroupRequirement>[]) => form.setFieldValue('groupRequires', next);
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>Speed marks this camera requires</legend>
      {all.map((one, at) => (
        <div key={at} className={own.row}>
          <TextInput
            label="Group"
            placeholder="every mode"
            value={one.group ?? ''}
            onChange={(event) => {
              const group = event.currentTarget.value;
              set(all.map((other, place) => (place === at ? { ...other, group: group === '' ? null : group } : other)));
            }}
          />
          <TagsInput
            label="Asks for any of"
            data={[...MARK_KEYS]}
            {...form.getInputProps(`groupRequires.${at}.anyOf`)}
            onChange={(words) => form.setFieldValue(`groupRequires.${at}.anyOf`, oneSpelling(words))}
          />
          <Select
            label="Without it the camera"
            data={[...WHEN_MISSING_CHOICES]}
            allowDeselect={false}
            {...form.getInputProps(`groupRequires.${at}.whenMissing`)}
          />
          <button type="button" className="plain-button" onClick={() => set(all.filter((_, place) => place !== at))}>
            Remove
          </button>
        </div>
      ))}
      <div>
        <button
          type="button"
          className="plain-button"
          onClick={() => set([...all, { group: null, anyOf: [], whenMissing: 'warns' }])}
        >
          Add a required mark for several modes
        </button>
      </div>
    </fieldset>
  );
}
