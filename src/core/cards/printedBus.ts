import type { Card } from '../kit/model.ts';
import { type Bus, busesOf, bus as busRow, isExpress } from '../standards/buses.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { mark, needsOwnBus } from '../standards/marks.ts';
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

/** Every bus that is printed on a card as such, in the order printed. */
export function printedBuses(form: Form, marks: readonly string[]): readonly Bus[] {
  const versions = VERSIONS[form];
  return printedWords(marks).flatMap((word): Bus[] => {
    if (word?.kind === 'bus' && busRow(word.bus).forms.includes(form))
      return word.arabic && word.bus === 'uhs-iii' ? [] : [word.bus];
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
  const named = printedBuses(form, marks);
  // An Express card names the bus it falls back to as well: it speaks both.
  const own = named.filter((one) => one !== 'uhs-i' || !named.some(isExpress));
  const [slowest] = [...own].sort((a, b) => order.indexOf(a) - order.indexOf(b));
  if (slowest) return { bus: slowest, printed: true };
  return isSd(form) ? impliedBus(marks) : impliedLink(form, marks);
}

function impliedBus(marks: readonly string[]): PrintedBus | null {
  // A class of its own stands on cards of any bus.
  const needed = speedMarks(marks).flatMap((key) => (mark(key).series === 'C' ? [] : [mark(key).countsFrom]));
  const fastest = busesOf('sd').findLast((candidate) => needed.includes(candidate));
  if (fastest === undefined) return null;
  // A mark that counts from the slower half of UHS-I on is printed on cards of the whole of it.
  return { bus: fastest === 'uhs-i-50' ? 'uhs-i' : fastest, printed: false };
}

/** The link that a mark of CFexpress needs; null where none needs more than the first. */
function impliedLink(form: Form, marks: readonly string[]): PrintedBus | null {
  const needing = speedMarks(marks).find((key) => needsOwnBus(key) && mark(key).forms.includes(form));
  const link = needing && mark(needing).countsFrom;
  return link ? { bus: link, printed: false } : null;
}

/** How the bus of a card was learnt: entered or printed, read from its marks, or not at all. */
export type BusKnown = 'printed' | 'marks' | 'assumed';

/** The bus of a card as it counts, and where that comes from. */
export interface CardBus {
  readonly bus: Bus | null;
  readonly known: BusKnown;
}

/** What of a card tells its bus; its printed speeds tell whether its UHS-II is the faster half of it. */
export type BusPrint = Pick<Card, 'form' | 'bus' | 'marks'> & Partial<Pick<Card, 'readMBps' | 'writeMBps'>>;

/** The most that UHS-II carries without its optional half duplex, MB/s. */
const FULL_DUPLEX_MBPS = 156;

/** The bus of a card: as entered, else as printed, else as its marks imply; null where nothing tells. */
export function busOf(card: BusPrint): CardBus {
  const told = toldBus(card);
  const peak = Math.max(card.readMBps ?? 0, card.writeMBps ?? 0);
  return told.bus === 'uhs-ii' && peak > FULL_DUPLEX_MBPS ? { ...told, bus: 'uhs-ii-312' } : told;
}

function toldBus(card: BusPrint): CardBus {
  if (card.bus !== null) return { bus: card.bus, known: 'printed' };
  const read = printedBus(card.form, card.marks);
  return read ? { bus: read.bus, known: read.printed ? 'printed' : 'marks' } : { bus: null, known: 'assumed' };
}

/**
 * The bus of a card where no other is possible: entered or printed, or told by a mark of two rows of contacts or of
 * Express. Null where a mark leaves it open: V30 stands on cards of UHS-II as well.
 */
export function sureBus(card: BusPrint): Bus | null {
  const { bus, known } = busOf(card);
  if (known === 'printed' || !isSd(card.form)) return bus;
  return speedMarks(card.marks).some(needsOwnBus) ? bus : null;
}

/** Whether a bus is another one or speaks it as well. */
export const speaks = (own: Bus, wanted: Bus): boolean =>
  own === wanted || (busRow(own).alsoSpeaks as readonly string[]).includes(wanted);
