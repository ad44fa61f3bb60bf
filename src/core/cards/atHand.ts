import type { Card, CardState } from '../kit/model.ts';

/** States in which a card can be recorded on now; the others wait for copies. */
const AT_HAND: ReadonlySet<CardState> = new Set(['free', 'in-body', 'verified']);

/** Whether a card can be recorded on now; one whose state nobody follows can. */
export const isAtHand = ({ state }: Pick<Card, 'state'>): boolean => state == null || AT_HAND.has(state);
