import type { LabelProblem } from '../label/labelProblems.ts';
import type { Arrangement, WhenMissing } from '../model/kit.ts';
import type { RateRefusal } from '../rate/streamRate.ts';
import type { Bus } from '../standards/buses.ts';
import type { Family } from '../standards/families.ts';
import type { Form } from '../standards/forms.ts';
import type { Mark } from '../standards/marks.ts';
import type { BytesPerSecond, PerMille, Seconds } from '../units/brand.ts';

/** pass: holds · note: holds, worth knowing · short: does not hold · block: cannot be · unknown: nothing known. */
export type Outcome = 'pass' | 'note' | 'short' | 'block' | 'unknown';

/** How the bus of a card was learnt: printed on it, read from its marks, or taken to be the slot's. */
export type BusKnown = 'printed' | 'marks' | 'assumed';

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
    }
  | { readonly rule: 'label'; readonly outcome: 'note'; readonly problems: readonly LabelProblem[] }
  | { readonly rule: 'promised-max'; readonly outcome: 'note'; readonly promisedGB: number; readonly cardGB: number }
  | {
      readonly rule: 'bus';
      readonly outcome: Outcome;
      readonly slot: Bus | null;
      readonly card: Bus | null;
      readonly inForce: Bus | null;
      readonly ceiling: BytesPerSecond | null;
      readonly known: BusKnown;
      readonly need: BytesPerSecond;
      /** True where the card speaks a faster bus than the slot: the surplus only helps offload. */
      readonly surplus: boolean;
    }
  | {
      readonly rule: 'body-ceiling';
      readonly outcome: 'pass' | 'short';
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
    }
  | { readonly rule: 'requirement'; readonly outcome: 'pass'; readonly anyOf: null }
  | {
      readonly rule: 'guarantee';
      readonly outcome: 'pass' | 'short' | 'unknown';
      readonly mark: Mark | null;
      readonly floor: BytesPerSecond | null;
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
      readonly outcome: 'pass' | 'short' | 'unknown';
      readonly passes: number;
      readonly dropSeconds: Seconds | null;
      /** True where the newest test speaks against older ones. */
      readonly contradicts: boolean;
    }
  | {
      readonly rule: 'makers-figure';
      readonly outcome: 'pass' | 'short' | 'unknown';
      readonly stated: BytesPerSecond | null;
      readonly derated: BytesPerSecond | null;
      readonly need: BytesPerSecond;
    };

export type Rule = Finding['rule'];
