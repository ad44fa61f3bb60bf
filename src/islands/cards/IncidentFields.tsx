import { Checkbox } from '@mantine/core';
import { isFault } from '../../app/cards/cardLine.ts';
import { today } from '../../app/kit/today.ts';
import type { Card, Incident } from '../../core/kit/model.ts';
import { INCIDENT_CHOICES } from '../../ui/choices.ts';
import { ChoiceField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';

/** What went wrong with a card, each with its day. */
export function IncidentFields({ form }: { readonly form: DraftForm<Card> }) {
  const incidents = form.values.incidents ?? [];
  const set = (next: readonly Incident[]) => form.setFieldValue('incidents', next);
  const fresh = (): Incident => ({ date: today(), kind: 'warning', text: '' });
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>Incidents</legend>
      {incidents.map((incident, at) => (
        <div key={`${incident.date} ${at}`} className={css.fields}>
          <TextField label="Date" props={form.getInputProps(`incidents.${at}.date`)} />
          <ChoiceField label="What" props={form.getInputProps(`incidents.${at}.kind`)} data={INCIDENT_CHOICES} />
          <TextField label="In words" props={form.getInputProps(`incidents.${at}.text`)} className={css.full} />
          {isFault(incident) && (
            <Checkbox
              label="Looked into: the card may be used again"
              checked={incident.resolved != null}
              onChange={(event) => {
                const resolved = event.currentTarget.checked ? today() : null;
                set(incidents.map((one, place) => (place === at ? { ...one, resolved } : one)));
              }}
              className={css.full}
            />
          )}
          <button type="button" className="plain-button" onClick={() => set(incidents.filter((_, one) => one !== at))}>
            Remove
          </button>
        </div>
      ))}
      <div className={css.actions}>
        <button type="button" className="plain-button" onClick={() => set([...incidents, fresh()])}>
          Note an incident
        </button>
      </div>
    </fieldset>
  );
}
