import type { Take } from '../kit/model.ts';
import type { Mark } from '../standards/marks.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import type { Tone, Verdict } from './verdict.ts';

/** What a move leads to. */
export interface Outcome {
  readonly verdict: Verdict;
  readonly tone: Tone;
  /** Planned minutes; null where the verdict has none. */
  readonly planned: number | null;
}

/** Something that would make a cell hold, or hold for less, with what it costs. Best first within its kind. */
export type Move =
  | (Outcome & { readonly code: 'owned-card' | 'cheaper-card'; readonly cardId: string; readonly price: number | null })
  | (Outcome & { readonly code: 'smallest-mark'; readonly mark: Mark })
  | (Outcome & {
      readonly code: 'nearest-mode';
      readonly modeId: string;
      readonly samePicture: boolean;
      readonly rate: BytesPerSecond;
    })
  | (Outcome & { readonly code: 'ratio'; readonly ratio: number; readonly from: number })
  /** The slot's bus is not entered; with the fastest of its form it would lead here. */
  | (Outcome & { readonly code: 'tell-bus'; readonly slotId: string })
  /** The label is in doubt until the card is verified. */
  | (Outcome & { readonly code: 'verify' })
  | (Outcome & { readonly code: 'drop-proxy'; readonly savedMbps: number })
  | (Outcome & { readonly code: 'split'; readonly cards: number })
  | (Outcome & { readonly code: 'other-school'; readonly take: Take });
