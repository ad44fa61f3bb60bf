import type { Card } from '../kit/model.ts';
import { type Bus, busesOf, bus as busRow } from '../standards/buses.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { mark } from '../standards/marks.ts';
import { printedWords, speedMarks } from './printedMarks.ts';

/** The bus that a label names, and whether it names it or its marks exist on no slower one. */
export interface PrintedBus {
  readonly bus: Bus;
  /** True where the bus itself is printed; false where a mark implies it. */
  readonly printed: boolean;
}

const VERSIONS: Readonly<Partial<Record<Form, Readonly<Record<string, Bus>>>>> = {
  'cfexpress-a': { '2.0': 'cfexpress-2', '4.0': 'cfexpress-4' },
  'cfexpress-b': { '2.0': 'cfexpress-2', '4.0': 'cfexpress-4' },
  'cfexpress-c': { '2.0': 'cfexpress-2', '4.0': 'cfexpress-4' },
  xqd: { '1.0': 'xqd-1', '2.0': 'xqd-2' },
};

const ONLY_BUS: Readonly<Partial<Record<Form, Bus>>> = { cfast: 'sata-6', cf: 'udma-7' };

/**
 * True where `UHS-3` may mean the grade U3: on a microSD card, which no bus of that name was ever sold as, or beside a
 * video mark.
 */
export const gradeOrBus = (form: Form | null, marks: readonly string[]): boolean =>
  form === 'microsd' || speedMarks(marks).some((key) => mark(key).series === 'V');

/** Every bus that is printed on a card as such, in the order printed. */
export function printedBuses(form: Form, marks: readonly string[]): readonly Bus[] {
  const unclear = gradeOrBus(form, marks);
  const versions = VERSIONS[form];
  return printedWords(marks).flatMap((word): Bus[] => {
    if (word?.kind === 'bus' && isSd(form)) return word.arabic && word.bus === 'uhs-iii' && unclear ? [] : [word.bus];
    const version = word?.kind === 'version' ? versions?.[word.text] : undefined;
    if (version) return [version];
    return [];
  });
}

/**
 * The bus a card's print tells: the roman numeral or version first, else the slowest bus its highest mark needs (a V90
 * card must be UHS-II). Of two that are printed the slower. Null where nothing tells.
 */
export function printedBus(form: Form, marks: readonly string[]): PrintedBus | null {
  const order = busesOf(form);
  const [slowest] = [...printedBuses(form, marks)].sort((a, b) => order.indexOf(a) - order.indexOf(b));
  if (slowest) return { bus: slowest, printed: true };
  if (isSd(form)) return impliedBus(marks);
  const only = ONLY_BUS[form];
  return only ? { bus: only, printed: false } : null;
}

function impliedBus(marks: readonly string[]): PrintedBus | null {
  const needed = speedMarks(marks).map((key) => mark(key).countsFrom);
  const fastest = busesOf('sd').findLast((candidate) => needed.includes(candidate));
  if (fastest === undefined) return null;
  // A mark that counts from the slower half of UHS-I on is printed on cards of the whole of it.
  return { bus: fastest === 'uhs-i-50' ? 'uhs-i' : fastest, printed: false };
}

/** How the bus of a card was learnt: entered or printed, read from its marks, or not at all. */
export type BusKnown = 'printed' | 'marks' | 'assumed';

/** The bus of a card as it counts, and where that comes from. */
export interface CardBus {
  readonly bus: Bus | null;
  readonly known: BusKnown;
}

/** The bus of a card: as entered, else as printed, else as its marks imply; null where nothing tells. */
export function busOf(card: Pick<Card, 'form' | 'bus' | 'marks'>): CardBus {
  if (card.bus !== null) return { bus: card.bus, known: 'printed' };
  const read = printedBus(card.form, card.marks);
  return read ? { bus: read.bus, known: read.printed ? 'printed' : 'marks' } : { bus: null, known: 'assumed' };
}

/** Whether a bus is another one or speaks it as well. */
export const speaks = (own: Bus, wanted: Bus): boolean =>
  own === wanted || (busRow(own).alsoSpeaks as readonly string[]).includes(wanted);
