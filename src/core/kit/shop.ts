import type { Bus } from '../standards/buses.ts';
import type { Form } from '../standards/forms.ts';
import type { Arrangement } from './model.ts';

/** What is bought, for what, and cameras that wear a card out, as the kit file writes them. Null means not told. */

/** One line of a price list: a card as its print, and what somebody asks for it. */
export interface Offer {
  readonly id: string;
  readonly name: string;
  readonly form: Form;
  /** As printed. */
  readonly capacityGB: number;
  readonly marks: readonly string[];
  /** Null: read from the marks. */
  readonly bus: Bus | null;
  readonly readMBps: number | null;
  readonly writeMBps: number | null;
  readonly sustainedMBps: number | null;
  /** Minimum sustained write that its maker states in writing, without a mark. */
  readonly minimumMBps?: number | null;
  /** Where that minimum is written. */
  readonly minimumSource?: string | null;
  /** For one card, above 0. */
  readonly price: number;
  /** As entered; nothing is ever converted. */
  readonly currency: string;
  /** Empty where nobody noted it. */
  readonly seller: string;
  /** ISO date on which it was seen; null where not noted. */
  readonly date: string | null;
  readonly note?: string | null;
}

/** Hours of one mode that cards are needed for. Needs are met at the same time. */
export interface Need {
  readonly id: string;
  readonly bodyId: string;
  readonly modeId: string;
  /** Recorded hours. */
  readonly hours: number;
  /** Longest stretch without a change by hand, minutes; null: any. */
  readonly gapFreeMinutes: number | null;
  /** On top of the hours. */
  readonly sparePercent: number;
  /** How the body is to record for it; null: as it does. */
  readonly arrangement?: Arrangement | null;
  /** The day plan it was taken from; null: typed. */
  readonly planId?: string | null;
  /** Kept, and left out of the sets. */
  readonly isOut?: boolean | null;
}

/** Low and high end of a figure. */
export type Span = readonly [low: number, high: number];

/** A maker's statement: so many hours of recording, at this rate. */
export interface RatedHours {
  readonly hours: number;
  /** Rate that the statement is made at, Mb/s. */
  readonly atMbps: Span;
}

/** A camera that never stops: it overwrites its card in a loop until the card is worn out. */
export interface StandingCamera {
  readonly id: string;
  readonly name: string;
  readonly bodyId: string | null;
  readonly modeId: string | null;
  /** The card in it; null where it is not in the wallet. */
  readonly cardId: string | null;
  readonly capacityGB: number;
  /** What it writes, everything together, Mb/s. */
  readonly rateMbps: Span;
  readonly hoursPerDay: number;
  /** As its maker states for continuous recording; null: not stated. */
  readonly rated: RatedHours | null;
  /** Times each cell may be written; null: not known. */
  readonly cycles: Span | null;
  /** Bytes written inside the card for each that the camera writes. */
  readonly writeAmplification: Span;
  /** For one such card; null: not noted. */
  readonly price: number | null;
  /** ISO date on which the card went in; null: not noted. */
  readonly since: string | null;
  readonly note?: string | null;
}
