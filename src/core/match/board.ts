import type { Body, Card, Slot, Test } from '../model/kit.ts';
import {
  type Cell,
  type Column,
  distinctSlots,
  evaluate,
  isBetter,
  type KeyedSlot,
  noSlotCell,
  type Row,
  toColumn,
  toRow,
} from './evaluate.ts';
import { cardKey, type FitMemo, type PairFit, rememberedFit } from './pairFit.ts';
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

function bestCell(row: Row, fits: readonly (readonly [Slot, PairFit])[], column: Column, policy: Policy): Cell {
  let best: Cell | null = null;
  for (const [slot, fit] of fits) {
    // A slot that does not take the card cannot be better than one already judged.
    if (best !== null && !fit.fits) continue;
    const cell = evaluate(row, slot.id, fit, column, policy);
    if (best === null || isBetter(cell, best)) best = cell;
  }
  return best ?? noSlotCell(row, column.card);
}

/** What is worked out once a board: the slots worth asking, by body, and the fits met so far. */
interface Groundwork {
  readonly slots: ReadonlyMap<Body, readonly KeyedSlot[]>;
  readonly fits: FitMemo;
}

const groundwork = (rows: readonly Row[]): Groundwork => ({
  slots: new Map([...new Set(rows.map(({ body }) => body))].map((body) => [body, distinctSlots(body)])),
  fits: new Map(),
});

/** One card against every row; slots are compared with the card once a body, not once a mode. */
function boardColumn(
  rows: readonly Row[],
  { slots, fits }: Groundwork,
  card: Card,
  tests: readonly Test[],
  policy: Policy,
): readonly Cell[] {
  const column = toColumn(card, tests);
  const print = cardKey(card);
  let body: Body | null = null;
  let pairs: readonly (readonly [Slot, PairFit])[] = [];
  return rows.map((row) => {
    if (row.body !== body) {
      body = row.body;
      pairs = (slots.get(body) ?? []).map(
        ({ slot, key }) => [slot, rememberedFit(fits, key, slot, print, card)] as const,
      );
    }
    return bestCell(row, pairs, column, policy);
  });
}

/** A retired card stays in the wallet and leaves the board. */
const inUse = (cards: readonly Card[]): readonly Card[] =>
  cards.some(({ retired }) => retired) ? cards.filter(({ retired }) => !retired) : cards;

/** The whole board from nothing. */
export const board = (kit: BoardKit, policy: Policy): Board => fresh(kit, policy).board;

/** A board with what it was worked out from, kept for the next change. */
interface Kept {
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly ground: Groundwork;
  readonly board: Board;
}

function fresh(kit: BoardKit, policy: Policy): Kept {
  const rows = boardRows(kit.bodies);
  const ground = groundwork(rows);
  return { kit, policy, ground, board: withColumns(rows, ground, kit, policy, new Map()) };
}

/** The columns of all cards in use; those known already are taken as they are. */
function withColumns(
  rows: readonly Row[],
  ground: Groundwork,
  kit: BoardKit,
  policy: Policy,
  known: ReadonlyMap<Card, readonly Cell[]>,
): Board {
  const cards = inUse(kit.cards);
  const columns = cards.map((card) => known.get(card) ?? boardColumn(rows, ground, card, kit.tests, policy));
  return { rows, cards, columns };
}

const columnsByCard = ({ cards, columns }: Board): ReadonlyMap<Card, readonly Cell[]> =>
  new Map(cards.flatMap((card, at) => (columns[at] ? [[card, columns[at]] as const] : [])));

/**
 * A board that recomputes only the columns whose card changed. Bodies, tests or policy that changed (by identity)
 * start it afresh.
 */
export function createBoardKeeper(): (kit: BoardKit, policy: Policy) => Board {
  let last: Kept | null = null;
  return (kit, policy) => {
    const before: Kept | null = last;
    const same =
      before !== null &&
      before.kit.bodies === kit.bodies &&
      before.kit.tests === kit.tests &&
      before.policy.headroom === policy.headroom;
    if (!same) {
      last = fresh(kit, policy);
      return last.board;
    }
    const { ground } = before;
    const board = withColumns(before.board.rows, ground, kit, policy, columnsByCard(before.board));
    last = { kit, policy, ground, board };
    return board;
  };
}
