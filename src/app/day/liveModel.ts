import type { Card, CardState } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { LoadedCard, PlannedDay, PlannedSwap } from '../../core/rotation/plannedDay.ts';
import { holds } from '../../core/rotation/states.ts';
import { gigabytes } from '../../text/day/day.ts';
import type { NewPress } from './dayActions.ts';
import { doubtOf, type LiveCard, liveCards, nextChange, nextSeat } from './live.ts';

/** A card, and the state it was pressed into: to be asked about before it is noted. */
export interface AskedPress {
  readonly live: LiveCard;
  readonly to: CardState;
}

/** What a press comes to: it is noted, it is asked about, or a planned change is made. */
export type LiveStep =
  | { readonly kind: 'note'; readonly press: Omit<NewPress, 'who'> }
  | { readonly kind: 'ask'; readonly asked: AskedPress }
  | {
      readonly kind: 'swap';
      readonly swap: {
        readonly out: string | null;
        readonly in: string;
        readonly bodyId: string;
        readonly slotId: string;
      };
    };

/** The day as it stands at a moment. */
export interface LiveModel {
  /** Seconds of the day. */
  readonly seconds: number;
  readonly cards: readonly LiveCard[];
  /** What is done by hand next; null where nothing is, or the day is not planned yet. */
  readonly swap: PlannedSwap | null;
  /** Seconds until then. */
  readonly left: number | null;
  /** Which card the plan has where now, of bodies of which nothing was pressed: confirmed in one press. */
  readonly loaded: readonly LoadedCard[];
  /** Cards that may go in now by what was noted, and the next that will be free by the plan of the copies. */
  readonly free: { readonly now: readonly string[]; readonly next: PlannedDay['frees'][number] | null };
  /** What is short first from now on. */
  readonly short: PlannedDay['shortages'][number] | null;
  /** Whether the moment lies on another day: then nothing counts down. */
  readonly isOther: boolean;
  /** When a rehearsal would begin, seconds of the day: a minute before the first block. */
  readonly rehearsal: number;
}

/** Before the first and behind the last block of a day, seconds: further away it is another day [A]. */
const BEFORE = 6 * 3600;
const BEHIND = 18 * 3600;
/** A card pressed in is taken to go where the plan has it, if that is so soon, seconds [A]. */
const SOON = 1800;

interface LiveInput {
  readonly plan: Plan;
  readonly cards: readonly Card[];
  readonly day: PlannedDay | null;
  readonly seconds: number;
}

/** What the view of the live day shows. */
export function liveModel({ plan, cards, day, seconds }: LiveInput): LiveModel {
  const swap = day ? nextChange(day, seconds) : null;
  const own = liveCards(plan, cards);
  const last = day?.blocks.reduce((latest, { toSeconds }) => Math.max(latest, toSeconds), 0) ?? 0;
  const isShort = ({ missingMinutes, toSeconds }: PlannedDay['shortages'][number]): boolean =>
    missingMinutes > 0 && toSeconds > seconds;
  return {
    seconds,
    cards: own,
    swap,
    left: swap ? Math.max(0, swap.atSeconds - seconds) : null,
    loaded: day ? loadedNow(day, own) : [],
    free: freeFrom(day, own, seconds),
    short: day?.shortages.find(isShort) ?? null,
    isOther: seconds < -BEFORE || seconds > last + BEHIND,
    rehearsal: (day?.blocks[0]?.fromSeconds ?? 0) - 60,
  };
}

/**
 * What the plan recorded on, and nobody noted, is not free by its word; what is full is free only once all its copies are made, and
 * never by the plan of something that is out of it.
 */
function freeFrom(day: PlannedDay | null, own: readonly LiveCard[], seconds: number): LiveModel['free'] {
  const recorded = new Set([
    ...(day?.recordedAsPlanned ?? []),
    ...(day?.loadedAsPlanned ?? []).map(({ cardId }) => cardId),
  ]);
  const isFree = ({ card, state, isFaulty }: LiveCard): boolean =>
    state === 'free' && !isFaulty && !recorded.has(card.id);
  const held = new Set(own.filter(({ state, isFaulty }) => holds(state) && !isFaulty).map(({ card }) => card.id));
  const later = (day?.frees ?? []).filter(({ cardId, atSeconds }) => held.has(cardId) && atSeconds > seconds);
  return {
    now: day ? own.filter(isFree).map(({ card }) => card.id) : [],
    next: [...later].sort((a, b) => a.atSeconds - b.atSeconds)[0] ?? null,
  };
}

/** Only cards of which nobody noted anything: of any other its press is asked about by itself. */
function loadedNow({ loadedAsPlanned }: PlannedDay, own: readonly LiveCard[]): readonly LoadedCard[] {
  const isOpen = ({ press, state, isFaulty }: LiveCard): boolean => press === null && state === 'free' && !isFaulty;
  const open = new Set(own.filter(isOpen).map(({ card }) => card.id));
  return loadedAsPlanned.filter(({ cardId }) => open.has(cardId));
}

/** Where the plan puts a card about now; further ahead a press may mean anything, and is asked. */
function seatSoon(day: PlannedDay | null, cardId: string, seconds: number): PlannedSwap | null {
  const seat = day ? nextSeat(day, cardId) : null;
  return seat && seat.atSeconds - seconds <= SOON ? seat : null;
}

/** What pressing a card into a state comes to: asked where something stands against it, or where it does not say where. */
export function pressStep({ plan, day, seconds }: LiveInput, live: LiveCard, to: CardState): LiveStep {
  const cardId = live.card.id;
  const seat = to === 'in-body' ? seatSoon(day, cardId, seconds) : null;
  if (doubtOf(live.state, to, plan) || (to === 'in-body' && !seat)) return { kind: 'ask', asked: { live, to } };
  const place = { bodyId: seat?.bodyId ?? null, slotId: seat?.slotId ?? null };
  const proof = to === 'verified' ? { proof: 'word' as const } : {};
  return { kind: 'note', press: { cardId, to, ...place, ...proof } };
}

/**
 * What pressing a planned change comes to: the planned card goes in, unless what is on it is not safe by what was pressed.
 * The plan is no proof of a copy. Null where the card is not of the day.
 */
export function swapStep(input: LiveInput, { inCardId, outCardId, bodyId, slotId }: PlannedSwap): LiveStep | null {
  const live = liveCards(input.plan, input.cards).find(({ card }) => card.id === inCardId);
  if (!live) return null;
  return doubtOf(live.state, 'in-body', input.plan)
    ? { kind: 'ask', asked: { live, to: 'in-body' } }
    : { kind: 'swap', swap: { out: outCardId, in: live.card.id, bodyId, slotId } };
}

/** What is on a card by what was pressed: what is to be copied of it before it can record again. */
export function atStake(day: PlannedDay | null, cardId: string, seconds: number): string {
  const next = day?.sittings.find((one) => one.cardId === cardId && one.fromSeconds > seconds);
  const copy = day?.offloads.find((one) => one.cardId === cardId && one.stage === 'copy');
  if (!copy || (next && copy.fromSeconds > next.fromSeconds)) return 'everything on it';
  return `up to ${gigabytes(copy.GB)}, from the states noted here`;
}
