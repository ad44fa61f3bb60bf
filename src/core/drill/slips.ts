/**
 * How a wrong answer comes about. The pull of each: how often somebody who does not know takes it [A], as a share; what a
 * question is judged by before anybody has answered it.
 */
export const SLIPS = {
  /** Bits taken for bytes, or the other way. */
  'factor-eight': 0.5,
  /** The big number on the front taken for a promise. */
  peak: 0.45,
  /** A mark counted in a slot where it does not count. */
  'not-in-force': 0.42,
  /** What the bus carries taken for what the card writes. */
  bus: 0.36,
  /** A roman numeral taken for a grade, or a grade for a numeral. */
  roman: 0.34,
  /** A label that contradicts itself believed. */
  doubt: 0.33,
  /** A promise that leaves no headroom taken for enough. */
  headroom: 0.32,
  /** What the body refuses taken for allowed. */
  lock: 0.31,
  /** A maker’s claim, or a test, taken for a promise. */
  claim: 0.3,
  /** Slow motion reckoned with the rate it is recorded at. */
  'not-scaled': 0.28,
  /** One card reckoned where both are written. */
  mirrored: 0.27,
  /** Minutes reckoned with the peak of a variable rate. */
  variable: 0.26,
  /** Ten in place of eight. */
  'factor-ten': 0.24,
  /** A computer’s count of the same room taken for a loss. */
  binary: 0.23,
  /** The cap of a counter taken for a reading. */
  cap: 0.22,
  /** The effect taken for the cause. */
  cause: 0.21,
  /** A harmless oddity taken for a contradiction. */
  harmless: 0.2,
  /** Multiplied where it is divided. */
  'wrong-way': 0.19,
  /** The whole time reckoned, and not the part that rolls. */
  rolling: 0.18,
  /** Rounded to the nearest where a part needs a whole card. */
  rounding: 0.16,
  /** Seconds and minutes. */
  minute: 0.14,
  /** A class for apps taken for nothing, or for more than it is. */
  'app-class': 0.13,
  /** Dearer than what holds as well. */
  overpays: 0.12,
  /** A card that does not enter. */
  form: 0.1,
  /** A plain miscalculation. */
  off: 0.05,
} as const satisfies Record<string, number>;

/** A slip by its code. */
export type Slip = keyof typeof SLIPS;
/** Every slip, the most tempting first. */
export const SLIP_KEYS = Object.keys(SLIPS) as readonly Slip[];
/** Whether a text is the code of a slip. */
export const isSlip = (text: string): text is Slip => Object.hasOwn(SLIPS, text);
