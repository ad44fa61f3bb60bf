import type { Body, Card, Mode, Test } from '../kit/model.ts';
import type { AlsoUsed } from '../kit/plan.ts';
import { answersFor, seatFor } from '../match/board.ts';
import { type Cell, cellTone } from '../match/cell.ts';
import { byCard } from '../match/columns.ts';
import type { Policy } from '../match/policy.ts';
import { namedCards, printOf } from '../match/print.ts';
import { rollTime } from '../match/rollTime.ts';
import { cardsAtOnce } from '../match/seats.ts';
import { TONES_USED, type Tone } from '../match/verdict.ts';
import type { Housing, SeatFit } from './problem.ts';

/** The kit as a day reads it. */
export interface DayKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

/** Which tones are used: those the policy calls right, and what the person allowed beside them. */
export function tonesUsed({ take }: Policy, also: AlsoUsed | null): ReadonlySet<Tone> {
  const own: Tone[] = [...TONES_USED[take]];
  if (also === 'warm') own.push('warm');
  if (also === 'hot') own.push('warm', 'hot');
  return new Set(own);
}

/** How a body takes cards on the day. */
export function housingOf(body: Body): { readonly housing: Housing; readonly width: number } {
  const width = cardsAtOnce(body);
  if (body.arrangement === 'relay' && body.slots.length > 1) return { housing: 'relay', width: 1 };
  if (body.arrangement === 'single' || width === 1) return { housing: 'one', width: 1 };
  return { housing: 'set', width };
}

/** Match's answers for one mode, by card and slot. */
export type Seats = (card: Card) => readonly (SeatFit | null)[];

/**
 * Where each card may sit for a mode, as Match answers it, every print asked once. A body that relays takes a card into
 * any slot that it enters, with the answer of the board, which is its worst seat's; one that writes several at once asks each
 * slot by itself.
 */
export function seatsFor(
  { body, mode }: { readonly body: Body; readonly mode: Mode },
  kit: DayKit,
  policy: Policy,
  also: AlsoUsed | null,
): Seats {
  const used = tonesUsed(policy, also);
  const testsOf = byCard(kit.tests);
  const named = namedCards([body]);
  const { housing } = housingOf(body);
  const boardAnswer = housing === 'relay' ? answersFor({ body, mode, ...kit, policy }) : null;
  const known = new Map<string, readonly (SeatFit | null)[]>();
  const fitOf = (cell: Cell): SeatFit | null => {
    // A fault that nobody settled is no matter of how much is risked: such a card is out of the day.
    if (cell.findings.some(({ rule }) => rule === 'fault')) return null;
    const tone = cellTone(cell, policy.take);
    const seconds = rollTime(cell);
    return used.has(tone) && seconds > 0 ? { seconds, verdict: cell.verdict, tone } : null;
  };
  const ask = (card: Card): readonly (SeatFit | null)[] => {
    const tests = testsOf(card.id);
    const whole = boardAnswer ? fitOf(boardAnswer(card)) : null;
    if (boardAnswer && whole === null) return body.slots.map(() => null);
    return body.slots.map((_, slot) => {
      const cell = seatFor({ body, mode, card, tests, policy }, slot);
      if (cell.verdict === 'unfit') return null;
      return whole ?? fitOf(cell);
    });
  };
  return (card) => {
    const alone = named.has(card.id) || testsOf(card.id).length > 0;
    const key = alone ? `card ${card.id}` : printOf(card);
    const found = known.get(key) ?? ask(card);
    known.set(key, found);
    return found;
  };
}
