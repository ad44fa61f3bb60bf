import { useState } from 'react';
import type { PlannedTake } from '../../core/kit/model.ts';
import { plannedText } from '../../text/heat/heatWords.ts';
import { part } from '../../ui/part.tsx';
import css from './PlanCorner.module.css';

const PlanDialog = part(() => import('./PlanDialog.tsx'));

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
      {open && <PlanDialog plan={plan} onClose={() => setOpen(false)} />}
    </>
  );
}
