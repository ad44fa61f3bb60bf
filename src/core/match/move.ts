import type { CardState, TakeKind } from '../kit/model.ts';
import type { Bus } from '../standards/buses.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import type { CardToBuy } from './buyCard.ts';
import type { Tone, Verdict } from './verdict.ts';

/** What a move leads to. */
export interface MoveEffect {
  readonly verdict: Verdict;
  readonly tone: Tone;
  /** Planned minutes; null where the verdict has none. */
  readonly planned: number | null;
}

/** What a cell would read if its slot had this bus. */
export interface IfBus {
  readonly bus: Bus;
  readonly verdict: Verdict;
  readonly tone: Tone;
}

/** Something that would make a cell hold, or hold for less, with what it costs. Best first within its kind. */
export type Move =
  | (MoveEffect & {
      readonly code: 'owned-card' | 'cheaper-card';
      readonly cardId: string;
      readonly price: number | null;
      /** Minutes wanted where the card has fewer, so that it has to be changed; null where it lasts. */
      readonly ofMinutes?: number | null;
      /** What stands against recording on it now: full, or not copied twice; null where nothing does. */
      readonly state?: CardState | null;
    })
  /** A card to buy. */
  | (MoveEffect & { readonly code: 'buy' } & CardToBuy)
  | (MoveEffect & {
      readonly code: 'nearest-mode';
      readonly modeId: string;
      readonly samePicture: boolean;
      /** Whether neither its recorded nor its captured frame rate is another. */
      readonly sameSpeed: boolean;
      readonly rate: BytesPerSecond;
    })
  | (MoveEffect & { readonly code: 'ratio'; readonly ratio: number; readonly from: number })
  /** The slot's bus is not entered; with the best of those it may have it would lead here. */
  | (MoveEffect & { readonly code: 'tell-bus'; readonly slotId: string; readonly answers: readonly IfBus[] })
  /** The label is in doubt until the card is verified. */
  | (MoveEffect & { readonly code: 'verify' })
  /** Nothing promises it, and a claim or a take that was stopped makes it likely: a take until the card is full would show it. */
  | (MoveEffect & { readonly code: 'test-it' })
  | (MoveEffect & { readonly code: 'drop-proxy'; readonly savedMbps: number })
  | (MoveEffect & { readonly code: 'split'; readonly cards: number })
  | (MoveEffect & { readonly code: 'other-school'; readonly take: TakeKind });
