import { keptSpelling, readWord } from '../../core/cards/vocabulary.ts';
import type { Card } from '../../core/kit/model.ts';
import { labelRule } from '../../core/match/rules/label.ts';
import { type Bus, bus as busRow } from '../../core/standards/buses.ts';
import { type Form, form as formRow, isSd } from '../../core/standards/forms.ts';
import { marksOf } from '../../core/standards/marks.ts';
import { type DecimalSign, readNumber } from '../../core/units/number.ts';

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

/** The speeds of a draft as far as they are numbers yet. */
function numbersOf(card: Card) {
  const known = (value: unknown): number | null => (typeof value === 'number' && value > 0 ? value : null);
  const { readMBps, writeMBps, sustainedMBps, minimumMBps } = card;
  return {
    readMBps: known(readMBps),
    writeMBps: known(writeMBps),
    sustainedMBps: known(sustainedMBps),
    minimumMBps: known(minimumMBps),
  };
}

/** What its label gets wrong as it is typed; null where nothing, or where it has no capacity yet. */
export const draftDoubt = (card: Card): ReturnType<typeof labelRule> =>
  Number(card.capacityGB) > 0 ? labelRule({ ...card, ...numbersOf(card) }) : null;

/** Words of a card that are none of a label's: a picture says nothing about them. */
export const ownWords = (marks: readonly string[]): readonly string[] =>
  marks.filter((text) => readWord(text) === null);

/** A label as a person gave it so far. */
export interface TypedLabel {
  readonly text: string;
  /** Figures still asked about, each with what it could be: `1,200` typed as a capacity is 1200GB or 1.2GB. */
  readonly open: Readonly<Partial<Record<'capacity' | 'speed', readonly string[]>>>;
}

/** Words that no question stands behind. */
export const typedLabel = (text: string): TypedLabel => ({ text, open: {} });

/** What a figure could be that is still asked about; nothing where it is settled. */
function readingsOf(value: unknown, unit: string, decimal: DecimalSign): readonly string[] {
  const read = typeof value === 'string' ? readNumber(value, decimal) : null;
  return read && !read.ok && read.error.code === 'open-number' ? read.error.couldBe.map((one) => `${one}${unit}`) : [];
}

/**
 * What is filled in of a card's print, as a line of a label. The form that a new card begins with is nobody's word: it is
 * left out.
 *
 * @param decimal - the sign of the person's language
 */
export function labelOfDraft(
  draft: {
    readonly form: Form;
    readonly capacityGB: number | string;
    readonly marks: readonly string[];
    readonly bus?: Bus | null;
    readonly readMBps?: number | string | null;
  },
  decimal: DecimalSign,
): TypedLabel {
  const capacity = Number(draft.capacityGB);
  const text = [
    ...(draft.form === 'sd' ? [] : [formRow(draft.form).name]),
    ...(draft.capacityGB !== '' && capacity > 0 ? [`${capacity}GB`] : []),
    ...draft.marks,
    // As it was entered beside the marks: a picture that shows another is asked about.
    ...(draft.bus?.startsWith('uhs') ? [busRow(draft.bus).name] : []),
    ...(Number(draft.readMBps) > 0 ? [`${Number(draft.readMBps)}MB/s`] : []),
  ].join(' ');
  return {
    text,
    open: {
      capacity: readingsOf(draft.capacityGB, 'GB', decimal),
      speed: readingsOf(draft.readMBps, 'MB/s', decimal),
    },
  };
}
