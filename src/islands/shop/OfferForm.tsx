import { TagsInput } from '@mantine/core';
import { useState } from 'react';
import { draftDoubt, labelOfDraft, markChoices, tidyMarks, typedLabel } from '../../app/cards/cardDraft.ts';
import { type Draft, settled } from '../../app/kit/draft.ts';
import { patchOfText } from '../../app/photo/patchOfText.ts';
import { printedOffer } from '../../app/shop/newOffer.ts';
import { deleteOffer, saveOffer } from '../../app/shop/shopActions.ts';
import type { Card } from '../../core/kit/model.ts';
import type { Offer } from '../../core/kit/shop.ts';
import { offerSchema } from '../../kit/schemas/price.ts';
import { labelProblemText } from '../../text/cards/label.ts';
import { busChoices, FORM_CHOICES } from '../../ui/choices.ts';
import { ChoiceField, DateField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { PanelForm } from '../../ui/PanelForm.tsx';
import panel from '../../ui/panelForm.module.css';
import { part } from '../../ui/part.tsx';
import { decimalSign } from '../../ui/typedNumber.ts';
import { useItemForm } from '../../ui/useItemForm.ts';

const CardPicture = part(() => import('../photo/CardPicture.tsx'));

interface OfferFormProps {
  readonly offer: Draft<Offer>;
  readonly isNew: boolean;
  readonly isGone: boolean;
  readonly onDone: () => void;
  readonly onClose: () => void;
}

/** One line of a price list, by hand: what is printed fills the rest in. */
export default function OfferForm({ offer, isNew, isGone, onDone, onClose }: OfferFormProps) {
  const itemForm = useItemForm<Offer>({
    list: 'prices',
    name: ({ name }) => name || 'The new price',
    item: offer,
    isNew,
    isGone,
    schema: offerSchema,
    save: saveOffer,
    onSaved: onDone,
  });
  const { form } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const printed = printedOffer(values.name);
  const isFilled =
    printed !== null &&
    printed.form === values.form &&
    printed.capacityGB === values.capacityGB &&
    printed.marks.join() === values.marks.join();
  const fill = (): void => {
    if (!printed) return;
    form.setFieldValue('form', printed.form);
    form.setFieldValue('capacityGB', printed.capacityGB);
    form.setFieldValue('marks', [...printed.marks]);
    for (const speed of ['readMBps', 'writeMBps', 'sustainedMBps', 'minimumMBps'] as const) {
      const value = printed[speed];
      if (value != null) form.setFieldValue(speed, value);
    }
  };
  const [picturing, setPicturing] = useState(false);
  const takeOver = (text: string): void => {
    setPicturing(false);
    if (values.name.trim() === '') form.setFieldValue('name', text);
    form.setValues(patchOfText(text, values.marks));
  };
  const doubt = draftDoubt({
    ...settled<Offer>(values, offerSchema),
    label: '',
    usableGB: null,
    cacheGB: null,
  } as Card);
  return (
    <PanelForm
      itemForm={itemForm}
      label={isNew ? 'A new price' : 'The price'}
      title={isNew ? 'A new price' : values.name}
      what="The price"
      isNew={isNew}
      deletion={{ text: 'Delete this price', make: () => deleteOffer(settled<Offer>(offer, offerSchema)) }}
      onDone={onDone}
      onClose={onClose}
    >
      <div>
        <button type="button" className="ink-button" onClick={() => setPicturing(true)}>
          Read it off a picture
        </button>
      </div>
      {picturing && (
        <CardPicture
          typed={
            values.capacityGB === '' && values.marks.length === 0
              ? typedLabel(values.name)
              : labelOfDraft(values, decimalSign())
          }
          onAccept={takeOver}
          onClose={() => setPicturing(false)}
        />
      )}
      <TextField label="Card, as printed" placeholder="SD 256GB V90 II 300MB/s" props={field('name')} />
      {printed && !isFilled && (
        <div>
          <button type="button" className="ink-button" onClick={fill}>
            Take form, size and marks from it
          </button>
        </div>
      )}
      <div className={panel.pair}>
        <NumberField label="Price" placeholder="190" props={field('price')} />
        <TextField label="Currency" placeholder="EUR" props={field('currency')} />
      </div>
      <div className={panel.pair}>
        <TextField label="Seller" placeholder="not noted" props={field('seller')} />
        <DateField label="Seen on" props={field('date')} />
      </div>
      <div className={panel.pair}>
        <ChoiceField label="Form" props={field('form')} data={FORM_CHOICES} />
        <NumberField label="Capacity" unit="GB" placeholder="256" props={field('capacityGB')} />
      </div>
      <TagsInput
        label="Marks and words"
        data={[...markChoices(values.form)]}
        placeholder={values.marks.length === 0 ? 'V90, U3, II' : ''}
        splitChars={[',', ' ', ';']}
        {...field('marks')}
        onChange={(marks) => form.setFieldValue('marks', tidyMarks(marks))}
      />
      {doubt?.problems.map((problem) => (
        <p key={JSON.stringify(problem)} className={css.doubt} role="status">
          {labelProblemText(problem)}
        </p>
      ))}
      <ChoiceField label="Bus" props={field('bus')} data={busChoices(values.form)} unknown="read from marks" />
      <div className={panel.pair}>
        <NumberField label="Read speed" unit="MB/s" props={field('readMBps')} />
        <NumberField label="Write speed" unit="MB/s" props={field('writeMBps')} />
      </div>
      <NumberField label="Sustained write, as its maker claims" unit="MB/s" props={field('sustainedMBps')} />
      <TextField label="Note" placeholder="" props={field('note')} />
    </PanelForm>
  );
}
