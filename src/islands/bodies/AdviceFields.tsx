import { TagsInput } from '@mantine/core';
import { MARK_KEYS } from '../../app/bodies/bodyDraft.ts';
import { oneSpelling } from '../../app/bodies/oneSpelling.ts';
import type { Draft } from '../../app/kit/draft.ts';
import type { Advice, Body } from '../../core/kit/model.ts';
import { NumberField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import own from './GroupFields.module.css';
import { WrittenWhere } from './WrittenWhere.tsx';

const FRESH: Draft<Advice> = { anyOf: [], overGB: null, source: '' };

/** What the body's maker advises against, short of refusing it. */
export function AdviceFields({ form }: { readonly form: DraftForm<Body> }) {
  const all = form.values.advisesAgainst ?? [];
  const set = (next: readonly Draft<Advice>[]) => form.setFieldValue('advisesAgainst', next);
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>What its maker advises against</legend>
      {all.map((_, at) => (
        <div key={at} className={own.row}>
          <TagsInput
            label="Advises against"
            data={[...MARK_KEYS]}
            placeholder="I, V30, SDUC"
            {...form.getInputProps(`advisesAgainst.${at}.anyOf`)}
            onChange={(words) => form.setFieldValue(`advisesAgainst.${at}.anyOf`, oneSpelling(words))}
          />
          <NumberField
            label="Cards above"
            unit="GB"
            props={form.getInputProps(`advisesAgainst.${at}.overGB`)}
            placeholder="any size"
          />
          <WrittenWhere
            props={form.getInputProps(`advisesAgainst.${at}.source`)}
            onRemove={() => set(all.filter((_, place) => place !== at))}
          />
        </div>
      ))}
      <div>
        <button type="button" className="plain-button" onClick={() => set([...all, FRESH])}>
          Add advice against
        </button>
      </div>
    </fieldset>
  );
}
