import type { Body, Card } from '../../core/kit/model.ts';
import { type Entering, entering } from '../../core/match/entering.ts';
import type { Row } from '../../core/match/evaluate.ts';

export { isAtHand } from '../../core/cards/atHand.ts';

/** A body on the board: its own cards beside each other, and where its rows stand. */
export interface Section {
  readonly body: Body;
  readonly cards: Entering;
  /** Place of its heading among the entries; its modes follow. */
  readonly from: number;
  readonly count: number;
}

/** What the board's rows are: a heading for each body with its own cards, then its modes. */
export type Entry =
  | { readonly kind: 'body'; readonly section: Section }
  | { readonly kind: 'mode'; readonly section: Section; readonly row: Row; readonly rowAt: number };

/** The rows of a board, body by body. @param only - the one body that is shown; null: all of them */
export function boardEntries(rows: readonly Row[], cards: readonly Card[], only: string | null): readonly Entry[] {
  const entries: Entry[] = [];
  // Bodies with the same slots take the same cards: a fleet of two hundred has few kinds of them.
  const known = new Map<string, Entering>();
  const enteringOf = (body: Body): Entering => {
    const key = JSON.stringify(body.slots.map((slot) => ({ ...slot, id: '', name: '' })));
    const cardsOf = known.get(key) ?? entering(body, cards);
    known.set(key, cardsOf);
    return cardsOf;
  };
  let section: Section | null = null;
  rows.forEach((row, rowAt) => {
    const { body } = row;
    if (only !== null && body.id !== only) return;
    if (section?.body !== body) {
      const count = rows.filter((one) => one.body === body).length;
      section = { body, cards: enteringOf(body), from: entries.length, count };
      entries.push({ kind: 'body', section });
    }
    entries.push({ kind: 'mode', section, row, rowAt });
  });
  return entries;
}
