import type { Card } from '../model/kit.ts';
import { FAMILIES, type Family, familyOf } from '../standards/families.ts';
import { isSd } from '../standards/forms.ts';
import { fromGB } from '../units/convert.ts';
import { printedBus } from './printedBus.ts';
import { printedMarks, speedMarks } from './printedMarks.ts';
import type { Label, Unread } from './readLabel.ts';
import { tokenize } from './tokenize.ts';

const isFamily = (text: string): text is Family => Object.hasOwn(FAMILIES, text);

/** Words of a label that are no speed mark and still are understood. */
const WORDS = /^(MICRO)?SD(HC|XC|UC)?$|^(UHS)?I{1,3}$|^UHS[123]$|^(SD)?(EX|EXPRESS)$|^A[12]$|^[124]\.0$/;

function unread(marks: readonly string[], known: readonly string[]): readonly Unread[] {
  return marks
    .filter((_, at) => !WORDS.test(known[at] ?? '') && !speedMarks(marks).includes((known[at] ?? '') as never))
    .flatMap((text) => tokenize(text))
    .flatMap((token) => (token.kind === 'unread' ? [{ ...token, problem: token.problem }] : []));
}

/** The label of a card of the kit, from its fields; only words that are not known are read letter by letter. */
export function cardLabel({ form, capacityGB, marks }: Pick<Card, 'form' | 'capacityGB' | 'marks'>): Label {
  const printed = printedMarks(marks);
  const capacity = fromGB(capacityGB);
  const familyPrinted = printed.map((text) => text.replace(/^MICRO/, '').toLowerCase()).find(isFamily) ?? null;
  const bus = printedBus(form, marks);
  return {
    form,
    formInferred: false,
    capacity,
    // `SD` alone names the form, not the family of cards up to 2 GB.
    familyPrinted: familyPrinted === 'sd' ? null : familyPrinted,
    family: familyPrinted ?? (isSd(form) ? familyOf(capacity) : null),
    bus: bus?.bus ?? null,
    busPrinted: bus?.printed ?? false,
    marks: speedMarks(marks),
    apps: printed.filter((text): text is 'A1' | 'A2' => text === 'A1' || text === 'A2'),
    words: marks,
    printed: [],
    times: null,
    unread: unread(marks, printed),
  };
}
