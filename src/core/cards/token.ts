import type { Codec } from '../kit/model.ts';
import type { Bus } from '../standards/buses.ts';
import type { Family } from '../standards/families.ts';
import type { Form } from '../standards/forms.ts';
import type { AppClass, Mark } from '../standards/marks.ts';
import type { AmountRefusal } from '../units/amount.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../units/brand.ts';

/** Where a token stands in the typed text: start inclusive, end exclusive. */
export interface Span {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/**
 * A word that changes what is asked, wherever it stands. On a label none of them means anything. `filler`: one that only
 * goes before another.
 */
export type Saying =
  | 'average'
  | 'constant'
  | 'measured'
  | 'minimum'
  | 'sustained'
  | 'limit'
  | 'as-captured'
  | 'as-recorded'
  | 'slow'
  | 'adapter'
  | 'each'
  | 'per-camera'
  | 'or'
  | 'per-hour'
  | 'per-minute'
  | 'copy'
  | 'about'
  | 'at-least'
  | 'only'
  | 'proxy'
  | 'port'
  | 'body'
  | 'takes'
  | 'at-once'
  | 'filler';

/** What a stretch of a label or a quick check says. */
export type Said =
  | {
      readonly kind: 'rate';
      readonly value: BytesPerSecond;
      readonly written: 'bits' | 'bytes';
      readonly loose: boolean;
      /** Small print of a card (R300): never what a camera writes. */
      readonly printed?: true;
      /** Which of its two speeds, where the print says so. */
      readonly side?: 'read' | 'write';
      /** The smaller end, where a range was written; the value is its larger end. */
      readonly low?: BytesPerSecond;
      /** The line with the other reading of a number that may be a thousandth: `1,600`. */
      readonly other?: string;
    }
  | { readonly kind: 'capacity'; readonly value: Bytes; readonly loose: boolean }
  | {
      readonly kind: 'time';
      readonly value: Seconds;
      readonly loose: boolean;
      /** Minutes and seconds, where `1:30` was written and read as hours and minutes; null otherwise. */
      readonly clock: Seconds | null;
    }
  | { readonly kind: 'picture'; readonly width: number; readonly height: number }
  | { readonly kind: 'picture-name'; readonly couldBe: readonly string[] }
  | { readonly kind: 'bits'; readonly value: number }
  | { readonly kind: 'ratio'; readonly value: number }
  | { readonly kind: 'fps'; readonly value: number }
  | { readonly kind: 'times'; readonly value: number }
  /** How many cards. */
  | { readonly kind: 'count'; readonly value: number }
  /** How many cameras record alike, each onto a card of its own. */
  | { readonly kind: 'cameras'; readonly value: number }
  /** Multiplies the rate behind it. */
  | { readonly kind: 'repeat'; readonly value: number }
  /** How many pictures. */
  | { readonly kind: 'pictures'; readonly value: number }
  /** How large one picture is. */
  | { readonly kind: 'picture-size'; readonly value: Bytes }
  | { readonly kind: 'say'; readonly say: Saying }
  | { readonly kind: 'form'; readonly form: Form }
  | { readonly kind: 'family'; readonly family: Family; readonly micro: boolean }
  | { readonly kind: 'bus'; readonly bus: Bus; readonly arabic: boolean }
  | { readonly kind: 'version'; readonly text: string }
  | { readonly kind: 'mark'; readonly mark: Mark }
  | { readonly kind: 'app'; readonly app: AppClass }
  | { readonly kind: 'codec'; readonly codec: Codec }
  | { readonly kind: 'arrangement'; readonly arrangement: 'mirrored' | 'relay' | 'split' | 'single' }
  | {
      readonly kind: 'word';
      readonly word:
        | 'on'
        | 'for'
        | 'at'
        | 'in'
        | 'captured'
        | 'recorded'
        | 'plays'
        | 'slot'
        | 'card'
        | 'pause'
        | 'filler';
    }
  | { readonly kind: 'unread'; readonly problem: UnreadProblem };

/** Why a stretch was not understood, with what it could have been. */
export type UnreadProblem =
  | { readonly code: 'unknown'; readonly couldBe: readonly string[] }
  /** Understood, and means one of several things. */
  | { readonly code: 'which'; readonly couldBe: readonly string[] }
  /** Whether a card is needed: it may ask if that one is enough, or what is. */
  | { readonly code: 'needed'; readonly couldBe: readonly string[] }
  /** One thing, where several cameras write: its own for each, or one for all. */
  | { readonly code: 'shared'; readonly couldBe: readonly string[] }
  /** Asks the other way round: too much, too fast. */
  | { readonly code: 'turns'; readonly couldBe: readonly string[] }
  /** A card that holds something already: how much is free nobody said. */
  | { readonly code: 'used'; readonly couldBe: readonly string[] }
  /** A length of time that is none: for a day, for hours. */
  | { readonly code: 'no-length'; readonly couldBe: readonly string[] }
  /** How warm it is: what heat does depends on the body, which no line knows. */
  | { readonly code: 'heat'; readonly couldBe: readonly string[] }
  /** A rate of which only the lower end was said. */
  | { readonly code: 'no-top'; readonly couldBe: readonly string[] }
  /** A number of cards, where several cameras write: all of them together, or each. */
  | { readonly code: 'among'; readonly couldBe: readonly string[] }
  | { readonly code: 'no-unit'; readonly couldBe: readonly string[] }
  | { readonly code: 'bits-or-bytes'; readonly couldBe: readonly string[] }
  /** A number that may be a thousand times what it may also be. */
  | { readonly code: 'open-number'; readonly couldBe: readonly string[] }
  | { readonly code: 'no-such-mark'; readonly couldBe: readonly string[] }
  /** UHS-3: the grade U3 or the bus UHS-III. */
  | { readonly code: 'grade-or-bus'; readonly couldBe: readonly string[] }
  | {
      readonly code: 'amount';
      readonly field: 'rate' | 'capacity' | 'time' | 'number';
      readonly refusal: AmountRefusal;
    };

/** One thing a typed line says, with its place: start and end in UTF-16 units, end exclusive. */
export type Token = Span & Said;
