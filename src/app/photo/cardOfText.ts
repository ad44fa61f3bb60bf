import { readLabel } from '../../core/cards/readLabel.ts';
import type { Form } from '../../core/standards/forms.ts';
import { toGigabytes } from '../../core/units/convert.ts';
import { speedsOf } from '../../reading/cards/labelCard.ts';

/** What a confirmed label fills in; null where it does not say. */
export interface LabelFields {
  readonly form: Form | null;
  readonly capacityGB: number | null;
  readonly marks: readonly string[];
  /** Its speeds, each in its own field. */
  readonly speeds: ReturnType<typeof speedsOf>;
  /** True where a bus is printed on it. */
  readonly namesBus: boolean;
}

/** The fields of a card that a label fills, as far as it goes: one without a capacity leaves that to be typed. */
export function cardOfText(text: string): LabelFields {
  const label = readLabel(text);
  const { form, capacity, words, busPrinted } = label;
  return {
    form,
    capacityGB: capacity === null ? null : toGigabytes(capacity),
    marks: [...new Set(words)],
    speeds: speedsOf(label),
    namesBus: busPrinted,
  };
}
