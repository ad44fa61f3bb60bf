import { busPrint } from '../cards/vocabulary.ts';
import type { Body, Card } from '../kit/model.ts';
import { familyOf } from '../standards/families.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { type Mark, mark, marksOf, promiseOf, type Series, twoRowMarks } from '../standards/marks.ts';
import { sizesOf } from '../standards/sizes.ts';
import { fromGigabytes } from '../units/convert.ts';
import type { Cell } from './cell.ts';

/** A card to be bought, as its print. */
export interface CardToBuy {
  readonly form: Form;
  readonly mark: Mark;
  readonly capacityGB: number;
}

/** Of marks that promise the same, the one that speaks of video first. */
const SERIES: readonly Series[] = ['V', 'VPG', 'E', 'U', 'C'];

/** Marks of a form by what they promise, ascending. */
export const marksByPromise = (form: Form): readonly Mark[] =>
  [...marksOf(form)].sort(
    (a, b) =>
      mark(a).promisesMBps - mark(b).promisesMBps || SERIES.indexOf(mark(a).series) - SERIES.indexOf(mark(b).series),
  );

const familyWord = (capacityGB: number): string => familyOf(fromGigabytes(capacityGB))?.toUpperCase() ?? '';

/** The card of a print, with what must be printed beside its mark and nothing else: no doubt, and no figure of any maker. */
export function cardOfPrint({ form, mark: key, capacityGB }: CardToBuy, id = 'to buy'): Card {
  const words = isSd(form) ? [familyWord(capacityGB)].filter(Boolean) : [];
  const { countsFrom } = mark(key);
  const numeral = countsFrom !== null && twoRowMarks().includes(key) ? busPrint(countsFrom) : null;
  return {
    id,
    label: '',
    form,
    capacityGB,
    usableGB: null,
    marks: [...words, ...(numeral === null ? [] : [numeral]), key],
    bus: null,
    readMBps: null,
    writeMBps: null,
    sustainedMBps: null,
    cacheGB: null,
  };
}

/** Forms that a body's slots take, each once, in the order of its slots. */
const formsTaken = ({ slots }: Pick<Body, 'slots'>): readonly Form[] => [
  ...new Set(slots.flatMap(({ accepts }) => accepts.map(({ form }) => form))),
];

/** A card to buy and its cell. */
interface Bought {
  readonly print: CardToBuy;
  readonly cell: Cell;
}

interface BuyInput {
  readonly body: Body;
  /** The card at hand: nothing that promises no more is offered beside it. */
  readonly card: Pick<Card, 'form' | 'capacityGB'>;
  /** What the card at hand promises where it is asked about, bytes a second; null: nothing. */
  readonly floor: number | null;
  /** What is written at the most, bytes a second. */
  readonly need: number;
  /** Minutes wanted of one card; null: about the size of the card at hand. */
  readonly minutes: number | null;
  /** The cell of a card as the board would have it. */
  readonly answer: (card: Card) => Cell;
  /** Whether a cell is good enough to be offered. */
  readonly holds: (cell: Cell, card: Card) => boolean;
}

/**
 * The smallest promise that would do, in every form the body takes, in the smallest size that lasts the wanted minutes;
 * where none lasts so long, the largest that holds. Least promise first.
 */
export function cardsToBuy(input: BuyInput): readonly Bought[] {
  const { body, card, floor, need } = input;
  return formsTaken(body)
    .flatMap((form) => {
      for (const key of marksByPromise(form)) {
        const promise = promiseOf(key);
        if (promise < need || (form === card.form && floor !== null && promise <= floor)) continue;
        const found = inSize(input, form, key);
        if (found) return [found];
      }
      return [];
    })
    .sort((a, b) => mark(a.print.mark).promisesMBps - mark(b.print.mark).promisesMBps);
}

/** The smallest size of a mark that holds and lasts. Two sizes tell whether it holds at all; only then are all looked at. */
function inSize({ card, answer, holds, minutes }: BuyInput, form: Form, key: Mark): Bought | null {
  const sizes = sizesOf(form);
  const near = (size: number): number => Math.abs(Math.log(size / card.capacityGB));
  const byNearness = [...sizes].sort((a, b) => near(a) - near(b));
  const tried = (capacityGB: number): Bought | null => {
    const print: CardToBuy = { form, mark: key, capacityGB };
    const made = cardOfPrint(print);
    const cell = answer(made);
    return holds(cell, made) ? { print, cell } : null;
  };
  // A slot that reads small families only takes the smallest, whatever size the card at hand has.
  const first = tried(byNearness[0] ?? 0) ?? tried(sizes[0] ?? 0);
  if (first === null || minutes === null) return first;
  let best: Bought | null = null;
  for (const size of sizes) {
    best = tried(size) ?? best;
    if (best && (best.cell.planned ?? 0) >= minutes) return best;
  }
  return best;
}
