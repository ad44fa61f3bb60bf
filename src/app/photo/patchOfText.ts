import type { Form } from '../../core/standards/forms.ts';
import { ownWords, tidyMarks } from '../cards/cardDraft.ts';
import { cardOfText } from './cardOfText.ts';

/** The fields of a form that a confirmed label answers. */
export interface LabelPatch {
  readonly form?: Form;
  readonly capacityGB?: number;
  readonly bus?: null;
  readonly marks: string[];
  readonly readMBps?: number;
  readonly writeMBps?: number;
  readonly sustainedMBps?: number;
  readonly minimumMBps?: number;
}

/**
 * What a confirmed label changes in a form: what it does not say stays as it was entered.
 *
 * @param marks - of the form before; words of the person's own among them stay
 */
export function patchOfText(text: string, marks: readonly string[]): LabelPatch {
  const { form, capacityGB, speeds, namesBus, marks: read } = cardOfText(text);
  return {
    ...(form !== null && { form }),
    ...(capacityGB !== null && { capacityGB }),
    // Of a bus that the label names only; else the one that was entered stays.
    ...(namesBus && { bus: null }),
    marks: tidyMarks([...read, ...ownWords(marks)]),
    ...Object.fromEntries(Object.entries(speeds).filter(([, value]) => value !== null)),
  };
}
