import { today } from '../../app/kit/today.ts';
import type { Card } from '../../core/kit/model.ts';
import { TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';

/** That a card whose label contradicts itself was checked in full: from then on its promises count. */
export function VerifiedFields({ form }: { readonly form: DraftForm<Card> }) {
  const { verified } = form.values;
  const set = (next: Card['verified']) => form.setFieldValue('verified', next);
  if (!verified) {
    return (
      <div className={css.full}>
        <p className={css.hint}>
          Until you verify this card, nothing on its label counts. Fill it completely, read it back and compare (Tests,
          Measure).
        </p>
        <button
          type="button"
          className="plain-button"
          onClick={() => set({ date: today(), how: 'filled and read back, all equal' })}
        >
          I verified it
        </button>
      </div>
    );
  }
  return (
    <div className={css.fields}>
      <TextField label="Verified on" props={form.getInputProps('verified.date')} placeholder="2026-05-04" />
      <TextField label="How" props={form.getInputProps('verified.how')} placeholder="filled and read back" />
      <button type="button" className="plain-button" onClick={() => set(null)}>
        Not verified after all
      </button>
    </div>
  );
}
