import type { Card } from '../kit/model.ts';
import { familyOf } from '../standards/families.ts';
import { isSd } from '../standards/forms.ts';
import { fromGigabytes } from '../units/convert.ts';
import { busOf, printedBuses } from './printedBus.ts';
import { appMarks, printedWords, speedMarks } from './printedMarks.ts';
import type { PrintedLabel, Unread } from './readLabel.ts';
import { tokenize } from './tokenize.ts';
import { unclearGrade } from './unclearGrade.ts';

function unread(form: Card['form'], marks: readonly string[]): readonly Unread[] {
  const words = printedWords(marks);
  return marks.flatMap((text, at): Unread[] => {
    const word = words[at] ?? null;
    const asked = unclearGrade(word, form, marks);
    if (asked) return [{ start: 0, end: text.length, text, problem: asked }];
    if (word !== null && word.kind !== 'no-such-mark') return [];
    return tokenize(text).flatMap((token) => (token.kind === 'unread' ? [{ ...token, problem: token.problem }] : []));
  });
}

/** The label of a card of the kit, from its fields; only words that are not known are read letter by letter. */
export function cardLabel(
  card: Pick<Card, 'form' | 'capacityGB' | 'marks'> & Partial<Pick<Card, 'bus'>>,
): PrintedLabel {
  const { form, capacityGB, marks } = card;
  const capacity = fromGigabytes(capacityGB);
  const entered = card.bus ?? null;
  const printed = printedBuses(form, marks);
  const bus = busOf({ form, marks, bus: entered });
  const family = printedWords(marks).find((word) => word?.kind === 'family');
  const familyPrinted = family?.kind === 'family' ? family.family : null;
  return {
    form,
    formInferred: false,
    capacity,
    familyPrinted,
    family: familyPrinted ?? (isSd(form) ? familyOf(capacity) : null),
    bus: bus.bus,
    busPrinted: bus.known === 'printed',
    buses: entered ? [entered, ...printed] : printed,
    marks: speedMarks(marks),
    apps: appMarks(marks),
    words: marks,
    printed: [],
    reads: null,
    writes: null,
    times: null,
    unread: unread(form, marks),
  };
}
