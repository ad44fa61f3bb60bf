import type { PrintedLabel, Unread } from '../../cards/readLabel.ts';
import type { Span } from '../../cards/token.ts';
import type { Arrangement, Mode } from '../../kit/model.ts';
import type { Bus } from '../../standards/buses.ts';
import type { Family } from '../../standards/families.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../../units/brand.ts';
import type { SlotSaid } from './place.ts';

/** How a line was read where it could be read otherwise, shown so that the person can object. */
export type Reading = (
  | (Span & {
      readonly code: 'rate';
      readonly value: BytesPerSecond;
      /** The smaller end of a range. */
      readonly low?: BytesPerSecond;
    })
  /** Most that the body writes. */
  | (Span & { readonly code: 'body-limit'; readonly value: BytesPerSecond })
  /** What the card's maker states of its pace. */
  | (Span & { readonly code: 'card-minimum'; readonly value: BytesPerSecond })
  | (Span & { readonly code: 'card-sustained'; readonly value: BytesPerSecond })
  /** The rate is an average: its peak is counted so many times as high. */
  | { readonly code: 'average'; readonly factor: number }
  /** The rate was measured: it holds everything. */
  | { readonly code: 'measured' }
  /** Cameras that record alike, each onto a card of its own. */
  | { readonly code: 'cameras'; readonly count: number }
  | (Span & { readonly code: 'capacity'; readonly value: Bytes })
  | (Span & { readonly code: 'time'; readonly value: Seconds })
  | (Span & { readonly code: 'form-inferred'; readonly form: NonNullable<PrintedLabel['form']> })
  | (Span & { readonly code: 'picture-name-ignored' })
  /** Words that carry nothing, in the order in which they stand. */
  | { readonly code: 'passed-over'; readonly words: readonly string[] }
  /** Two cards, and nothing said of how: one after the other. */
  | { readonly code: 'two-cards' }
  /** More cards than a camera holds: one after the other. */
  | { readonly code: 'more-cards'; readonly count: number }
  /** A speed printed on the card: a peak, which promises nothing. */
  | (Span & { readonly code: 'peak' })
  | (Span & { readonly code: 'bus-by-mark'; readonly bus: Bus })
  /** A card of no size, in a slot that reads one family: it is taken to be of that. */
  | { readonly code: 'size-assumed'; readonly family: Family }
  | { readonly code: 'fps-assumed'; readonly fps: number }
  | { readonly code: 'speeds'; readonly captured: number; readonly recorded: number }
  /** Which of two speeds a stated rate belongs to; `taken` and `other` are what the picture then writes. */
  | {
      readonly code: 'rate-at';
      readonly at: 'recorded' | 'captured';
      readonly fps: number;
      readonly said: boolean;
      readonly taken: BytesPerSecond;
      readonly other: BytesPerSecond;
    }
  /** Bus null: whatever the card speaks. */
  | { readonly code: 'slot-assumed'; readonly bus: Bus | null }
) & {
  /** The whole line with the other reading; missing where there is none to take. */
  readonly change?: string;
};

/** A quick check, read: what is written, onto what, how arranged, for how long. */
export interface Ask {
  readonly mode: Mode;
  /** How the rate was written; null for raw geometry. */
  readonly written: 'bits' | 'bytes' | null;
  /** False where no codec family was named, so that a rate is doubted only if it suits none. */
  readonly codecNamed: boolean;
  /** Null when no card was named. */
  readonly card: PrintedLabel | null;
  /** What was said of the slot; null: it is taken to suit the card. */
  readonly slot: SlotSaid | null;
  /** Most that the body writes; null where nothing was said of it. */
  readonly ceiling: BytesPerSecond | null;
  /** What the card's maker states of its pace; null where nothing was said of it. */
  readonly sustained: BytesPerSecond | null;
  readonly minimum: BytesPerSecond | null;
  /** Cameras that record alike, each onto cards of its own. */
  readonly cameras: number;
  /** Whether gigabytes an hour or a minute were asked for. */
  readonly volume: boolean;
  readonly arrangement: Arrangement;
  readonly time: Seconds | null;
  /** Cards that were counted; one where none was. */
  readonly count: number;
  readonly readings: readonly Reading[];
}

/** What the grammar of a line expects where something was not understood. */
export type AskPlace = 'stream' | 'card' | 'time';

/** A stretch that was not understood, and what is expected there. */
export type AskUnread = Unread & { readonly place: AskPlace };

/** Why a quick check has no answer, with places in the text. */
export type AskRefusal =
  | { readonly code: 'empty' }
  | { readonly code: 'too-long'; readonly length: number; readonly max: number }
  | { readonly code: 'not-understood'; readonly unread: readonly AskUnread[] }
  /** No rate and no raw geometry. `card` is what was read of a card, so that its promise can be told. */
  | {
      readonly code: 'no-rate';
      readonly card: PrintedLabel | null;
      /** The line with its printed speed taken for what the camera writes; null where none is printed. */
      readonly asStream?: string | null;
    }
  | { readonly code: 'raw-incomplete'; readonly missing: readonly ('picture' | 'bits' | 'fps')[] }
  /** Cards to be copied, and nothing said of how much or how fast. */
  | { readonly code: 'copy-incomplete'; readonly missing: 'rate' | 'size' }
  /** A take and one speed, and no speed at which it plays. */
  | { readonly code: 'no-playback-speed'; readonly take: Seconds; readonly captured: number }
  /** Cards that an arrangement cannot share out evenly. */
  | { readonly code: 'uneven'; readonly arrangement: Arrangement; readonly count: number }
  | {
      readonly code: 'twice';
      readonly what: 'rate' | 'capacity' | 'time' | 'picture' | 'mark' | 'speed';
      readonly again: Span;
    }
  | { readonly code: 'rate-out-of-range'; readonly field: string };
