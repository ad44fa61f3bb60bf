import type { Body, Card, Mode } from '../kit/model.ts';
import type { BoardKit } from './board.ts';
import { type CardToBuy, cardOfPrint } from './buyCard.ts';
import type { Move } from './move.ts';
import { withRatio } from './moves.ts';

/** A kit with a move tried on it, and the cell to look at. Only `body` or `card` is changed, so that it can be kept. */
export interface Trial {
  readonly kit: BoardKit;
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
  /** The changed body, or the card to add; null where the move only looks at another cell. */
  readonly changedBody: Body | null;
  readonly addedCard: Card | null;
}

interface Place {
  readonly kit: BoardKit;
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
}

function withBody(place: Place, changed: Body): Trial {
  const bodies = place.kit.bodies.map((body) => (body.id === changed.id ? changed : body));
  return { ...idsOf(place), kit: { ...place.kit, bodies }, changedBody: changed, addedCard: null };
}

const idsOf = ({ body, mode, card }: Place) => ({ bodyId: body.id, modeId: mode.id, cardId: card.id });

const withMode = (place: Place, mode: Mode): Trial =>
  withBody(place, { ...place.body, modes: place.body.modes.map((one) => (one.id === mode.id ? mode : one)) });

/**
 * Tries a move on a kit; null for a move that changes only the policy, or that only a look at the thing itself can make.
 *
 * @param toBuy - id, label and note for a card that the move adds
 */
export function tryMove(
  move: Move,
  place: Place,
  toBuy: (print: CardToBuy) => Pick<Card, 'id' | 'label' | 'note'>,
): Trial | null {
  const looking: Trial = { ...idsOf(place), kit: place.kit, changedBody: null, addedCard: null };
  switch (move.code) {
    case 'owned-card':
    case 'cheaper-card':
      return { ...looking, cardId: move.cardId };
    case 'nearest-mode':
      return { ...looking, modeId: move.modeId };
    case 'ratio':
      return withMode(place, withRatio(place.mode, move.ratio));
    case 'drop-proxy':
      return withMode(place, { ...place.mode, proxyMbps: null });
    case 'split':
      return withBody(place, { ...place.body, arrangement: 'split' });
    case 'buy': {
      const added: Card = { ...cardOfPrint(move), ...toBuy(move), price: null };
      const at = place.kit.cards.findIndex(({ id }) => id === place.card.id);
      const cards = [...place.kit.cards.slice(0, at + 1), added, ...place.kit.cards.slice(at + 1)];
      return { ...looking, cardId: added.id, kit: { ...place.kit, cards }, addedCard: added };
    }
    // Facts only the person has: looked up and entered, never tried.
    case 'tell-bus':
    case 'verify':
    case 'test-it':
    case 'other-school':
      return null;
  }
}
