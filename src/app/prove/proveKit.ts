import type { ViewKit } from '../kit/useKit.ts';

/** The lists that the view of tests reads. */
export const PROVE_LISTS = ['bodies', 'cards', 'tests', 'clearings', 'benches', 'reports'] as const;
export type ProveKit = ViewKit<(typeof PROVE_LISTS)[number]>;
