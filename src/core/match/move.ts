import type { TakeKind } from '../kit/model.ts';
import type { Mark } from '../standards/marks.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import type { Tone, Verdict } from './verdict.ts';

/** What a move leads to. */
export interface MoveEffect {
  readonly verdict: Verdict;
  readonly tone: Tone;
  /** Planned minutes; null where the verdict has none. */
  readonly planned: number | null;
}

/** Something that would make a cell hold, or hold for less, with what it costs. Best first within its kind. */
export type Move =
  | (MoveEffect & {
      readonly code: 'owned-card' | 'cheaper-card';
      readonly cardId: string;
      readonly price: number | null;
    })
  | (MoveEffect & { readonly code: 'smallest-mark'; readonly mark: Mark })
  | (MoveEffect & {
      readonly code: 'nearest-mode';
      readonly modeId: string;
      readonly samePicture: boolean;
      readonly rate: BytesPerSecond;
    })
  | (MoveEffect & { readonly code: 'ratio'; readonly ratio: number; readonly from: number })
  /** The slot's bus is not entered; with the fastest of its form it would lead here. */
  | (MoveEffect & { readonly code: 'tell-bus'; readonly slotId: string })
  /** The label is in doubt until the card is verified. */
  | (MoveEffect & { readonly code: 'verify' })
  | (MoveEffect & { readonly code: 'drop-proxy'; readonly savedMbps: number })
  | (MoveEffect & { readonly code: 'split'; readonly cards: number })
  | (MoveEffect & { readonly code: 'other-school'; readonly take: TakeKind });
