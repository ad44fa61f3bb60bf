import type { CardToBuy } from '../../core/match/buyCard.ts';
import { form } from '../../core/standards/forms.ts';
import { fromGigabytes } from '../../core/units/convert.ts';
import { capacityText } from '../quantity.ts';

/** A card to buy, as it is asked for over a counter: `CFexpress A 160 GB, VPG200`. */
export const printText = ({ form: key, capacityGB, mark }: CardToBuy): string =>
  `${form(key).name} ${capacityText(fromGigabytes(capacityGB))}, ${mark}`;

/** Label and note of a card that is not owned yet. */
export const toBuyWords = (print: CardToBuy): { readonly label: string; readonly note: string } => ({
  label: printText(print).replaceAll('\u00a0', ' '),
  note: 'A card to buy: not owned yet.',
});
