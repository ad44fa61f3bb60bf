import { lazy, Suspense, useState } from 'react';
import type { PlannedTake } from '../../core/kit/model.ts';
import { plannedText } from '../../text/heat/heatWords.ts';
import css from './PlanCorner.module.css';

const PlanDialog = lazy(() => import('./PlanDialog.tsx'));

/** What the figures of the board are, and for which take its heat marks stand; pressed, the take is changed. */
export function PlanCorner({ plan }: { readonly plan: PlannedTake }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <span>Minutes planned</span>
      <button
        type="button"
        className={css.plan}
        onClick={() => setOpen(true)}
        title="Change the take heat is marked for"
      >
        Heat: {plannedText(plan)}
      </button>
      {open && (
        <Suspense fallback={null}>
          <PlanDialog plan={plan} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
