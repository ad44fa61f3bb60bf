import { readLabel } from '../../core/cards/readLabel.ts';
import type { Offer } from '../../core/kit/shop.ts';
import { newId } from '../../kit/newId.ts';
import { cardOfLabel, speedsOf } from '../../reading/cards/labelCard.ts';
import { tidyMarks } from '../cards/cardDraft.ts';
import type { Draft } from '../kit/draft.ts';
import { today } from '../kit/today.ts';
import { cardOfText } from '../photo/cardOfText.ts';

/** An offer to be typed, seen today. */
export const newOffer = (currency: string): Draft<Offer> => ({
  id: newId(),
  name: '',
  form: 'sd',
  capacityGB: '',
  marks: [],
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  price: '',
  currency,
  seller: '',
  date: today(),
  note: null,
});

/** What a line of print tells of a card; null until its form and capacity are in it. */
export function printedOffer(text: string): PrintedOffer | null {
  const label = readLabel(text);
  const card = cardOfLabel(label);
  return card && { form: card.form, capacityGB: card.capacityGB, marks: tidyMarks(card.marks), ...speedsOf(label) };
}

type PrintedOffer = Pick<Offer, 'form' | 'capacityGB' | 'marks'> & ReturnType<typeof speedsOf>;

/** An offer of a card whose label was read; its price is to be typed. */
export function offerOfText(text: string, currency: string): Draft<Offer> {
  const { form, capacityGB, marks, speeds } = cardOfText(text);
  const empty = newOffer(currency);
  return {
    ...empty,
    name: text,
    form: form ?? empty.form,
    capacityGB: capacityGB ?? '',
    marks: tidyMarks(marks),
    ...speeds,
  };
}
