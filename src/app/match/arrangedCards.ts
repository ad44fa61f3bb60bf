import type { Arrangement, Body, Card } from '../../core/kit/model.ts';
import { bodyInModeOf } from '../../core/match/bodyInMode.ts';
import type { Cell } from '../../core/match/cell.ts';
import { pairFit } from '../../core/match/pairFit.ts';
import { cardsAtOnce } from '../../core/match/seats.ts';

export { arrange } from '../../core/match/arrange.ts';

interface ArrangedCardsInput {
  readonly body: Body;
  /** How the body would record. */
  readonly way: Arrangement;
  readonly card: Card;
  readonly second: Card;
  /** The cell as the board has it, for a body that records this way. */
  readonly cell: Cell;
  readonly wallet: readonly Card[];
}

/**
 * The cards of an arrangement that is tried: those that the cell was answered for where nothing was changed, so that both
 * say the same; otherwise the card and as many of the second as there are further seats.
 */
export function arrangedCards({ body, way, card, second, cell, wallet }: ArrangedCardsInput): readonly Card[] {
  const partner = cell.seats?.find(({ cardId }) => cardId !== null && cardId !== card.id)?.cardId ?? card.id;
  if (way === body.arrangement && cell.seats && second.id === partner) {
    const seated = cell.seats.flatMap(({ cardId }) => wallet.find(({ id }) => id === cardId) ?? []);
    if (seated.length === cell.seats.length) return seated;
  }
  // A relay goes on in the slots this card enters; the others stay empty until another card is named.
  const housing = bodyInModeOf({ ...body, arrangement: way }, cell.modeId);
  const entered = housing.slots.filter((slot) => pairFit(slot, card).fits).length;
  const most = cardsAtOnce(housing);
  const count = way === 'relay' && second.id === card.id ? Math.min(most, Math.max(1, entered)) : most;
  return [card, ...Array.from({ length: Math.max(0, count - 1) }, () => second)];
}
