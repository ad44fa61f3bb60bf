import { type Form, form } from '../../core/standards/forms.ts';
import { together } from '../quantity.ts';

/** `SD cards in Slot 1 and Slot 2: which bus?` */
export const busQuestion = (key: Form, slots: readonly { readonly name: string }[]): string =>
  `${form(key).name} in ${together(slots.map(({ name }, at) => name || `slot ${at + 1}`))}: which bus?`;
