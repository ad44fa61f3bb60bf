import type { Draft } from '../../app/kit/draft.ts';
import type { Need, Offer, StandingCamera } from '../../core/kit/shop.ts';

/** What is being changed at the left; null: the lists. */
export type Beside =
  | { readonly kind: 'need'; readonly need: Draft<Need>; readonly isNew: boolean }
  | { readonly kind: 'offer'; readonly offer: Draft<Offer>; readonly isNew: boolean }
  | { readonly kind: 'standing'; readonly camera: Draft<StandingCamera>; readonly isNew: boolean }
  | null;
