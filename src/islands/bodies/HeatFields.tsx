import { AIR_MOVEMENTS, BODY_SIZES } from '../../app/bodies/bodyDraft.ts';
import type { Draft } from '../../app/kit/draft.ts';
import type { Body, BodyHeat } from '../../core/kit/model.ts';
import { AIR_MEANINGS, SIZE_WORDS } from '../../text/heat/heatWords.ts';
import { ChoiceField, NumberField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';

/** How the body takes heat: which assumed one it is like, and what its manual says of recording limits. */
export function HeatFields({ form }: { readonly form: DraftForm<Body> }) {
  const heat = form.values.heat ?? {};
  const limits = heat.limits ?? [];
  const set = (part: Partial<Draft<BodyHeat>>) => form.setFieldValue('heat', { ...heat, ...part });
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>Heat</legend>
      <p className={css.hint}>
        The manual’s recording limit at one or two temperatures replaces what is assumed. Estimates stay estimates: the
        manual stands above them.
      </p>
      <div className={css.fields}>
        <ChoiceField
          label="Is like"
          props={{ value: heat.size ?? null, onChange: (size: BodyHeat['size']) => set({ size }) }}
          data={BODY_SIZES.map((value) => ({ value, label: SIZE_WORDS[value] }))}
          unknown="read from its slots"
        />
        {limits.map((_, at) => (
          <div key={at} className={`${css.fields} ${css.full}`}>
            <NumberField label="Records for" unit="min" props={form.getInputProps(`heat.limits.${at}.minutes`)} />
            <NumberField label="In air of" unit="°C" props={form.getInputProps(`heat.limits.${at}.ambientC`)} />
            <ChoiceField
              label="That air"
              className={css.wide}
              props={form.getInputProps(`heat.limits.${at}.air`)}
              data={AIR_MOVEMENTS.map((value) => ({ value, label: AIR_MEANINGS[value] }))}
              unknown="still, as makers state it"
            />
            <button
              type="button"
              className={`plain-button ${css.remove}`}
              onClick={() => set({ limits: limits.filter((__, place) => place !== at) })}
            >
              Remove
            </button>
          </div>
        ))}
      </div>
      {limits.length < 2 && (
        <div>
          <button
            type="button"
            className="plain-button"
            onClick={() => set({ limits: [...limits, { minutes: '', ambientC: '' }] })}
          >
            Add a recording limit
          </button>
        </div>
      )}
    </fieldset>
  );
}
