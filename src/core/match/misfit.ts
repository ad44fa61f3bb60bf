/** The likely reason why the numbers of a test cannot all be true. */
export type Misfit =
  /** No length at all. */
  | { readonly code: 'no-time' }
  /** Longer than the card has room for at the least that the mode writes. */
  | { readonly code: 'outlasts' }
  /** Sixty times off: hours read as minutes, or minutes as seconds. */
  | { readonly code: 'clock'; readonly too: 'short' | 'long' }
  | { readonly code: 'bits-or-bytes' }
  | { readonly code: 'split'; readonly cards: number }
  | { readonly code: 'ratio'; readonly ratio: number }
  | { readonly code: 'capture-speed' }
  /** Faster than the mode writes: the card was not empty, or the time is too short. */
  | { readonly code: 'not-empty' }
  /** Slower than the mode writes: another mode, a rate that varies, or a time too long. */
  | { readonly code: 'other-rate' };

/** Slips that leave a fill a take of the very mode: what is wrong then is the rate believed, or the card was not empty. */
export const STILL_OF_MODE: ReadonlySet<Misfit['code']> = new Set([
  'ratio',
  'capture-speed',
  'bits-or-bytes',
  'not-empty',
  'other-rate',
]);
