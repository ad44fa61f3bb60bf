import type { Card } from '../kit/model.ts';
import { familyOf } from '../standards/families.ts';
import { type Form, isSd } from '../standards/forms.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { fromGigabytes, fromMegabytes } from '../units/convert.ts';
import { busOf, printedBuses } from './printedBus.ts';
import { appMarks, printedWords, speedMarks } from './printedMarks.ts';
import { type PrintedLabel, timesRate, type Unread } from './readLabel.ts';
import { tokenize } from './tokenize.ts';
import { unclearGrade } from './unclearGrade.ts';
import type { LabelWord } from './vocabulary.ts';

function unread(marks: readonly string[]): readonly Unread[] {
  const words = printedWords(marks);
  return marks.flatMap((text, at): Unread[] => {
    const word = words[at] ?? null;
    const asked = unclearGrade(word);
    if (asked) return [{ start: 0, end: text.length, text, problem: asked }];
    if (word !== null && word.kind !== 'no-such-mark') return [];
    return tokenize(text).flatMap((token) => (token.kind === 'unread' ? [{ ...token, problem: token.problem }] : []));
  });
}

/** The form of a card with every other that its print names. */
function formsOf(own: Form, words: readonly (LabelWord | null)[]): readonly Form[] {
  const named = words.flatMap((word): Form[] => {
    if (word?.kind === 'form') return [word.form];
    if (word?.kind !== 'family') return [];
    return word.micro ? ['microsd'] : isSd(own) ? [] : ['sd'];
  });
  return [...new Set([own, ...named])];
}

/** The × rating among words that are no mark; null where there is none. */
function timesOf(marks: readonly string[], words: readonly (LabelWord | null)[]): PrintedLabel['times'] {
  for (const [at, text] of marks.entries()) {
    const token = words[at] === null ? tokenize(text).find(({ kind }) => kind === 'times') : undefined;
    if (token?.kind === 'times') return timesRate(token.value);
  }
  return null;
}

/** The label of a card of the kit, from its fields; only words that are not known are read letter by letter. */
export function cardLabel(
  card: Pick<Card, 'form' | 'capacityGB' | 'marks'> &
    Partial<Pick<Card, 'bus' | 'readMBps' | 'writeMBps' | 'minimumMBps' | 'sustainedMBps'>>,
): PrintedLabel {
  const { form, capacityGB, marks } = card;
  const [reads, writes, minimum, sustained] = [card.readMBps, card.writeMBps, card.minimumMBps, card.sustainedMBps].map(
    (MBps) => (MBps == null ? null : fromMegabytes(MBps)),
  ) as readonly (BytesPerSecond | null)[];
  const capacity = fromGigabytes(capacityGB);
  const entered = card.bus ?? null;
  const printed = printedBuses(form, marks);
  const bus = busOf({ form, marks, bus: entered });
  const words = printedWords(marks);
  const families = words.flatMap((word) => (word?.kind === 'family' ? [word] : []));
  const familyPrinted = families[0]?.family ?? null;
  return {
    form,
    formInferred: false,
    forms: formsOf(form, words),
    families: [...new Set(families.map(({ family }) => family))],
    capacity,
    familyPrinted,
    family: familyPrinted ?? (isSd(form) ? familyOf(capacity) : null),
    bus: bus.bus,
    busPrinted: bus.known === 'printed',
    buses: entered ? [entered, ...printed] : printed,
    marks: speedMarks(marks),
    apps: appMarks(marks),
    words: marks,
    printed: [reads, writes].filter((rate) => rate != null).sort((a, b) => b - a),
    reads: reads ?? null,
    writes: writes ?? null,
    minimum: minimum ?? null,
    sustained: sustained ?? null,
    hours: null,
    enduranceTB: null,
    times: timesOf(marks, words),
    unread: unread(marks),
  };
}
