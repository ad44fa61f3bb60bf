import { isAtHand } from '../cards/atHand.ts';
import type { Card, CardState } from '../kit/model.ts';
import { usable } from '../match/minutes/minutes.ts';
import type { CardStart, DayBlock, DayProblem } from './problem.ts';
import { holds } from './states.ts';

/** A press on the day, with everything by its place; null where it names none of the day. */
export interface Press {
  readonly at: number;
  readonly card: number;
  readonly to: CardState;
  readonly body: number | null;
  readonly slot: number | null;
}

/** What was written into a card between two moments, by the plan of its body. */
interface Written {
  readonly seconds: number;
  readonly bytes: number;
  /** Share of the card that is used. */
  readonly share: number;
}

/** What a body was to record between two moments, on one of its cards. */
function writtenBetween(
  blocks: readonly DayBlock[],
  { body, card }: { readonly body: number; readonly card: number },
  from: number,
  to: number,
): Written {
  let seconds = 0;
  let bytes = 0;
  let share = 0;
  for (const block of blocks) {
    if (block.body !== body) continue;
    const rolled = Math.max(0, Math.min(to, block.to) - Math.max(from, block.from)) * block.rolling;
    if (rolled === 0) continue;
    const fit = block.fits[card]?.find((one) => one !== null);
    seconds += rolled;
    bytes += rolled * block.rate;
    // A card that may not be used here may sit here all the same: then it counts as used up.
    share += fit ? rolled / fit.seconds : 1;
  }
  return { seconds, bytes, share: Math.min(1, share) };
}

/** What is asked: a card, its presses in order, and the moment. */
export interface StandingInput {
  readonly at: number;
  readonly card: Card;
  readonly presses: readonly Press[];
  readonly now: number;
  readonly problem: Pick<DayProblem, 'blocks' | 'readers' | 'destinations' | 'copies' | 'cards'>;
}

/**
 * Where a card stood before the day, seen from its first press: what was put in, filled or freed first had been free, what was
 * copied first had come full. Without a press the kit tells.
 */
export function standingBefore({ card, presses }: Pick<StandingInput, 'card' | 'presses'>): CardStart {
  const [first] = presses;
  const cameFull = first ? !['in-body', 'full', 'free'].includes(first.to) : !isAtHand(card);
  if (!cameFull) return { kind: 'free', at: 0 };
  const copies = !first && card.state === 'copied-once' ? 1 : 0;
  return { kind: 'waiting', at: 0, bytes: usable(card).bytes, copies, left: null };
}

/** Seconds that a copy of so many bytes takes, as the day plans it: its slowest part decides. */
function copySeconds(bytes: number, card: number, problem: StandingInput['problem']): number {
  const { readers, destinations, copies, cards } = problem;
  const one = cards[card];
  const paces = (one?.readers ?? []).map((at) => readers[at]?.pace ?? 0);
  const writes = destinations.slice(0, copies.from === 'card' ? copies.count : 1).map(({ write }) => write);
  const pace = Math.min(Math.max(0, ...paces), one?.read ?? Number.POSITIVE_INFINITY, ...writes);
  return pace > 0 ? bytes / pace : 0;
}

/**
 * Where a card stands at a moment: as its last press says, else as the kit says. What a card holds is reckoned from the blocks
 * between its presses; where nothing tells, it is taken as full.
 */
export function standingOf({ at, card, presses, now, problem }: StandingInput): CardStart {
  const whole = usable(card).bytes;
  const last = presses.at(-1);
  if (!last) return standingBefore({ card, presses });
  // Freed by what was pressed, and holding something by the wallet: the less safe counts.
  if (!holds(last.to) && card.state && holds(card.state))
    return { kind: 'waiting', at: last.at, bytes: whole, copies: card.state === 'copied-once' ? 1 : 0, left: null };
  const wentIn = presses.findLast(({ to }) => to === 'in-body');
  const wasFull = presses.findLast(({ to, at: when }) => to === 'full' && when >= (wentIn?.at ?? 0));
  const until = wasFull?.at ?? last.at;
  const held =
    wentIn && wentIn.body !== null
      ? writtenBetween(problem.blocks, { body: wentIn.body, card: at }, wentIn.at, until).bytes
      : whole;
  const bytes = held > 0 ? Math.min(whole, held) : whole;
  switch (last.to) {
    case 'free':
    case 'verified':
      return { kind: 'free', at: 0 };
    case 'in-body': {
      if (last.body === null) return { kind: 'waiting', at: now, bytes: whole, copies: 0, left: null };
      const written = writtenBetween(problem.blocks, { body: last.body, card: at }, last.at, now);
      return { kind: 'in', body: last.body, slot: last.slot ?? 0, at: last.at, ...written };
    }
    case 'full':
      return { kind: 'waiting', at: last.at, bytes, copies: 0, left: null };
    case 'copying':
      return {
        kind: 'waiting',
        at: last.at,
        bytes,
        copies: 0,
        left: Math.max(0, copySeconds(bytes, at, problem) - (now - last.at)),
      };
    case 'copied-once':
      return { kind: 'waiting', at: last.at, bytes, copies: 1, left: null };
  }
}

/** Cards that a later press pushed out of their slot: they came out then, whatever was pressed for them. */
export function pushedOut(presses: readonly Press[]): readonly Press[] {
  const inSlot = new Map<string, Press>();
  const where = new Map<number, string>();
  const out: Press[] = [];
  for (const press of presses) {
    const before = where.get(press.card);
    if (before !== undefined) {
      inSlot.delete(before);
      where.delete(press.card);
    }
    if (press.to !== 'in-body' || press.body === null) continue;
    const place = `${press.body} ${press.slot ?? 0}`;
    const sitting = inSlot.get(place);
    if (sitting) {
      where.delete(sitting.card);
      out.push({ ...sitting, at: press.at, to: 'full', body: null, slot: null });
    }
    inSlot.set(place, press);
    where.set(press.card, place);
  }
  return out;
}

/** What is asked of a running block: `presses` in order, those that push another card out included; `swap` seconds of a change. */
interface Unnamed {
  readonly blocks: readonly Pick<DayBlock, 'body' | 'from' | 'to' | 'rolling'>[];
  readonly presses: readonly Press[];
  readonly now: number;
  readonly swap: number;
  /** The body in which the plan has a card at a moment; null where it has it in none, or nothing is known of a plan. */
  readonly plannedIn: (card: number, at: number) => number | null;
}

/**
 * Recorded seconds of a body's running block of which nobody said on which card they are: since the last one came out, else since
 * the block began. A body records, whether somebody presses or not: what is in it fills up from then on.
 */
export function recordedUnnamed(body: number, { blocks, presses, now, swap, plannedIn }: Unnamed): number {
  const running = blocks.find((block) => block.body === body && block.from < now && block.to > now);
  if (!running) return 0;
  const where = new Map<number, number | null>();
  let since = running.from;
  for (const { card, to, body: into, at } of presses) {
    // What comes out of a body and was never pressed in was there as planned.
    const before = where.has(card) ? where.get(card) : plannedIn(card, at);
    const next = to === 'in-body' ? into : null;
    if (before === body && next !== body) since = Math.max(since, at);
    where.set(card, next);
  }
  // The change that a plan makes now was made then.
  return (now - since + swap) * running.rolling;
}
