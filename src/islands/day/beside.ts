import type { PlanBlock } from '../../core/kit/plan.ts';

/** What is open beside the lanes. */
export type Beside =
  | { readonly kind: 'block'; readonly block: PlanBlock; readonly isNew: boolean }
  | { readonly kind: 'setup' }
  | null;
