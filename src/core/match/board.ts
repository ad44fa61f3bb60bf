import type { Body, Card, Mode, Test } from '../kit/model.ts';
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
import { evaluate, type Row, toColumn, toRow } from './evaluate.ts';
import { pairFit } from './pairFit.ts';
import type { Policy } from './policy.ts';

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
  const { slot } = keyed;
  return evaluate(row, slot, pairFit(slot, card), toColumn(card, tests), policy);
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
