import type { RateRefusal } from '../bodies/rate/streamRate.ts';
import type { LabelProblem } from '../cards/labelProblems.ts';
import type { BusKnown } from '../cards/printedBus.ts';
import type { Arrangement, Incident, OtherForms, Verification, WhenMissing } from '../kit/model.ts';
import type { Bus } from '../standards/buses.ts';
import type { Family } from '../standards/families.ts';
import type { Form } from '../standards/forms.ts';
import type { Mark, Promising } from '../standards/marks.ts';
import type { BytesPerSecond, PerMille, Seconds } from '../units/brand.ts';
import type { Misfit } from './misfit.ts';
import type { Verdict } from './verdict.ts';

/** pass: holds · note: holds, worth knowing · short: does not hold · block: cannot be · unknown: nothing known. */
export type RuleOutcome = 'pass' | 'note' | 'short' | 'block' | 'unknown';

/** One seat of several that are written, in a word. */
export interface SeatLine {
  readonly slot: string;
  /** Forms the slot takes. */
  readonly takes: readonly Form[];
  /** Null where no card of the wallet enters it. */
  readonly card: string | null;
  readonly verdict: Verdict | null;
  /** True where the card asked about sits there; false where another fills the seat. */
  readonly own: boolean;
}

/** What takes held that prove no whole card. */
export interface Held {
  /** The longest of them. */
  readonly seconds: Seconds;
  /** The shortest of them. */
  readonly least: Seconds;
  /** How many there are. */
  readonly takes: number;
  /** ISO dates of the first and last of them; null where none is dated. */
  readonly from: string | null;
  readonly to: string | null;
}

/** A take that filled the card in the very mode and proves less than its need. */
export interface Filled {
  readonly testId: string;
  readonly seconds: Seconds;
  /** Why its numbers are not those of the rate believed; null where they fall short of its peak alone. */
  readonly misfit: Misfit | null;
}

/** What one rule found, as a code and its numbers. Sentences are made in src/text and nowhere else. */
export type Finding =
  | { readonly rule: 'rate'; readonly outcome: 'unknown'; readonly refusal: RateRefusal }
  | { readonly rule: 'shape'; readonly outcome: 'block'; readonly card: Form; readonly accepts: readonly Form[] }
  | { readonly rule: 'shape'; readonly outcome: 'pass' | 'note'; readonly card: Form; readonly adapter: boolean }
  | { readonly rule: 'protocol'; readonly outcome: 'block'; readonly card: Form; readonly accepts: readonly Form[] }
  | { readonly rule: 'protocol'; readonly outcome: 'pass'; readonly card: Form }
  | {
      readonly rule: 'family';
      readonly outcome: 'block' | 'pass' | 'unknown';
      readonly card: Family | null;
      readonly slot: Family | null;
      /** True where the slot may not read the card, and only the manual knows: nothing in writing counts until it is told. */
      readonly isAsked: boolean;
    }
  | {
      readonly rule: 'label';
      /** short: it contradicts itself and was not verified, so that it promises nothing. */
      readonly outcome: 'note' | 'short';
      readonly problems: readonly LabelProblem[];
      readonly verified: Verification | null;
    }
  /** A fault noted of this very card that nobody has settled: nothing counts on it until somebody does. */
  | { readonly rule: 'fault'; readonly outcome: 'short'; readonly incident: Incident }
  | { readonly rule: 'promised-max'; readonly outcome: 'note'; readonly promisedGB: number; readonly cardGB: number }
  | {
      readonly rule: 'bus';
      readonly outcome: RuleOutcome;
      readonly slot: Bus | null;
      readonly card: Bus | null;
      readonly inForce: Bus | null;
      /** The most there is of it: a need above that cannot be met. */
      readonly ceiling: BytesPerSecond | null;
      /** What every such pair carries of data: above it, up to the ceiling, nothing is known. */
      readonly sure: BytesPerSecond | null;
      readonly known: BusKnown;
      readonly need: BytesPerSecond;
      /** True where the card speaks a faster bus than the slot: the surplus only helps offload. */
      readonly surplus: boolean;
      /** False where the slot's bus is not entered: in force is then the least a slot of its form can do. */
      readonly slotTold: boolean;
      /** True where a one-row adapter holds a faster card at UHS-I. */
      readonly adapter: boolean;
      /** True where what is sure holds the need, not its headroom. */
      readonly thin: boolean;
    }
  | {
      readonly rule: 'body-ceiling';
      /** note: it holds the need, not its headroom. */
      readonly outcome: 'pass' | 'note' | 'short';
      readonly ceiling: BytesPerSecond;
      readonly need: BytesPerSecond;
    }
  | {
      readonly rule: 'requirement';
      readonly outcome: 'pass' | 'note' | 'block';
      readonly anyOf: readonly string[];
      readonly whenMissing: WhenMissing;
      /** The mark of the card that met it; null when none did. */
      readonly metBy: string | null;
      /** The need with headroom, where even the smallest mark asked for promises more than that; null otherwise. */
      readonly beyond: BytesPerSecond | null;
      /** The form of a card on which no mark asked for exists, and what the body is said to do with it; null elsewhere. */
      readonly elsewhere: { readonly form: Form; readonly does: OtherForms | null } | null;
    }
  | { readonly rule: 'requirement'; readonly outcome: 'pass'; readonly anyOf: null }
  | {
      readonly rule: 'guarantee';
      readonly outcome: 'pass' | 'short' | 'unknown';
      readonly mark: Promising | null;
      readonly floor: BytesPerSecond | null;
      /** True where the label promises something that does not count before the card is verified. */
      readonly doubted: boolean;
      /** Printed marks above the one in force that do not count on this bus. */
      readonly notInForce: readonly Mark[];
      readonly inForce: Bus | null;
      readonly need: BytesPerSecond;
    }
  | {
      readonly rule: 'headroom';
      readonly outcome: 'pass' | 'note' | 'short';
      readonly need: BytesPerSecond;
      readonly wanted: BytesPerSecond;
      readonly floor: BytesPerSecond;
      readonly headroom: PerMille;
    }
  | {
      readonly rule: 'makers-minimum';
      /** note: more than the card's own bus carries, so that it is no more than a claim. */
      readonly outcome: 'pass' | 'note' | 'short' | 'unknown';
      readonly stated: BytesPerSecond;
      /** As much of it as counts here; null where none does: on a label in doubt, or on a bus that nothing is known of. */
      readonly floor: BytesPerSecond | null;
      readonly source: string | null;
      readonly need: BytesPerSecond;
    }
  | {
      readonly rule: 'approved';
      /** note: within the approved rate, without headroom · unknown: approved for something else. */
      readonly outcome: 'pass' | 'note' | 'short' | 'unknown';
      readonly upTo: BytesPerSecond | null;
      readonly picture: BytesPerSecond;
      readonly source: string | null;
    }
  | {
      readonly rule: 'seats';
      readonly outcome: 'pass' | 'short' | 'block';
      readonly arrangement: Arrangement;
      readonly seats: readonly SeatLine[];
      /** Slots a split runs over, where this card enters too few of them; null otherwise. */
      readonly width: number | null;
    }
  /** The mode is recorded to these slots alone. */
  | { readonly rule: 'goes-to'; readonly outcome: 'note'; readonly slots: readonly string[] }
  | {
      /** Something of the card that the body's maker advises against. */
      readonly rule: 'advice';
      readonly outcome: 'note';
      /** Words of the label. */
      readonly words: readonly string[];
      /** The size that the card is above; null where it is not the size. */
      readonly overGB: number | null;
      readonly cardGB: number;
      readonly source: string | null;
    }
  | { readonly rule: 'demands-card'; readonly outcome: 'note'; readonly slots: readonly string[] }
  | {
      readonly rule: 'arrangement';
      readonly outcome: 'note';
      readonly arrangement: Exclude<Arrangement, 'single'>;
      /** Cards of this kind one filling takes. */
      readonly cards: number;
    }
  | {
      readonly rule: 'own-tests';
      /** note: held for as long as a take lasted that proves no whole card. */
      readonly outcome: 'pass' | 'note' | 'short' | 'unknown';
      readonly passes: number;
      /** How long it is proven for, where only shorter takes of another mode prove it; null: for the whole card. */
      readonly untilSeconds: Seconds | null;
      readonly dropSeconds: Seconds | null;
      /** True where other tests speak against what counts. */
      readonly contradicts: boolean;
      /** Tests kept in the log whose numbers cannot be true. */
      readonly setAside: number;
      /** The highest rate that full takes proved; null where none did. */
      readonly provenUpTo: BytesPerSecond | null;
      /** The tests it stands on: the passes that count, what was held, or the drops that stand. */
      readonly testIds: readonly string[];
      /** What takes of this mode held without proving the card. */
      readonly held: Held | null;
      /** The longest take that filled the card in this mode, where none proves the mode; null otherwise. */
      readonly filled: Filled | null;
    }
  | {
      /** Tests of other cards of the same print in this body: likely, never proven. */
      readonly rule: 'twin-tests';
      /** note: none of them dropped · short: one did, and that stands. */
      readonly outcome: 'note' | 'short';
      readonly passes: number;
      /** The cards they were made with. */
      readonly cards: readonly string[];
      readonly dropSeconds: Seconds | null;
      readonly testIds: readonly string[];
    }
  | {
      /** Tests that colleagues gave of this body and print: below likely. */
      readonly rule: 'reported';
      readonly outcome: 'note' | 'unknown';
      readonly passes: number;
      readonly drops: number;
      /** Who gave them; empty where nobody is named. */
      readonly from: readonly string[];
      /** ISO date of the newest: of the take where it was given, else of the day it was read in. */
      readonly newest: string;
      /** True where own tests say otherwise. */
      readonly contradicts: boolean;
      readonly reportIds: readonly string[];
    }
  | {
      readonly rule: 'makers-figure';
      readonly outcome: 'pass' | 'short' | 'unknown';
      readonly stated: BytesPerSecond | null;
      readonly derated: BytesPerSecond | null;
      readonly need: BytesPerSecond;
    };
