import type { Body, Card, Slot, Test } from '../model/kit.ts';
import {
  type Cell,
  type Column,
  distinctSlots,
  evaluate,
  isBetter,
  noSlotCell,
  type Row,
  toColumn,
  toRow,
} from './evaluate.ts';
import { type PairFit, pairFit } from './pairFit.ts';
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

/** The slots worth asking, by body; worked out once a board. */
type SlotsByBody = ReadonlyMap<Body, readonly Slot[]>;

const slotsByBody = (rows: readonly Row[]): SlotsByBody =>
  new Map([...new Set(rows.map(({ body }) => body))].map((body) => [body, distinctSlots(body)]));

/** One card against every row; slots are compared with the card once a body, not once a mode. */
function boardColumn(
  rows: readonly Row[],
  slots: SlotsByBody,
  card: Card,
  tests: readonly Test[],
  policy: Policy,
): readonly Cell[] {
  const column = toColumn(card, tests);
  let body: Body | null = null;
  let fits: readonly (readonly [Slot, PairFit])[] = [];
  return rows.map((row) => {
    if (row.body !== body) {
      body = row.body;
      fits = (slots.get(body) ?? []).map((slot) => [slot, pairFit(slot, card)] as const);
    }
    return bestCell(row, fits, column, policy);
  });
}

/** A retired card stays in the wallet and leaves the board. */
const inUse = (cards: readonly Card[]): readonly Card[] =>
  cards.some(({ retired }) => retired) ? cards.filter(({ retired }) => !retired) : cards;

/** The whole board from nothing. */
export function board(kit: BoardKit, policy: Policy): Board {
  const cards = inUse(kit.cards);
  const rows = boardRows(kit.bodies);
  const slots = slotsByBody(rows);
  const columns = cards.map((card) => boardColumn(rows, slots, card, kit.tests, policy));
  return { rows, cards, columns };
}

/**
 * A board that recomputes only the columns whose card changed. Bodies, tests or policy that changed (by identity)
 * start it afresh.
 */
export function createBoardKeeper(): (kit: BoardKit, policy: Policy) => Board {
  let last: { readonly kit: BoardKit; readonly policy: Policy; readonly board: Board } | null = null;
  return (kit, policy) => {
    const before = last;
    const same =
      before !== null &&
      before.kit.bodies === kit.bodies &&
      before.kit.tests === kit.tests &&
      before.policy.headroom === policy.headroom;
    if (!same) {
      last = { kit, policy, board: board(kit, policy) };
      return last.board;
    }
    const known = new Map(before.board.cards.map((card, index) => [card, before.board.columns[index]]));
    const { rows } = before.board;
    const slots = slotsByBody(rows);
    const cards = inUse(kit.cards);
    const columns = cards.map((card) => known.get(card) ?? boardColumn(rows, slots, card, kit.tests, policy));
    last = { kit, policy, board: { rows, cards, columns } };
    return last.board;
  };
}
