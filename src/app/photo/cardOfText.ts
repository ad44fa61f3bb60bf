import { readLabel } from '../../core/cards/readLabel.ts';
import type { Form } from '../../core/standards/forms.ts';
import { toGigabytes, toMegabytes } from '../../core/units/convert.ts';

/** What a confirmed label fills in; null where it does not say. */
export interface LabelFields {
  readonly form: Form | null;
  readonly capacityGB: number | null;
  readonly marks: readonly string[];
  readonly readMBps: number | null;
  /** True where a bus is printed on it. */
  readonly namesBus: boolean;
}

/** The fields of a card that a label fills, as far as it goes: one without a capacity leaves that to be typed. */
export function cardOfText(text: string): LabelFields {
  const { form, capacity, words, printed, busPrinted } = readLabel(text);
  const [fastest] = printed;
  return {
    form,
    capacityGB: capacity === null ? null : toGigabytes(capacity),
    marks: [...new Set(words)],
    readMBps: fastest === undefined ? null : toMegabytes(fastest),
    namesBus: busPrinted,
  };
}
