import type { ViewKit } from '../kit/useKit.ts';

/** The lists that the shop reads. */
export const SHOP_LISTS = [
  'bodies',
  'cards',
  'tests',
  'reports',
  'benches',
  'plans',
  'prices',
  'needs',
  'standing',
] as const;
export type ShopViewKit = ViewKit<(typeof SHOP_LISTS)[number]>;
