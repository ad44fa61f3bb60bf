import { entryAt } from '../entryAt.ts';
import type { Body, Card, Mode, Report, Test } from '../kit/model.ts';
import { remembered } from '../remembered.ts';
import type { Cell } from './cell.ts';
import {
  boardColumn,
  type Groundwork,
  groundwork,
  keyedSlots,
  noSlotCell,
  partnerIn,
  type Work,
  workOn,
} from './columns.ts';
import { byBody, evaluate, type Row, toColumn, toRow } from './evaluate.ts';
import { pairFit } from './pairFit.ts';
import type { Policy } from './policy.ts';
import { createTwins } from './twins.ts';

/** What a board is made of. Arrays keep the order in which they are shown. */
export interface BoardKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  /** Tests that colleagues gave. */
  readonly reports?: readonly Report[];
}

/** Modes against cards. A column is worked out when it is first asked for. */
export interface Board {
  readonly rows: readonly Row[];
  readonly cards: readonly Card[];
  /** The cells of one card by its place, row by row; worked out when first asked for. Empty past the last card. */
  readonly columnAt: (at: number) => readonly Cell[];
  /** One cell by the places of its card and row; of many rows only those of its body are worked out. Missing past either end. */
  readonly cellAt: (at: number, row: number) => Cell | undefined;
  /** Every column: works out the whole board, which is for a file and a small wallet, not for a view. */
  readonly columns: readonly (readonly Cell[])[];
}

/** Every mode of every body, in order, each with its rate. */
const boardRows = (bodies: readonly Body[]): readonly Row[] =>
  bodies.flatMap((body) => body.modes.map((mode) => toRow(body, mode)));

/** A retired card stays in the wallet and leaves the board. */
const inUse = remembered((cards: readonly Card[]): readonly Card[] =>
  cards.some(({ retired }) => retired) ? cards.filter(({ retired }) => !retired) : cards,
);

/** The whole board from nothing. */
export const board = (kit: BoardKit, policy: Policy): Board => fresh(kit, policy).board;

/** One cell asked for by itself, in its kit. */
export interface CellQuestion {
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
  /** The wallet: cards that may sit in the seats this one does not enter. */
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly reports?: readonly Report[] | undefined;
  readonly policy: Policy;
}

/** One cell as the board would show it, for a body, mode or card that may be another than the kit's. */
export function cellFor({ body, mode, card, cards, policy, ...told }: CellQuestion): Cell {
  const row = toRow(body, mode);
  const work = workOn(groundwork([row]), policy, told, inUse(cards));
  return entryAt(boardColumn([row], work, card), 0);
}

/** The answers of many cards to one mode, each print worked out once. */
export function answersFor({ body, mode, cards, policy, ...told }: Omit<CellQuestion, 'card'>): (card: Card) => Cell {
  const row = toRow(body, mode);
  const work = workOn(groundwork([row]), policy, told, inUse(cards));
  const twins = createTwins([body], work);
  return (card) =>
    entryAt(
      twins(card, (known) => boardColumn([row], work, card, known)),
      0,
    );
}

/** One card in one slot of a body, by its place, with its share of the stream. */
export function seatFor({ body, mode, card, tests, policy }: Omit<CellQuestion, 'cards'>, slotAt: number): Cell {
  const row = toRow(body, mode);
  const keyed = keyedSlots(body)[slotAt];
  if (!keyed || !row.housing.slots.includes(keyed.slot)) return noSlotCell(row, card);
  const { slot } = keyed;
  const own = tests.filter(({ cardId }) => cardId === card.id);
  return evaluate(row, { slot, fit: pairFit(slot, card) }, toColumn(card, byBody(own)), policy);
}

/** Columns worked out so far, by card. */
type Columns = Map<Card, readonly Cell[]>;

/** A board with what it was worked out from, kept for the next change. */
interface Kept {
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly work: Work;
  readonly known: Columns;
  readonly board: Board;
}

function fresh(kit: BoardKit, policy: Policy): Kept {
  const rows = boardRows(kit.bodies);
  return made(kit, policy, { rows, ground: groundwork(rows) }, new Map());
}

/** Most cells kept: a wallet of twenty thousand cards is looked at a few columns at a time. */
const MOST_KEPT = 2_000_000;

/** Rows from which a cell is worked out with its body alone, and not with its whole column. */
const MANY_ROWS = 200;

/** The columns of all cards in use, each when it is asked for; those known already are taken as they are. */
function made(
  kit: BoardKit,
  policy: Policy,
  { rows, ground }: { readonly rows: readonly Row[]; readonly ground: Groundwork },
  known: Columns,
): Kept {
  const cards = inUse(kit.cards);
  const work = workOn(ground, policy, kit, cards);
  const twins = createTwins(kit.bodies, work);
  const columnAt = (at: number): readonly Cell[] => {
    const card = cards[at];
    if (!card) return [];
    const found = known.get(card);
    if (found) return found;
    const column = twins(card, (known) => boardColumn(rows, work, card, known));
    // The oldest go first; they are worked out again when they are looked at again.
    if ((known.size + 1) * rows.length > MOST_KEPT) known.delete(known.keys().next().value as Card);
    known.set(card, column);
    return column;
  };
  /** By card, then by the first row of a body: cells of what is in view, where a whole column is more than anybody looks at. */
  const parts = new Map<Card, Map<number, readonly Cell[]>>();
  let partCells = 0;
  const cellAt = (at: number, row: number): Cell | undefined => {
    const card = cards[at];
    const asked = rows[row];
    if (!card || !asked) return undefined;
    if (rows.length <= MANY_ROWS || known.has(card)) return columnAt(at)[row];
    const isOwn = (place: number): boolean => rows[place]?.body === asked.body;
    let [from, to] = [row, row + 1];
    while (isOwn(from - 1)) from -= 1;
    while (isOwn(to)) to += 1;
    const own = parts.get(card) ?? new Map<number, readonly Cell[]>();
    const cells = own.get(from) ?? boardColumn(rows.slice(from, to), work, card);
    if (!own.has(from)) {
      partCells += cells.length;
      if (partCells > MOST_KEPT) {
        parts.clear();
        partCells = cells.length;
      }
      parts.set(card, own.set(from, cells));
    }
    return cells[row - from];
  };
  const board: Board = {
    rows,
    cards,
    columnAt,
    cellAt,
    get columns() {
      return cards.map((_, at) => columnAt(at));
    },
  };
  return { kit, policy, work, known, board };
}

/** The columns that still stand for cards that are still there. */
const columnsOf = ({ known }: Kept, cards: readonly Card[]): Columns => {
  const here = new Set(cards);
  return new Map([...known].filter(([card]) => here.has(card)));
};

/** Whether every seat that another card filled would be filled the same by the cards as they are now. */
function samePartners({ work }: Kept, cards: readonly Card[]): boolean {
  const now = workOn(work.ground, work.policy, work.told, inUse(cards));
  for (const [row, asked] of work.partners)
    for (const [slotAt, told] of asked) {
      const next = partnerIn(now, row, slotAt);
      if (next?.cardId !== told?.cardId || next?.cardLabel !== told?.cardLabel) return false;
      if (JSON.stringify(next?.answer) !== JSON.stringify(told?.answer)) return false;
    }
  return true;
}

/** Whether every card that was tested is the one it was: others of its print lean on it. */
function sameTested({ kit, work }: Kept, cards: readonly Card[]): boolean {
  if (kit.tests.length === 0) return true;
  const tested = (all: readonly Card[]): readonly Card[] => all.filter(({ id }) => work.testsOf(id).length > 0);
  const [now, then] = [tested(cards), tested(kit.cards)];
  return now.length === then.length && now.every((card, at) => card === then[at]);
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
      before.kit.reports === kit.reports &&
      sameTested(before, kit.cards) &&
      before.policy.headroom === policy.headroom &&
      samePartners(before, kit.cards);
    const next = same
      ? made(kit, policy, { rows: before.board.rows, ground: before.work.ground }, columnsOf(before, kit.cards))
      : fresh(kit, policy);
    // What the columns that were kept had asked for stays asked for.
    if (same) for (const [row, asked] of before.work.partners) next.work.partners.set(row, asked);
    last = next;
    return next.board;
  };
}
