import { useState } from 'react';
import { planBoard } from '../../app/heat/plannedTake.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { goToInvalid } from '../../ui/LineField.tsx';
import { PlanFields } from '../../ui/PlanFields.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './PlanDialog.module.css';

interface PlanDialogProps {
  readonly plan: PlannedTake;
  readonly onClose: () => void;
}

/** The take, and the air, that the board marks heat for. */
export default function PlanDialog({ plan, onClose }: PlanDialogProps) {
  const [draft, setDraft] = useState(plan);
  const make = useChange();
  const change = (part: Partial<PlannedTake>): void => setDraft({ ...draft, ...part });
  return (
    <Dialog opened onClose={onClose} title="Mark heat for this take">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (goToInvalid(event.currentTarget)) return;
          void make(() => planBoard(draft)).then((kept) => kept && onClose());
        }}
      >
        <PlanFields plan={draft} onChange={change} />
        <p className={css.actions}>
          <button type="submit" className="ink-button" data-strong>
            Set the heat marks
          </button>
          <button type="button" className="plain-button" onClick={onClose}>
            Cancel
          </button>
        </p>
      </form>
    </Dialog>
  );
}
