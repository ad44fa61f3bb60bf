import type { Card, CardState } from '../kit/model.ts';
import type { Plan, PlanPress } from '../kit/plan.ts';

/** A moment as a number: whoever has a clock says how one is read. */
export type TimeOf = (press: PlanPress) => number;

/** The last press of each card, by its time; of two at one moment the later in the log. */
export function lastPresses(log: readonly PlanPress[], timeOf: TimeOf): ReadonlyMap<string, PlanPress> {
  const last = new Map<string, PlanPress>();
  for (const press of log) {
    const before = last.get(press.cardId);
    if (!before || timeOf(press) >= timeOf(before)) last.set(press.cardId, press);
  }
  return last;
}

/** Where a card stands: as its last press says, else as the wallet says; nothing told is free. */
export const stateOf = (card: Card, last: ReadonlyMap<string, PlanPress>): CardState =>
  last.get(card.id)?.to ?? card.state ?? 'free';

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
  /** It was never in a body, or never copied: the presses come in another order. */
  | { readonly code: 'out-of-order'; readonly state: CardState };

/** States in which a card holds what exists nowhere else often enough. */
const HOLDS: ReadonlySet<CardState> = new Set(['in-body', 'full', 'copying', 'copied-once']);

/**
 * Whether a press follows from where a card stands. A card is wiped by being free, and by going into a body: from anything but
 * verified or free that is never a plain press.
 */
export function pressDoubt(
  state: CardState,
  to: CardState,
  { count }: Pick<Plan['copies'], 'count'>,
): PressDoubt | null {
  const wipes = to === 'free' || (to === 'in-body' && state !== 'in-body');
  if (wipes && HOLDS.has(state)) return { code: 'not-safe', state, have: state === 'copied-once' ? 1 : 0, need: count };
  if (wipes || to === state) return null;
  const order: readonly CardState[] = ['free', 'in-body', 'full', 'copying', 'copied-once', 'verified'];
  const [from, goal] = [order.indexOf(state), order.indexOf(to)];
  // A step may be left out; a step back is asked about, and so is a copy of what was never recorded.
  return goal < from || (state === 'free' && goal > 1) ? { code: 'out-of-order', state } : null;
}

/** Presses of two devices together: each once, in the order of their time. */
export function mergedLog(
  own: readonly PlanPress[],
  theirs: readonly PlanPress[],
  timeOf: TimeOf,
): readonly PlanPress[] {
  const keyOf = (press: PlanPress): string => `${timeOf(press)} ${press.cardId} ${press.to}`;
  const known = new Set(own.map(keyOf));
  return [...own, ...theirs.filter((press) => !known.has(keyOf(press)))].sort((a, b) => timeOf(a) - timeOf(b));
}
