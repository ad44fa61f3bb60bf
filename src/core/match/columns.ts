import type { Body, Card, Report, Slot, Test } from '../kit/model.ts';
import type { Cell, SeatAnswer } from './cell.ts';
import { type ByPrint, bareCell, byBody, type Column, evaluate, type Row, toColumn } from './evaluate.ts';
import { isBetter } from './isBetter.ts';
import { overSeats } from './overSeats.ts';
import { cardKey, type FitMemo, type PairFit, rememberedFit } from './pairFit.ts';
import type { Policy } from './policy.ts';
import { namedCards, printOf } from './print.ts';
import { printed, type Twin } from './rules/twinTests.ts';
import { type Seating, seatingOf } from './seats.ts';

/** A slot with what makes its answers differ from another's, as text, and the place of its first twin. */
interface KeyedSlot {
  readonly slot: Slot;
  readonly key: string;
  readonly kind: number;
}

/** The slots of a body, each with what makes its answers differ from another's. */
export function keyedSlots({ slots }: Pick<Body, 'slots'>): readonly KeyedSlot[] {
  const keys = slots.map(({ accepts, family, promisedMaxGB }) => JSON.stringify([accepts, family, promisedMaxGB]));
  return slots.map((slot, at) => ({ slot, key: keys[at] as string, kind: keys.indexOf(keys[at] as string) }));
}

/** What is worked out once a board: the slots of each body, and the fits met so far. */
export interface Groundwork {
  readonly slots: ReadonlyMap<Body, readonly KeyedSlot[]>;
  readonly fits: FitMemo;
  /** How cards of one print meet a body, as found: a wallet holds many cards of few prints. */
  readonly meetings: ReadonlyMap<Body, Map<string, Meeting | null>>;
}

/** What is shared by everything asked of some rows; empty at first. */
export function groundwork(rows: readonly Row[]): Groundwork {
  const bodies = [...new Set(rows.map(({ housing }) => housing))];
  return {
    slots: new Map(bodies.map((body) => [body, keyedSlots(body)])),
    fits: new Map(),
    meetings: new Map(bodies.map((body) => [body, new Map()])),
  };
}

/** Everything one answer is worked out from. */
export interface Work {
  readonly ground: Groundwork;
  readonly policy: Policy;
  readonly told: Told;
  /** Own tests by card; made when first asked for. */
  readonly testsOf: (cardId: string) => readonly Test[];
  /** The same by body: one list for whoever asks. */
  readonly testsIn: (cardId: string) => ReadonlyMap<string, readonly Test[]>;
  /** What is known of a card by others of its print; worked out when first asked for. */
  readonly printOf: (card: Card) => ByPrint | undefined;
  /** Cards that may sit beside the one asked about. */
  readonly pool: readonly Card[];
  /** Of those, one of each print, and every one that has tests or is approved by name; made when first asked for. */
  readonly candidates: () => readonly Card[];
  readonly columns: Map<Card, Column>;
  /** The best other card in a slot, as found; every row that asked is here with what it was told. */
  readonly partners: Map<Row, Map<number, SeatAnswer | null>>;
}

/** Begins the work on a board: nothing is worked out before it is asked for. */
export function workOn(ground: Groundwork, policy: Policy, told: Told, pool: readonly Card[]): Work {
  const { tests } = told;
  const testsOf = byCard(tests);
  const sorted = new Map<string, ReadonlyMap<string, readonly Test[]>>();
  const testsIn = (cardId: string): ReadonlyMap<string, readonly Test[]> => {
    const known = sorted.get(cardId);
    if (known) return known;
    const made = byBody(testsOf(cardId));
    sorted.set(cardId, made);
    return made;
  };
  return {
    ground,
    policy,
    told,
    testsOf,
    testsIn,
    printOf: byPrint(told, pool, testsIn),
    pool,
    candidates: candidatesOf(ground, tests, pool),
    columns: new Map(),
    partners: new Map(),
  };
}

/** Takes of one's own, and those that colleagues gave. */
export interface Told {
  readonly tests: readonly Test[];
  readonly reports?: readonly Report[] | undefined;
}

/** What is known of a card by others of its print: nothing where nobody of that print was tested. */
function byPrint(
  { tests, reports = [] }: Told,
  pool: readonly Card[],
  testsIn: Work['testsIn'],
): (card: Card) => ByPrint | undefined {
  if (tests.length === 0 && reports.length === 0) return () => undefined;
  let known: ReadonlyMap<string, ByPrint> | null = null;
  return (card) => {
    const print = printed(card);
    if (print === null) return undefined;
    known ??= printsOf(pool, testsIn, reports);
    return known.get(print);
  };
}

function printsOf(
  pool: readonly Card[],
  testsIn: Work['testsIn'],
  reports: readonly Report[],
): ReadonlyMap<string, ByPrint> {
  const twins = new Map<string, (Twin & { readonly bodyId: string })[]>();
  const given = new Map<string, Report[]>();
  for (const card of pool) {
    const tests = testsIn(card.id);
    const print = tests.size > 0 ? printed(card) : null;
    if (print === null) continue;
    const own = [...tests].map(([bodyId, of]) => ({ bodyId, card, tests: of }));
    const known = twins.get(print);
    if (known) known.push(...own);
    else twins.set(print, own);
  }
  for (const report of reports) {
    const print = printed(report.print);
    if (print === null) continue;
    const known = given.get(print);
    if (known) known.push(report);
    else given.set(print, [report]);
  }
  const prints = new Set([...twins.keys(), ...given.keys()]);
  return new Map(
    [...prints].map((print) => [
      print,
      { twins: byBody(twins.get(print) ?? []), reports: byBody(given.get(print) ?? []) },
    ]),
  );
}

function candidatesOf(ground: Groundwork, tests: readonly Test[], pool: readonly Card[]): () => readonly Card[] {
  let found: readonly Card[] | null = null;
  return () => {
    if (found) return found;
    const named = namedCards([...ground.slots.keys()]);
    const tested = new Set(tests.map(({ cardId }) => cardId));
    const prints = new Set<string>();
    found = pool.filter((card) => {
      if (named.has(card.id) || tested.has(card.id)) return true;
      const print = printOf(card);
      if (prints.has(print)) return false;
      prints.add(print);
      return true;
    });
    return found;
  };
}

const NO_TESTS: readonly Test[] = [];

/** The tests of a card. A log of thousands is sorted once, not searched once a card. */
export function byCard(tests: readonly Test[]): (cardId: string) => readonly Test[] {
  let sorted: Map<string, Test[]> | null = null;
  return (cardId) => {
    if (sorted === null) {
      sorted = new Map();
      for (const test of tests) {
        const own = sorted.get(test.cardId);
        if (own) own.push(test);
        else sorted.set(test.cardId, [test]);
      }
    }
    return sorted.get(cardId) ?? NO_TESTS;
  };
}

function columnOf(work: Work, card: Card): Column {
  const known = work.columns.get(card);
  if (known) return known;
  const made = toColumn(card, work.testsIn(card.id), work.printOf(card));
  work.columns.set(card, made);
  return made;
}

/** The best answer that a card of the wallet gives in one slot; null where none fits it. */
export function partnerIn(work: Work, row: Row, slotAt: number): SeatAnswer | null {
  const asked = work.partners.get(row) ?? new Map<number, SeatAnswer | null>();
  work.partners.set(row, asked);
  const known = asked.get(slotAt);
  if (known !== undefined) return known;
  const keyed = work.ground.slots.get(row.housing)?.[slotAt];
  let best: SeatAnswer | null = null;
  if (keyed) {
    const { slot } = keyed;
    for (const card of work.candidates()) {
      const fit = rememberedFit(work.ground.fits, keyed, card);
      if (!fit.fits) continue;
      const answer = evaluate(row, { slot, fit }, columnOf(work, card), work.policy);
      if (best?.answer && !isBetter(answer, best.answer)) continue;
      best = { slotId: slot.id, slotName: slot.name, cardId: card.id, cardLabel: card.label, answer };
    }
  }
  asked.set(slotAt, best);
  return best;
}

/** The cell of a body that has no slot. */
export const noSlotCell = (row: Row, card: Card): Cell =>
  bareCell(row, {
    slotId: null,
    cardId: card.id,
    verdict: 'unfit',
    findings: [{ rule: 'shape', outcome: 'block', card: card.form, accepts: [] }, ...(row.goesTo ? [row.goesTo] : [])],
  });

/** How one card meets one body, worked out once for all its modes. */
interface Meeting {
  readonly slots: readonly KeyedSlot[];
  readonly fits: readonly PairFit[];
  readonly seating: Seating;
  /** The one slot to ask where all seats of the card answer alike; null where each must be asked. */
  readonly only: number | null;
}

/** Null for a body without slots. */
function meet(work: Work, body: Body, card: Card, print: string): Meeting | null {
  const known = work.ground.meetings.get(body);
  const found = known?.get(print);
  if (found !== undefined) return found;
  const made = meeting(work, body, card, print);
  known?.set(print, made);
  return made;
}

function meeting(work: Work, body: Body, card: Card, print: string): Meeting | null {
  const slots = work.ground.slots.get(body) ?? [];
  if (slots.length === 0) return null;
  const fits = slots.map((keyed) => rememberedFit(work.ground.fits, keyed, card, print));
  const seating = seatingOf(
    body,
    fits.map((fit) => fit.fits),
  );
  const kinds = new Set(seating.own.map((at) => slots[at]?.kind));
  const alone = seating.take === 'best' || (seating.take === 'worst' && seating.others.length === 0);
  return { slots, fits, seating, only: alone && kinds.size === 1 ? (seating.own[0] as number) : null };
}

/** The answer over several seats, each kind of slot asked once. */
function seatedCell(work: Work, row: Row, column: Column, { slots, fits, seating }: Meeting): Cell {
  const { card } = column;
  const asked: Cell[] = [];
  const own = (at: number): Cell => {
    const { kind } = slots[at] as KeyedSlot;
    const known = asked[kind];
    if (known) return known;
    const { slot } = slots[kind] as KeyedSlot;
    const cell = evaluate(row, { slot, fit: fits[kind] as PairFit }, column, work.policy);
    asked[kind] = cell;
    return cell;
  };
  const partner = (at: number): SeatAnswer | null => partnerIn(work, row, at);
  return overSeats({ row, card, seating, own, partner });
}

/**
 * One card against every row; slots are compared with the card once a body, not once a mode.
 *
 * @param known - cells that are known already, by the place of their row
 */
export function boardColumn(
  rows: readonly Row[],
  work: Work,
  card: Card,
  known?: (at: number) => Cell | null,
): readonly Cell[] {
  const column = columnOf(work, card);
  const print = cardKey(card);
  let body: Body | null = null;
  let met: Meeting | null = null;
  return rows.map((row, at) => {
    const found = known?.(at);
    if (found) return found;
    if (row.housing !== body) {
      body = row.housing;
      met = meet(work, body, card, print);
    }
    if (!met) return noSlotCell(row, card);
    if (met.only === null) return seatedCell(work, row, column, met);
    const { slot } = met.slots[met.only] as KeyedSlot;
    return evaluate(row, { slot, fit: met.fits[met.only] as PairFit }, column, work.policy);
  });
}
