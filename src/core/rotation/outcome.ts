import type { Tone, Verdict } from '../match/verdict.ts';

/** A day as it runs: seconds from the plan's start, bytes; everything by its place in the problem. */

/** A card recording without a change. */
export interface Roll {
  readonly block: number;
  readonly body: number;
  readonly slot: number;
  readonly card: number;
  readonly from: number;
  readonly to: number;
  /** Recorded seconds: less than `to − from` where only a share rolls. */
  readonly rolled: number;
  readonly bytes: number;
  readonly verdict: Verdict;
  readonly tone: Tone;
}

/** A card in a slot, from put in to taken out. */
export interface Sitting {
  readonly card: number;
  readonly body: number;
  readonly slot: number;
  readonly from: number;
  readonly to: number;
  /** Recorded seconds on it since it was last free. */
  readonly rolled: number;
  readonly bytes: number;
}

/** A press by hand at a slot: what comes out, what goes in. */
export interface Change {
  readonly at: number;
  readonly body: number;
  readonly slot: number;
  readonly out: number | null;
  readonly in: number | null;
  /** The card that had been in this slot before, however long ago; null for the first one. */
  readonly after: number | null;
}

/** One stage of emptying a card. */
export interface Stage {
  readonly kind: 'copy' | 'verify';
  readonly card: number;
  /** Null where the card is no longer needed. */
  readonly reader: number | null;
  readonly destinations: readonly number[];
  /** Copies that exist once it is done. */
  readonly copies: number;
  readonly from: number;
  readonly to: number;
  readonly bytes: number;
  /** What it takes of its reader, and of each destination as a share of its pace. */
  readonly pace: number;
  readonly shares: readonly number[];
}

/** Why something is short. */
export type ShortReason =
  /** Cards would hold it, none is free; the next one is, at `next`, or never again. */
  | { readonly code: 'none-free'; readonly card: number | null; readonly next: number | null }
  /** No card of the day may be used in it. */
  | { readonly code: 'none-holds' }
  /** A gap-free block that is longer than what any card that was free holds. */
  | { readonly code: 'too-long'; readonly seconds: number; readonly card: number }
  /** Copies of a card have nowhere to go. */
  | { readonly code: 'no-room'; readonly card: number }
  /** No reader takes a card. */
  | { readonly code: 'no-reader'; readonly card: number };

/** A stretch that is not recorded. */
export interface Shortage {
  readonly at: number;
  readonly to: number;
  /** Null where a copy is short, not a recording. */
  readonly block: number | null;
  /** Recorded seconds missing. */
  readonly seconds: number;
  readonly bytes: number;
  readonly reason: ShortReason;
}

/** A day from its first press to its last verified copy. */
export interface DayRun {
  readonly rolls: readonly Roll[];
  readonly sittings: readonly Sitting[];
  readonly changes: readonly Change[];
  readonly stages: readonly Stage[];
  readonly frees: readonly { readonly card: number; readonly at: number }[];
  readonly shortages: readonly Shortage[];
  /** Recorded seconds missing, changes not counted. */
  readonly missing: number;
  /** Recorded seconds spent in changes of blocks that all roll. */
  readonly inChanges: number;
  /** Bytes on each destination. */
  readonly onDestination: readonly number[];
  readonly swaps: number;
  /** Decisions as they fell, for whoever looks for better ones. */
  readonly forks: readonly Fork[];
}

/** A decision that could have fallen otherwise. */
export interface Fork {
  readonly key: string;
  readonly at: number;
  readonly options: readonly number[];
  readonly chosen: number;
  /** Whether it leaves a card or a reader aside for the whole day. */
  readonly aside: boolean;
}
