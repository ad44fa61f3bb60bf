import type { ViewKit } from '../kit/useKit.ts';

/** The lists that the shoot day reads. */
export const DAY_LISTS = ['bodies', 'cards', 'tests', 'plans'] as const;
export type DayViewKit = ViewKit<(typeof DAY_LISTS)[number]>;
