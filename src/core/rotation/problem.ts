import type { CopySource } from '../kit/plan.ts';
import type { Tone, Verdict } from '../match/verdict.ts';

/**
 * A day as numbers: seconds from the plan's start, bytes, bytes a second; bodies, cards and readers by their place. What a
 * card may do in a block is worked out before (seating.ts); here nothing of marks or forms is left.
 */

/** A card in one slot for one block: Match's answer, and for how long it rolls from empty. */
export interface SeatFit {
  readonly seconds: number;
  readonly verdict: Verdict;
  readonly tone: Tone;
}

/** How a body takes cards: one at a time, one after another over several slots, or several at once. */
export type Housing = 'one' | 'relay' | 'set';

/** A body of the day. */
export interface DayBody {
  readonly id: string;
  readonly housing: Housing;
  readonly slots: number;
  /** Cards that record at once. */
  readonly width: number;
  /** Recorded seconds of the block that runs which lie on a card nobody named, none where absent: what goes in first has them. */
  readonly behind?: number;
}

/** A block of the day. */
export interface DayBlock {
  /** Cards that record at once in its mode: as many as its body holds, or one where the mode goes to one slot. */
  readonly width: number;
  readonly id: string;
  readonly body: number;
  readonly from: number;
  readonly to: number;
  /** Share that rolls, above 0 to 1. */
  readonly rolling: number;
  readonly gapFree: boolean;
  /** Average of what each card is written, bytes a recorded second. */
  readonly rate: number;
  /** By card and slot; null where it may not sit. */
  readonly fits: readonly (readonly (SeatFit | null)[])[];
}

/** Where a card is when planning begins. */
export type CardStart =
  | { readonly kind: 'free'; readonly at: number }
  /** Full, with so many bytes to copy; `copies` are made and verified; `left` of its present stage where one runs. */
  | {
      readonly kind: 'waiting';
      readonly at: number;
      readonly bytes: number;
      readonly copies: number;
      readonly left: number | null;
    }
  /** In a body, with this share of it used. */
  | {
      readonly kind: 'in';
      readonly body: number;
      readonly slot: number;
      readonly at: number;
      readonly share: number;
      readonly seconds: number;
      readonly bytes: number;
    };

/** A card of the day. */
export interface DayCard {
  readonly id: string;
  /** Bytes a second; null where nobody has told. */
  readonly read: number | null;
  /** Readers that take its form, by place. */
  readonly readers: readonly number[];
  /** Cards of one kind may stand in for one another: of one print, in one state. */
  readonly kind: string;
  readonly start: CardStart;
}

/** A reader, bytes a second. */
interface DayReader {
  readonly id: string;
  readonly pace: number;
  readonly slots: number;
}

/** A disk, bytes a second and bytes. */
interface DayDestination {
  readonly name: string;
  readonly write: number;
  readonly read: number;
  readonly free: number;
}

/** What the copies of the day have to be. */
export interface DayCopies {
  readonly count: number;
  readonly verify: boolean;
  readonly from: CopySource;
}

/** How cards are changed on the day. */
export interface DayRules {
  readonly swap: number;
  /** Most recorded seconds on one card. */
  readonly most: number | null;
  /** Above 0 to 1. */
  readonly changeAt: number;
}

/** Everything a day is planned from. */
export interface DayProblem {
  /** Nothing is planned before it. */
  readonly now: number;
  readonly bodies: readonly DayBody[];
  /** By start; blocks of one body do not overlap. */
  readonly blocks: readonly DayBlock[];
  readonly cards: readonly DayCard[];
  readonly readers: readonly DayReader[];
  readonly destinations: readonly DayDestination[];
  readonly copies: DayCopies;
  readonly rules: DayRules;
}
