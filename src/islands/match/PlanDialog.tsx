import { Modal } from '@mantine/core';
import { useState } from 'react';
import { planBoard } from '../../app/plannedTake.ts';
import type { PlannedTake } from '../../core/model/kit.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import { goToInvalid, Line, NumberLine } from '../../ui/LineField.tsx';
import { useStored } from '../../ui/useStored.ts';
import css from './PlanDialog.module.css';

interface PlanDialogProps {
  readonly plan: PlannedTake;
  readonly onClose: () => void;
}

/** The take, and the air, that the board marks heat for. */
export default function PlanDialog({ plan, onClose }: PlanDialogProps) {
  const [draft, setDraft] = useState(plan);
  const stored = useStored();
  const change = (part: Partial<PlannedTake>): void => setDraft({ ...draft, ...part });
  return (
    <Modal opened onClose={onClose} title="Mark heat for this take" closeButtonProps={{ 'aria-label': 'Close' }}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (goToInvalid(event.currentTarget)) return;
          void stored(() => planBoard(draft)).then((kept) => kept && onClose());
        }}
      >
        <NumberLine
          label="Take"
          value={draft.minutes}
          unit="min"
          min={0.1}
          max={2880}
          onChange={(minutes) => change({ minutes: minutes ?? draft.minutes })}
        />
        <NumberLine
          label="Takes"
          value={draft.takes}
          unit="×"
          min={1}
          max={1000}
          whole
          onChange={(takes) => change({ takes: takes ?? 1 })}
        />
        {draft.takes > 1 && (
          <NumberLine
            label="Rests between"
            value={draft.restMinutes}
            unit="min"
            min={0}
            max={2880}
            onChange={(restMinutes) => change({ restMinutes: restMinutes ?? 0 })}
          />
        )}
        <NumberLine
          label="Air"
          value={draft.ambientC}
          unit="°C"
          min={-60}
          max={60}
          onChange={(ambientC) => change({ ambientC: ambientC ?? draft.ambientC })}
        />
        <Line label="Sun on the body" htmlFor="plan-sun">
          <input
            id="plan-sun"
            type="checkbox"
            className={css.check}
            checked={draft.sunC > 0}
            onChange={(event) => change({ sunC: event.currentTarget.checked ? ASSUMED.sunC.value : 0 })}
          />
        </Line>
        <p className={css.actions}>
          <button type="submit" className="ink-button" data-strong>
            Mark the board
          </button>
          <button type="button" className="plain-button" onClick={onClose}>
            Cancel
          </button>
        </p>
      </form>
    </Modal>
  );
}
