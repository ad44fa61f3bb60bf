import { entryAt } from '../entryAt.ts';
import type { Card, CardState } from '../kit/model.ts';
import type { Plan, PlanPress } from '../kit/plan.ts';

/** States from the least safe to the safest: what is nowhere else comes first. */
const BY_SAFETY: readonly CardState[] = ['in-body', 'full', 'copying', 'copied-once', 'verified', 'free'];
const safety = (state: CardState): number => BY_SAFETY.indexOf(state);

/** The less safe of two states: where two records differ, it shows. */
export const lessSafe = (a: CardState, b: CardState): CardState => entryAt(BY_SAFETY, Math.min(safety(a), safety(b)));

/**
 * The last press of each card, by where it stands in the log. A press counts by its place and never by its clock: a clock that
 * runs ahead would outrank everything that is pressed after it.
 */
export function lastPresses(log: readonly PlanPress[]): ReadonlyMap<string, PlanPress> {
  return new Map(log.map((press) => [press.cardId, press]));
}

/**
 * Where a card stands: as its last press says, or as the wallet says, whichever is less safe; nothing told is free. Both are
 * written in one go, so that they differ only where one was changed elsewhere, and nobody knows which came later.
 */
export function stateOf(card: Pick<Card, 'id' | 'state'>, last: ReadonlyMap<string, PlanPress>): CardState {
  const pressed = last.get(card.id)?.to;
  if (pressed === undefined) return card.state ?? 'free';
  return card.state ? lessSafe(pressed, card.state) : pressed;
}

/** What a person does next with a card, in the order of the day. */
const NEXT: Readonly<Record<CardState, CardState>> = {
  free: 'in-body',
  'in-body': 'full',
  full: 'copying',
  copying: 'copied-once',
  'copied-once': 'verified',
  verified: 'free',
};

/** The next state in the order of the day; a single copy goes from copying to verified at once. */
export const nextState = (state: CardState, { count }: Pick<Plan['copies'], 'count'>): CardState =>
  state === 'copying' && count === 1 ? 'verified' : NEXT[state];

/** What stands against a press; null where nothing does. */
export type PressDoubt =
  /** The card holds recordings that have not been copied often enough. */
  | { readonly code: 'not-safe'; readonly state: CardState; readonly have: number; readonly need: number }
  /** Its copies are to be verified, and none of them was ever noted. */
  | { readonly code: 'no-copy'; readonly state: CardState; readonly need: number }
  /** It was never in a body, or never copied: the presses come in another order. */
  | { readonly code: 'out-of-order'; readonly state: CardState };

/** States in which a card holds what exists nowhere else often enough. */
const HOLDS: ReadonlySet<CardState> = new Set(['in-body', 'full', 'copying', 'copied-once']);

/** Whether a card in this state holds what exists nowhere else often enough. */
export const holds = (state: CardState): boolean => HOLDS.has(state);

/** States of a card of which no copy was begun. */
const UNCOPIED: ReadonlySet<CardState> = new Set(['in-body', 'full']);

/**
 * Whether a press follows from where a card stands. A card is wiped by being free, and by going into a body: from anything but
 * verified or free that is never a plain press. Freeing is from evidence: copies that nobody noted are asked about.
 */
export function pressDoubt(
  state: CardState,
  to: CardState,
  { count }: Pick<Plan['copies'], 'count'>,
): PressDoubt | null {
  const wipes = to === 'free' || (to === 'in-body' && state !== 'in-body');
  if (wipes && holds(state)) return { code: 'not-safe', state, have: state === 'copied-once' ? 1 : 0, need: count };
  if (wipes) return null;
  if (to === 'verified' && UNCOPIED.has(state)) return { code: 'no-copy', state, need: count };
  // A step may be left out; a step back is asked about, and so is a copy of what was never recorded: free is the safest.
  return safety(to) < safety(state) ? { code: 'out-of-order', state } : null;
}
