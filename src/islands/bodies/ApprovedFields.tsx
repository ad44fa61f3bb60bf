import { MultiSelect } from '@mantine/core';
import { type Draft, settled } from '../../app/kit/draft.ts';
import type { Approval, Body, Card, Mode } from '../../core/kit/model.ts';
import { modeSchema } from '../../kit/schemas/mode.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { ofMany } from '../../ui/choices.ts';
import css from '../../ui/form.module.css';
import { RateField } from '../../ui/RateField.tsx';
import type { DraftForm } from '../../ui/useItemForm.ts';
import { WrittenWhere } from './WrittenWhere.tsx';

interface ApprovedFieldsProps {
  readonly form: DraftForm<Body>;
  readonly cards: readonly Card[];
}

const FRESH: Approval = { cardIds: [], modeIds: [], upToMbps: null, source: '' };

/** Media that the body's maker approves in writing: which cards, for which modes or up to which rate, and where it says so. */
export function ApprovedFields({ form, cards }: ApprovedFieldsProps) {
  const all = form.values.approved ?? [];
  const set = (next: readonly Draft<Approval>[]) => form.setFieldValue('approved', next);
  const change = (at: number, part: Partial<Draft<Approval>>) =>
    set(all.map((one, place) => (place === at ? { ...one, ...part } : one)));
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>Cards and drives the camera’s maker approves</legend>
      <p className={css.hint}>
        A promise in writing, like a mark: for what carries none, such as drives and modules. Named modes, or every mode
        up to a rate.
      </p>
      {all.map((one, at) => (
        <div key={at} className={css.fields}>
          <MultiSelect
            label="Cards of yours that are this one"
            className={css.wide}
            data={cards.map((card) => ({ value: card.id, label: `${card.label} · ${cardSummary(card)}` }))}
            {...ofMany(cards.length)}
            searchable
            value={[...one.cardIds]}
            error={form.errors[`approved.${at}.cardIds`]}
            onChange={(cardIds) => change(at, { cardIds })}
          />
          <MultiSelect
            label="For the modes"
            className={css.wide}
            data={form.values.modes.map((mode) => ({
              value: mode.id,
              label: modeTitle(settled<Mode>(mode, modeSchema)),
            }))}
            placeholder={one.modeIds === null || one.modeIds.length === 0 ? 'every mode up to the rate' : ''}
            value={[...(one.modeIds ?? [])]}
            onChange={(modeIds) => change(at, { modeIds: modeIds.length === 0 ? null : modeIds })}
          />
          <RateField
            label="Up to a rate of"
            value={one.upToMbps}
            error={form.errors[`approved.${at}.upToMbps`]}
            onChange={(Mbps) => change(at, { upToMbps: Mbps === '' ? null : Mbps })}
          />
          <WrittenWhere
            props={form.getInputProps(`approved.${at}.source`)}
            onRemove={() => set(all.filter((_, place) => place !== at))}
          />
        </div>
      ))}
      <div>
        <button type="button" className="plain-button" onClick={() => set([...all, { ...FRESH, modeIds: null }])}>
          Add an approved card or drive
        </button>
      </div>
    </fieldset>
  );
}
