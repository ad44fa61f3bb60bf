/** A card as it was written, row by row: each row's rate stands until the next one. */
export interface WriteTrace {
  /** Ascending, the first at 0. */
  readonly seconds: Float64Array;
  readonly MBps: Float64Array;
  /** Of the card or its case; NaN where a row has none. Null where nothing was noted. */
  readonly celsius: Float64Array | null;
}

export const SEGMENT_KINDS = ['burst', 'sustained', 'throttled', 'decline', 'stall'] as const;
/**
 * A stretch of a trace. `burst`: what the card never came back to. `sustained`: what it held. `throttled`: lower for a while,
 * or from there on. `decline`: it fell steadily. `stall`: it took next to nothing.
 */
export type SegmentKind = (typeof SEGMENT_KINDS)[number];

export interface Segment {
  readonly kind: SegmentKind;
  readonly fromSeconds: number;
  readonly toSeconds: number;
  /** Median of its rates; of a decline and a stall the mean. */
  readonly MBps: number;
  readonly GB: number;
}

export interface Stall {
  readonly atSeconds: number;
  readonly seconds: number;
}

export interface Throttle {
  readonly onsetSeconds: number;
  /** What is left of the rate, 0 to 1. */
  readonly factor: number;
  /** From one fall to the next; null where there was one fall only. */
  readonly periodSeconds: number | null;
  /** Temperatures at which it fell and came back; null where none were noted or it did not. */
  readonly onC: number | null;
  readonly offC: number | null;
}

/** What a trace cannot tell, or what is to be known with it. */
export type TraceNote =
  | { readonly code: 'bench' }
  | { readonly code: 'short'; readonly seconds: number }
  /** No level fell; where it stood still all the same, that is said instead. */
  | { readonly code: 'no-fall'; readonly GB: number }
  | { readonly code: 'stood-still'; readonly count: number; readonly longestSeconds: number }
  /** Rows too far apart to show a stall. */
  | { readonly code: 'coarse'; readonly stepSeconds: number }
  | { readonly code: 'one-fall'; readonly GB: number; readonly seconds: number }
  | { readonly code: 'heat-fall'; readonly celsius: number }
  | { readonly code: 'no-return'; readonly atSeconds: number }
  | { readonly code: 'sawtooth'; readonly withHeat: boolean }
  | { readonly code: 'declines'; readonly atSeconds: number }
  | { readonly code: 'still-falling'; readonly MBps: number }
  | { readonly code: 'gaps'; readonly count: number; readonly seconds: number };

/** A trace taken apart. */
export interface TraceReading {
  readonly rows: number;
  readonly seconds: number;
  readonly GB: number;
  readonly segments: readonly Segment[];
  /** Null where it never fell. */
  readonly burstMBps: number | null;
  /** What a cache must hold to end where the burst did, while the flash drains it: what a heat run is given. */
  readonly cacheGB: number | null;
  readonly sustainedMBps: number;
  /** The lowest mean of any ten seconds, stalls and all. */
  readonly floorMBps: number;
  readonly stalls: readonly Stall[];
  /** Bytes between two stalls and how long one takes, in the middle; null below two. */
  readonly stallEveryGB: number | null;
  readonly stallSeconds: number | null;
  readonly throttle: Throttle | null;
  readonly notes: readonly TraceNote[];
}
