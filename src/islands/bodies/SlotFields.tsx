import { Checkbox, Select } from '@mantine/core';
import type { Body } from '../../core/kit/model.ts';
import type { Form } from '../../core/standards/forms.ts';
import { busChoices, FAMILY_CHOICES, FORM_CHOICES } from '../../ui/choices.ts';
import { ChoiceField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import own from './SlotFields.module.css';

type BodyFormApi = DraftForm<Body>;

/** One slot: the forms it takes, each with its bus, and what its maker promises. */
export function SlotFields({ form, at }: { readonly form: BodyFormApi; readonly at: number }) {
  const slot = form.values.slots[at];
  if (!slot) return null;
  const field = (key: string) => form.getInputProps(`slots.${at}.${key}`);
  const changeForm = (place: number, next: Form): void => {
    // The old bus may not exist in the new form, and a guessed one would be a promise on a guess.
    form.setFieldValue(`slots.${at}.accepts.${place}`, { form: next, bus: null });
  };
  return (
    <div className={css.item}>
      <div className={css.fields}>
        <TextField label="Slot" props={field('name')} />
        <ChoiceField label="Largest SD type" props={field('family')} data={FAMILY_CHOICES} unknown="not entered" />
        <NumberField label="Maker promises up to" unit="GB" props={field('promisedMaxGB')} placeholder="not stated" />
        <Checkbox
          label="The camera will not record unless this slot has a card"
          className={css.full}
          checked={slot.demandsCard === true}
          onChange={(event) => form.setFieldValue(`slots.${at}.demandsCard`, event.currentTarget.checked)}
        />
      </div>
      {slot.accepts.map((accepts, place) => (
        <div key={place} className={own.accepts}>
          <Select
            label="Takes"
            aria-label={`Takes, form ${place + 1} of ${slot.name}`}
            data={FORM_CHOICES}
            value={accepts.form}
            allowDeselect={false}
            onChange={(next) => next && changeForm(place, next as Form)}
          />
          <Select
            label="Bus of the slot"
            aria-label={`Bus of the slot for form ${place + 1} of ${slot.name}`}
            data={busChoices(accepts.form)}
            placeholder="not entered"
            clearable
            clearButtonProps={{ 'aria-label': 'Clear the bus' }}
            {...field(`accepts.${place}.bus`)}
          />
          <button
            type="button"
            className="plain-button"
            onClick={() => form.removeListItem(`slots.${at}.accepts`, place)}
          >
            Remove
          </button>
        </div>
      ))}
      {slot.accepts.length === 0 && <p className={css.hint}>This slot takes no card form yet.</p>}
      <div className={css.actions}>
        <button
          type="button"
          className="plain-button"
          onClick={() => form.insertListItem(`slots.${at}.accepts`, { form: 'sd', bus: null })}
        >
          Also accepts…
        </button>
        <button type="button" className="plain-button" onClick={() => form.removeListItem('slots', at)}>
          Remove the slot
        </button>
      </div>
    </div>
  );
}
