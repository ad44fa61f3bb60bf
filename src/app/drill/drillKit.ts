import type { DrillKit } from '../../core/drill/kinds/making.ts';
import type { ViewKit } from '../kit/useKit.ts';
import { policyOf } from '../match/policy.ts';

/** The lists that the drill reads. */
export const DRILL_LISTS = ['bodies', 'cards', 'tests', 'reports', 'drills'] as const;
export type DrillViewKit = ViewKit<(typeof DRILL_LISTS)[number]>;

/** The kit as questions about it are made from. */
export const ownKit = ({
  bodies,
  cards,
  tests,
  reports,
  settings,
}: Omit<DrillViewKit, 'drills' | 'unexported'>): DrillKit => ({
  bodies,
  cards,
  tests,
  reports,
  policy: policyOf(settings),
});
