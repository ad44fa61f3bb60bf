import { entryAt } from '../../core/entryAt.ts';
import type { Body, Card } from '../../core/kit/model.ts';
import { type BoardKit, board } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import { entering } from '../../core/match/entering.ts';
import type { Row } from '../../core/match/evaluate.ts';
import type { Policy } from '../../core/match/policy.ts';
import { remembered } from '../../core/remembered.ts';

/** Cards of one print with the same answers, in one column. */
export interface CrewColumn {
  readonly cards: readonly [Card, ...Card[]];
  /** By the place of the row. */
  readonly cells: readonly Cell[];
}

/** What stands on the page of one body. */
export interface CrewPageModel {
  readonly rows: readonly Row[];
  readonly columns: readonly CrewColumn[];
  /** Cards that fit and found no place on paper. */
  readonly left: number;
}

/** Columns on one page: more is no crew card any more, and the board has them all. */
export const MOST_COLUMNS = 60;

/** What tells cards of one print apart, and no answer hangs on. */
const OWN = ['id', 'label', 'note', 'boughtOn', 'boughtFrom', 'price'] as const;

const printOf = remembered((card: Card): string => {
  const rest: Record<string, unknown> = { ...card };
  for (const key of OWN) delete rest[key];
  return JSON.stringify(rest);
});

/** A cell without its card: two with one text say the same. */
const saying = (cells: readonly Cell[]): string =>
  JSON.stringify(cells.map((cell) => ({ ...cell, cardId: '', seats: cell.seats ?? null })));

/** The page of one body: every mode on every card that meets one of them, cards of one print and one answer together. */
export function crewPage(kit: BoardKit, body: Body, policy: Policy): CrewPageModel {
  const { cards, tests, reports } = kit;
  const made = board({ bodies: [body], cards, tests, ...(reports && { reports }) }, policy);
  const groups = new Map<string, { readonly cards: [Card, ...Card[]]; readonly cells: readonly Cell[] }>();
  const onPaper = new Set<string>();
  let left = 0;
  for (const at of entering(body, made.cards).at) {
    const card = entryAt(made.cards, at);
    const print = printOf(card);
    // Once the page is full only cards of a print that stands on it are looked at closely: the others are counted.
    const isFull = groups.size >= MOST_COLUMNS;
    if (isFull && !onPaper.has(print)) {
      left += 1;
      continue;
    }
    const cells = made.columnAt(at);
    if (cells.every(({ verdict }) => verdict === 'unfit')) continue;
    // A column names cards of the seats beside it: those are shown by the first of its cards alone.
    const key = cells.some(({ seats }) => seats !== null) ? card.id : `${print} ${saying(cells)}`;
    const known = groups.get(key);
    if (known) known.cards.push(card);
    else if (isFull) left += 1;
    else {
      groups.set(key, { cards: [card], cells });
      onPaper.add(print);
    }
  }
  return { rows: made.rows, columns: [...groups.values()], left };
}
