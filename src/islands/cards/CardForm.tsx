import { Checkbox, TagsInput } from '@mantine/core';
import { useState } from 'react';
import { saveCard } from '../../app/cards/cardActions.ts';
import { draftDoubt, labelOfDraft, markChoices, tidyMarks, typedLabel } from '../../app/cards/cardDraft.ts';
import { type Draft, settled } from '../../app/kit/draft.ts';
import { today } from '../../app/kit/today.ts';
import { patchOfText } from '../../app/photo/patchOfText.ts';
import type { Card } from '../../core/kit/model.ts';
import { cardSchema } from '../../kit/schemas/card.ts';
import { ASSUMED_WORDS } from '../../text/assumed.ts';
import { labelProblemText, roomText } from '../../text/cards/label.ts';
import { busChoices, FORM_CHOICES, STATE_CHOICES } from '../../ui/choices.ts';
import { ChoiceField, DateField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { part } from '../../ui/part.tsx';
import { SaveBar } from '../../ui/SaveBar.tsx';
import { decimalSign } from '../../ui/typedNumber.ts';
import { useArrival } from '../../ui/useArrival.ts';
import { useItemForm } from '../../ui/useItemForm.ts';
import { IncidentFields } from './IncidentFields.tsx';
import { VerifiedFields } from './VerifiedFields.tsx';

const CardPicture = part(() => import('../photo/CardPicture.tsx'));
const CardWear = part(() => import('./CardWear.tsx'));

interface CardFormProps {
  readonly card: Draft<Card>;
  readonly isNew: boolean;
  /** True where it was deleted elsewhere. */
  readonly isGone: boolean;
  readonly onSaved: (card: Card) => void;
  readonly onDelete: () => void;
  readonly onDuplicate: () => void;
  readonly onClose: () => void;
}

/** One physical card. Nothing is stored before Save. */
export function CardForm({ card, isNew, isGone, onSaved, onDelete, onDuplicate, onClose }: CardFormProps) {
  const itemForm = useItemForm<Card>({
    item: card,
    isNew,
    isGone,
    list: 'cards',
    name: ({ label }) => label || 'The new card',
    schema: cardSchema,
    save: saveCard,
    onSaved,
  });
  const { form, onSubmit, discard } = itemForm;
  const field = form.getInputProps;
  const arrival = useArrival<HTMLFormElement>();
  const { values } = form;
  // What was verified is what the label said then: another label is verified again, or promises nothing.
  const unverify = () => {
    if (form.values.verified) form.setFieldValue('verified', null);
  };
  const printed = (key: 'form' | 'bus' | 'capacityGB') => {
    const own = field(key);
    const onChange = (next: unknown) => {
      if (next !== values[key]) unverify();
      own.onChange(next);
    };
    return { ...own, onChange };
  };
  const [picturing, setPicturing] = useState(false);
  const [halfRead, setHalfRead] = useState(false);
  /** What a person confirmed of a picture fills the fields; Save is still theirs. */
  const takeOver = (text: string): void => {
    const patch = patchOfText(text, values.marks);
    setPicturing(false);
    setHalfRead(patch.form === undefined || patch.capacityGB === undefined);
    unverify();
    form.setValues(patch);
  };
  const doubt = draftDoubt(settled<Card>(values, cardSchema));
  const tooRoomy = roomText(settled<Card>(values, cardSchema));
  return (
    <form
      ref={arrival}
      className={css.form}
      onSubmit={onSubmit}
      noValidate
      aria-label={isNew ? 'New card' : card.label}
    >
      <div className={css.actions}>
        <h2 className={css.title}>{values.label || 'New card'}</h2>
        {!isNew && !isGone && (
          <>
            <button type="button" className="plain-button" onClick={onDuplicate}>
              Duplicate
            </button>
            <button type="button" className="plain-button" onClick={onDelete}>
              Delete
            </button>
          </>
        )}
        <button type="button" className="plain-button" onClick={onClose}>
          Close
        </button>
      </div>
      <fieldset className={css.section}>
        <legend className={css.legend}>What is printed</legend>
        <div>
          <button type="button" className="ink-button" onClick={() => setPicturing(true)}>
            Read it off a picture
          </button>
          {halfRead && <p className={css.hint}>Form or capacity was not read: add it below.</p>}
        </div>
        {picturing && (
          <CardPicture
            typed={
              isNew && values.capacityGB === '' && values.marks.length === 0 && !values.readMBps
                ? typedLabel('')
                : labelOfDraft(values, decimalSign())
            }
            onAccept={takeOver}
            onClose={() => setPicturing(false)}
          />
        )}
        <div className={css.fields}>
          <TextField label="Card name (as you wrote it on the card)" props={field('label')} placeholder="C-01" />
          <ChoiceField label="Form" props={printed('form')} data={FORM_CHOICES} />
          <NumberField label="Capacity" unit="GB" props={printed('capacityGB')} placeholder="256" />
          <ChoiceField label="Bus" props={printed('bus')} data={busChoices(values.form)} unknown="read from marks" />
          <TagsInput
            label="Marks and words"
            className={css.full}
            data={[...markChoices(values.form)]}
            placeholder={values.marks.length === 0 ? 'V90, U3, II' : ''}
            splitChars={[',', ' ', ';']}
            {...field('marks')}
            onChange={(marks) => {
              unverify();
              form.setFieldValue('marks', tidyMarks(marks));
            }}
          />
        </div>
        {doubt?.problems.map((problem) => (
          <p key={JSON.stringify(problem)} className={css.doubt} role="status">
            {labelProblemText(problem)}
          </p>
        ))}
        {(doubt?.outcome === 'short' || values.verified) && <VerifiedFields form={form} />}
        {values.form === 'microsd' && (
          <Checkbox
            className={css.full}
            label="Its adapter carries two rows of contacts (ordinary ones carry one: UHS-I at most)"
            checked={values.adapterTwoRows === true}
            onChange={(event) => form.setFieldValue('adapterTwoRows', event.currentTarget.checked)}
          />
        )}
      </fieldset>
      <fieldset className={css.section}>
        <legend className={css.legend}>Figures</legend>
        <p className={css.hint}>
          Peak speeds are kept for reference and never decide an answer. A minimum write speed stated in writing counts
          like a speed mark. Leave empty what you do not know.
        </p>
        <div className={css.fields}>
          <NumberField label="Read, peak" unit="MB/s" props={field('readMBps')} />
          <NumberField label="Write, peak" unit="MB/s" props={field('writeMBps')} />
          <NumberField label="Sustained write, maker’s" unit="MB/s" props={field('sustainedMBps')} />
          <NumberField
            label="Minimum write, in writing"
            unit="MB/s"
            props={field('minimumMBps')}
            placeholder="none stated"
          />
          <TextField label="Where that minimum is stated" props={field('minimumSource')} placeholder="spec page" />
          <NumberField label="Fast cache" unit="GB" props={field('cacheGB')} />
          {tooRoomy && (
            <p className={`${css.doubt} ${css.full}`} role="status">
              {tooRoomy}
            </p>
          )}
          <NumberField
            label="Usable, formatted"
            unit="GB"
            props={field('usableGB')}
            placeholder={`${ASSUMED_WORDS.usable} assumed`}
            className={css.full}
          />
        </div>
      </fieldset>
      <fieldset className={css.section}>
        <legend className={css.legend}>This particular card</legend>
        <div className={css.fields}>
          <ChoiceField label="State" props={field('state')} data={STATE_CHOICES} unknown="not followed" />
          <NumberField
            label="Written so far"
            unit="GB"
            props={{
              ...field('writtenGB'),
              // What is noted now counts up to now; what is logged later comes on top.
              onChange: (value: number | string) => {
                form.setFieldValue('writtenGB', value);
                form.setFieldValue('writtenOn', value === '' ? null : today());
              },
            }}
          />
          <DateField label="Counted up to" props={field('writtenOn')} />
          <NumberField label="Rated for" unit="hours" props={field('ratedHours')} placeholder="not stated" />
          <NumberField label="Rated endurance" unit="TB" props={field('enduranceTB')} placeholder="not stated" />
          <NumberField label="Price paid" props={field('price')} />
          <TextField label="Bought from" props={field('boughtFrom')} placeholder="" />
          <TextField label="Bought on" props={field('boughtOn')} placeholder="2026-05-04" />
          <TextField label="Firmware" props={field('firmware')} placeholder="" />
          <TextField label="Warranty" props={field('warranty')} className={css.full} placeholder="" />
          <TextField label="Note" props={field('note')} className={css.full} placeholder="" />
          <Checkbox
            className={css.full}
            label="Retired: kept in your list, not used in answers, plans or shopping"
            checked={values.retired === true}
            onChange={(event) => form.setFieldValue('retired', event.currentTarget.checked)}
          />
        </div>
        {!isNew && !isGone && <CardWear card={settled<Card>(card, cardSchema)} />}
      </fieldset>
      <IncidentFields form={form} />
      <SaveBar
        inPanel
        itemForm={itemForm}
        what={values.label || 'This card'}
        onDiscard={() => {
          discard();
          if (isNew || isGone) onClose();
        }}
      />
    </form>
  );
}
