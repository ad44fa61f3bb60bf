import type { Body, Card, Mode, Slot, Test } from '../model/kit.ts';
import type { Cell, SeatAnswer } from './cell.ts';
import { bareCell, type Column, evaluate, type Row, toColumn, toRow } from './evaluate.ts';
import { isBetter } from './isBetter.ts';
import { overSeats } from './overSeats.ts';
import { cardKey, type FitMemo, type PairFit, rememberedFit } from './pairFit.ts';
import type { Policy } from './policy.ts';
import { type Seating, seatingOf } from './seats.ts';

/** What a board is made of. Arrays keep the order in which they are shown. */
export interface BoardKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

export interface Board {
  readonly rows: readonly Row[];
  readonly cards: readonly Card[];
  /** By card, then by row: `columns[cardIndex][rowIndex]`. */
  readonly columns: readonly (readonly Cell[])[];
}

/** Every mode of every body, in order, each with its rate. */
export const boardRows = (bodies: readonly Body[]): readonly Row[] =>
  bodies.flatMap((body) => body.modes.map((mode) => toRow(body, mode)));

/** A slot with what makes its answers differ from another's, as text, and the place of its first twin. */
interface KeyedSlot {
  readonly slot: Slot;
  readonly key: string;
  readonly kind: number;
}

function keyedSlots({ slots }: Pick<Body, 'slots'>): readonly KeyedSlot[] {
  const keys = slots.map(({ accepts, family, promisedMaxGB }) => JSON.stringify([accepts, family, promisedMaxGB]));
  return slots.map((slot, at) => ({ slot, key: keys[at] as string, kind: keys.indexOf(keys[at] as string) }));
}

/** What is worked out once a board: the slots of each body, and the fits met so far. */
interface Groundwork {
  readonly slots: ReadonlyMap<Body, readonly KeyedSlot[]>;
  readonly fits: FitMemo;
  /** How cards of one print meet a body, as found: a wallet holds many cards of few prints. */
  readonly meetings: ReadonlyMap<Body, Map<string, Meeting | null>>;
}

function groundwork(rows: readonly Row[]): Groundwork {
  const bodies = [...new Set(rows.map(({ body }) => body))];
  return {
    slots: new Map(bodies.map((body) => [body, keyedSlots(body)])),
    fits: new Map(),
    meetings: new Map(bodies.map((body) => [body, new Map()])),
  };
}

/** Everything one answer is worked out from. */
interface Work {
  readonly ground: Groundwork;
  readonly policy: Policy;
  readonly tests: readonly Test[];
  /** Cards that may sit beside the one asked about. */
  readonly pool: readonly Card[];
  readonly columns: Map<Card, Column>;
  /** The best other card in a slot, as found; every row that asked is here with what it was told. */
  readonly partners: Map<Row, Map<number, SeatAnswer | null>>;
}

const workOn = (ground: Groundwork, policy: Policy, tests: readonly Test[], pool: readonly Card[]): Work => ({
  ground,
  policy,
  tests,
  pool,
  columns: new Map(),
  partners: new Map(),
});

function columnOf(work: Work, card: Card): Column {
  const known = work.columns.get(card);
  if (known) return known;
  const made = toColumn(card, work.tests);
  work.columns.set(card, made);
  return made;
}

/** The best answer that a card of the wallet gives in one slot; null where none fits it. */
function partnerIn(work: Work, row: Row, slotAt: number): SeatAnswer | null {
  const asked = work.partners.get(row) ?? new Map<number, SeatAnswer | null>();
  work.partners.set(row, asked);
  const known = asked.get(slotAt);
  if (known !== undefined) return known;
  const keyed = work.ground.slots.get(row.body)?.[slotAt];
  let best: SeatAnswer | null = null;
  if (keyed) {
    const { slot, key } = keyed;
    for (const card of work.pool) {
      const fit = rememberedFit(work.ground.fits, key, slot, cardKey(card), card);
      if (!fit.fits) continue;
      const answer = evaluate(row, slot, fit, columnOf(work, card), work.policy);
      if (best?.answer && !isBetter(answer, best.answer)) continue;
      best = { slotId: slot.id, slotName: slot.name, cardId: card.id, cardLabel: card.label, answer };
    }
  }
  asked.set(slotAt, best);
  return best;
}

/** The cell of a body that has no slot. */
const noSlotCell = (row: Row, card: Card): Cell =>
  bareCell(row, null, card.id, 'unfit', [{ rule: 'shape', outcome: 'block', card: card.form, accepts: [] }]);

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
  const fits = slots.map(({ slot, key }) => rememberedFit(work.ground.fits, key, slot, print, card));
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
    const cell = evaluate(row, slot, fits[kind] as PairFit, column, work.policy);
    asked[kind] = cell;
    return cell;
  };
  const partner = (at: number): SeatAnswer | null => partnerIn(work, row, at);
  return overSeats({ row, card, seating, own, partner });
}

/** One card against every row; slots are compared with the card once a body, not once a mode. */
function boardColumn(rows: readonly Row[], work: Work, card: Card): readonly Cell[] {
  const column = columnOf(work, card);
  const print = cardKey(card);
  let body: Body | null = null;
  let met: Meeting | null = null;
  return rows.map((row) => {
    if (row.body !== body) {
      body = row.body;
      met = meet(work, body, card, print);
    }
    if (!met) return noSlotCell(row, card);
    if (met.only === null) return seatedCell(work, row, column, met);
    const { slot } = met.slots[met.only] as KeyedSlot;
    return evaluate(row, slot, met.fits[met.only] as PairFit, column, work.policy);
  });
}

/** A retired card stays in the wallet and leaves the board. */
const inUse = (cards: readonly Card[]): readonly Card[] =>
  cards.some(({ retired }) => retired) ? cards.filter(({ retired }) => !retired) : cards;

/** The whole board from nothing. */
export const board = (kit: BoardKit, policy: Policy): Board => fresh(kit, policy).board;

export interface CellQuestion {
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
  /** The wallet: cards that may sit in the seats this one does not enter. */
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly policy: Policy;
}

/** One cell as the board would show it, for a body, mode or card that may be another than the kit's. */
export function cellFor({ body, mode, card, cards, tests, policy }: CellQuestion): Cell {
  const row = toRow(body, mode);
  const work = workOn(groundwork([row]), policy, tests, inUse(cards));
  return boardColumn([row], work, card)[0] as Cell;
}

/** One card in one slot of a body, by its place, with its share of the stream. */
export function seatFor({ body, mode, card, tests, policy }: Omit<CellQuestion, 'cards'>, slotAt: number): Cell {
  const row = toRow(body, mode);
  const keyed = keyedSlots(body)[slotAt];
  if (!keyed) return noSlotCell(row, card);
  const { slot, key } = keyed;
  return evaluate(row, slot, rememberedFit(new Map(), key, slot, cardKey(card), card), toColumn(card, tests), policy);
}

/** A board with what it was worked out from, kept for the next change. */
interface Kept {
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly work: Work;
  readonly board: Board;
}

function fresh(kit: BoardKit, policy: Policy): Kept {
  const rows = boardRows(kit.bodies);
  return made(kit, policy, rows, groundwork(rows), new Map());
}

/** The columns of all cards in use; those known already are taken as they are. */
function made(
  kit: BoardKit,
  policy: Policy,
  rows: readonly Row[],
  ground: Groundwork,
  known: ReadonlyMap<Card, readonly Cell[]>,
): Kept {
  const cards = inUse(kit.cards);
  const work = workOn(ground, policy, kit.tests, cards);
  const columns = cards.map((card) => known.get(card) ?? boardColumn(rows, work, card));
  return { kit, policy, work, board: { rows, cards, columns } };
}

const columnsByCard = ({ cards, columns }: Board): ReadonlyMap<Card, readonly Cell[]> =>
  new Map(cards.flatMap((card, at) => (columns[at] ? [[card, columns[at]] as const] : [])));

/** Whether every seat that another card filled would be filled the same by the cards as they are now. */
function samePartners({ work }: Kept, cards: readonly Card[]): boolean {
  const now = workOn(work.ground, work.policy, work.tests, inUse(cards));
  for (const [row, asked] of work.partners)
    for (const [slotAt, told] of asked) {
      const next = partnerIn(now, row, slotAt);
      if (next?.cardId !== told?.cardId || next?.cardLabel !== told?.cardLabel) return false;
      if (JSON.stringify(next?.answer) !== JSON.stringify(told?.answer)) return false;
    }
  return true;
}

/**
 * A board that recomputes only the columns whose card changed. Bodies, tests or policy that changed (by identity)
 * start it afresh; so does a card that another card's seats hung on.
 */
export function createBoardKeeper(): (kit: BoardKit, policy: Policy) => Board {
  let last: Kept | null = null;
  return (kit, policy) => {
    const before: Kept | null = last;
    const same =
      before !== null &&
      before.kit.bodies === kit.bodies &&
      before.kit.tests === kit.tests &&
      before.policy.headroom === policy.headroom &&
      samePartners(before, kit.cards);
    const next = same
      ? made(kit, policy, before.board.rows, before.work.ground, columnsByCard(before.board))
      : fresh(kit, policy);
    // What the columns that were kept had asked for stays asked for.
    if (same) for (const [row, asked] of before.work.partners) next.work.partners.set(row, asked);
    last = next;
    return next.board;
  };
}
