import { keptSpelling, readWord } from '../../core/cards/vocabulary.ts';
import type { Card } from '../../core/kit/model.ts';
import { labelRule } from '../../core/match/rules/label.ts';
import { type Bus, bus as busRow } from '../../core/standards/buses.ts';
import { type Form, form as formRow, isSd } from '../../core/standards/forms.ts';
import { marksOf } from '../../core/standards/marks.ts';

/** A mark is printed once and in one spelling, however it was typed. */
export const tidyMarks = (marks: readonly string[]): string[] => [
  ...new Set(
    marks.map((text) => {
      const word = readWord(text);
      return (word && keptSpelling(word)) ?? text.trim().toUpperCase();
    }),
  ),
];

const SD_WORDS = ['I', 'II', 'III', 'SDHC', 'SDXC', 'SDUC', 'A1', 'A2'];

/** What may be printed on a card of this form, to choose from. */
export const markChoices = (form: Form): readonly string[] => [
  ...marksOf(form),
  ...(isSd(form) ? SD_WORDS : ['2.0', '4.0']),
];

/** What its label gets wrong as it is typed; null where nothing, or where it has no capacity yet. */
export const draftDoubt = (card: Card): ReturnType<typeof labelRule> =>
  Number(card.capacityGB) > 0 ? labelRule(card) : null;

/** Words of a card that are none of a label's: a picture says nothing about them. */
export const ownWords = (marks: readonly string[]): readonly string[] =>
  marks.filter((text) => readWord(text) === null);

/**
 * What is filled in of a card's print, as a line of a label. The form that a new card begins with is nobody's word: it is
 * left out.
 */
export function labelOfDraft(draft: {
  readonly form: Form;
  readonly capacityGB: number | string;
  readonly marks: readonly string[];
  readonly bus?: Bus | null;
  readonly readMBps?: number | string | null;
}): string {
  const capacity = Number(draft.capacityGB);
  return [
    ...(draft.form === 'sd' ? [] : [formRow(draft.form).name]),
    ...(draft.capacityGB !== '' && capacity > 0 ? [`${capacity}GB`] : []),
    ...draft.marks,
    // As it was entered beside the marks: a picture that shows another is asked about.
    ...(draft.bus?.startsWith('uhs') ? [busRow(draft.bus).name] : []),
    ...(Number(draft.readMBps) > 0 ? [`${Number(draft.readMBps)}MB/s`] : []),
  ].join(' ');
}
