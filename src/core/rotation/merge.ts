import type { Card, CardState } from '../kit/model.ts';
import type { PlanPress } from '../kit/plan.ts';
import { lastPresses, lessSafe } from './states.ts';

/** A press of another device, with the presses of that card which that device knew before it. */
export interface ToldPress {
  readonly press: PlanPress;
  /** Keys by `keyOf`, in any order; those that did not fit into a code are missing. */
  readonly after: readonly string[];
}

/** What names a press on every device that knows it. */
export type KeyOf = (press: PlanPress) => string;

/** How a press of another device stands to what was pressed for its card here. */
type Order =
  /** It is here already. */
  | 'known'
  /** Nothing was pressed for the card here. */
  | 'first'
  /** That device knew all that was pressed here: its press came after it. */
  | 'later'
  /** Neither knew of the other: nobody can tell which came later, and no clock can. */
  | 'unknown';

function orderOf({ press, after }: ToldPress, own: readonly PlanPress[], keyOf: KeyOf): Order {
  const mine = own.filter(({ cardId }) => cardId === press.cardId).map(keyOf);
  if (mine.includes(keyOf(press))) return 'known';
  if (mine.length === 0) return 'first';
  return mine.every((key) => after.includes(key)) ? 'later' : 'unknown';
}

/** What taking over one press comes to. */
export interface Taken {
  readonly told: ToldPress;
  readonly order: Order;
  /** Where the card stood by the presses here; null where there was none. */
  readonly from: CardState | null;
  /** Where it stands after it. */
  readonly to: CardState;
}

/** The presses of two devices together. */
export interface Merged {
  readonly log: readonly PlanPress[];
  /** One for each press that was told, in their order. */
  readonly taken: readonly Taken[];
}

/**
 * Takes over what another device pressed. A press counts by where it stands in the log: theirs goes behind ours where that
 * device knew ours. Where neither knew of the other the less safe state stands last, whatever the clocks say, unless a person
 * says that theirs came later: a card that is full here, and verified on a device that never heard of it, stays full.
 *
 * @param vouched - whether a person said so
 */
export function mergedLog(
  own: readonly PlanPress[],
  theirs: readonly ToldPress[],
  { keyOf, vouched }: { readonly keyOf: KeyOf; readonly vouched: boolean },
): Merged {
  const last = lastPresses(own);
  const log = [...own];
  const taken = theirs.map((told): Taken => {
    const order = orderOf(told, own, keyOf);
    const { cardId, to } = told.press;
    const from = last.get(cardId)?.to ?? null;
    if (order === 'known') return { told, order, from, to: from ?? to };
    const comesLast = order !== 'unknown' || vouched || from === null || (from !== to && lessSafe(from, to) === to);
    if (comesLast) log.push(told.press);
    else
      log.splice(
        log.findLastIndex((press) => press.cardId === cardId),
        0,
        told.press,
      );
    return { told, order, from, to: comesLast ? to : (from ?? to) };
  });
  return { log, taken };
}

/**
 * What the wallet says of a card after a press was taken over: it follows where it agreed with the log, or where a person says
 * of this very card that theirs came later; else it keeps the less safe of both.
 */
export function walletAfter(wallet: CardState | null, { from, to, told }: Taken, isVouched: boolean): CardState {
  if (isVouched) return told.press.to;
  return wallet === null || wallet === from ? to : lessSafe(wallet, to);
}

/** Where a card stands after a press was taken over, by log and wallet. */
export function shownAfter({ state }: Pick<Card, 'state'>, taken: Taken, isVouched: boolean): CardState {
  const { order, from, told } = taken;
  const there = told.press.to;
  // Without a person's word theirs stands last where its order is known, or where it is the less safe.
  const to = order !== 'unknown' || isVouched || from === null ? there : lessSafe(from, there);
  return lessSafe(to, walletAfter(state ?? null, { ...taken, to }, isVouched));
}
