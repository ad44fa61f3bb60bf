import { entryAt } from '../entryAt.ts';
import type { EventKind } from './agenda.ts';
import type { Choices, Tell } from './emptying.ts';
import type { Shortage, ShortReason } from './outcome.ts';
import type { PickBy, Seated } from './pick.ts';
import { INSTANT, type Places } from './places.ts';
import type { DayBlock, DayProblem } from './problem.ts';

/** What a body records: nothing between two blocks; in a block it stands still or rolls. */
export type Recording =
  | { readonly kind: 'between' }
  /** `need`: recorded seconds that the block still wants. */
  | { readonly kind: 'still'; readonly block: number; readonly need: number }
  /** Since `from`, at `pace` recorded seconds a second. */
  | {
      readonly kind: 'rolling';
      readonly block: number;
      readonly need: number;
      readonly from: number;
      readonly pace: number;
    };

/** A card that a body asks for: to record on now, or to lie ready in a relay. */
export interface Wish {
  readonly what: 'unit' | 'next';
  readonly since: number;
  /** How many cards had come free when it left one to another; null where it did not. */
  readonly passedAt: number | null;
}

/** What one body is doing. */
export interface BodyState {
  readonly blocks: readonly number[];
  /** Place of its next block, or of the one it is in, among its blocks. */
  place: number;
  recording: Recording;
  wish: Wish | null;
  /** The cards it records on; null: none. */
  unit: readonly Seated[] | null;
  /** Of a relay: seated, and ready from `readyAt`. */
  next: readonly Seated[] | null;
  readyAt: number;
  /** Since when it stands still in a block for want of a card; null where it does not. */
  gapFrom: number | null;
  /** How many cards were taken in this block. */
  picks: number;
  /** Cards it left to others: it does not take them in this block any more. */
  readonly passed: Set<number>;
  /** Grows when it goes on: what was to happen before is off then. */
  token: number;
}

/** Something that is to happen to a body. */
export interface Due {
  readonly at: number;
  readonly kind: EventKind;
}

/** Nothing is to happen. */
export const NOTHING_DUE: readonly Due[] = [];

/** How decisions fall where nothing else was chosen. */
export interface Tactics {
  readonly pick: PickBy;
  /** Whether a card that is partly used stays in its body for the next block. */
  readonly keep: 'where-it-holds' | 'never';
}

/** What every step of a day's run works on. */
export interface Running {
  readonly problem: DayProblem;
  readonly tactics: Tactics;
  readonly chosen: Choices;
  readonly tell: Tell;
  readonly places: Places;
  readonly shortages: Shortage[];
  /** Cards that are left aside for the whole day. */
  readonly unused: readonly boolean[];
  /** Recorded seconds spent in changes so far. */
  inChanges: number;
}

/** A body at the beginning of the day. */
export const bodyAtRest = (blocks: readonly number[]): BodyState => ({
  blocks,
  place: 0,
  recording: { kind: 'between' },
  wish: null,
  unit: null,
  next: null,
  readyAt: 0,
  gapFrom: null,
  picks: 0,
  passed: new Set(),
  token: 0,
});

/** The block a body is in; null between two. */
export const blockOf = ({ recording }: BodyState): number | null =>
  recording.kind === 'between' ? null : recording.block;

/** Recorded seconds that its block still wants; 0 between two. */
export const needOf = ({ recording }: BodyState): number => (recording.kind === 'between' ? 0 : recording.need);

/** Recorded seconds that a whole block wants. */
export const wantedOf = ({ from, to, rolling }: DayBlock): number => (to - from) * rolling;

/** It stands still in its block, wanting so much. */
export const still = (block: number, need: number): Recording => ({ kind: 'still', block, need });

/** It asks for a card from now on. */
export const wishFor = (what: Wish['what'], since: number): Wish => ({ what, since, passedAt: null });

/** Notes a stretch that is not recorded. */
export function noteShort(
  { problem, shortages }: Running,
  block: number,
  stretch: { readonly from: number; readonly to: number; readonly seconds: number; readonly reason: ShortReason },
): void {
  const { from, to, seconds, reason } = stretch;
  if (seconds <= INSTANT) return;
  const { rate, body } = entryAt(problem.blocks, block);
  shortages.push({ at: from, to, block, seconds, bytes: seconds * rate * entryAt(problem.bodies, body).width, reason });
}
