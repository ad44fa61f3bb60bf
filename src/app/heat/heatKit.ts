import type { ViewKit } from '../kit/useKit.ts';

/** The lists that the heat run reads. */
export const HEAT_LISTS = ['bodies', 'cards', 'tests', 'keptTakes'] as const;
export type HeatKit = ViewKit<(typeof HEAT_LISTS)[number]>;
