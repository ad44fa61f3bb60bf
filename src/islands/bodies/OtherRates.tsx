import type { Draft } from '../../app/kit/draft.ts';
import type { Body, ModeRate } from '../../core/kit/model.ts';
import { RATE_IS_CHOICES, SOURCE_CHOICES } from '../../ui/choices.ts';
import { ChoiceField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { RateField } from '../../ui/RateField.tsx';
import type { DraftForm } from '../../ui/useItemForm.ts';

interface OtherRatesProps {
  readonly form: DraftForm<Body>;
  readonly at: number;
}

/** The same rate from other sources: own clips stand before the maker's table before arithmetic before a sister body. */
export function OtherRates({ form, at }: OtherRatesProps) {
  const path = `modes.${at}.otherRates`;
  const rates = form.values.modes[at]?.otherRates ?? [];
  const set = (next: readonly Draft<ModeRate>[]) => form.setFieldValue(path, next);
  const fresh = { kind: 'stated', Mbps: '', is: 'average', source: 'measured' } as const;
  return (
    <>
      {rates.map((rate, place) => (
        <div key={`${rate.source} ${place}`} className={css.fields}>
          <RateField
            label="Another source says"
            value={rate.kind === 'stated' ? rate.Mbps : null}
            error={form.errors[`${path}.${place}.Mbps`]}
            onChange={(Mbps) => form.setFieldValue(`${path}.${place}.Mbps`, Mbps)}
          />
          <ChoiceField
            label="The figure is a"
            props={form.getInputProps(`${path}.${place}.is`)}
            data={RATE_IS_CHOICES}
          />
          <ChoiceField label="Source" props={form.getInputProps(`${path}.${place}.source`)} data={SOURCE_CHOICES} />
          <button type="button" className="plain-button" onClick={() => set(rates.filter((_, one) => one !== place))}>
            Remove
          </button>
        </div>
      ))}
      <div className={css.actions}>
        <button type="button" className="plain-button" onClick={() => set([...rates, fresh])}>
          Another source for this rate
        </button>
      </div>
    </>
  );
}
