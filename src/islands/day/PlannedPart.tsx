import { type ReactNode, useMemo } from 'react';
import { clockFor, namesFor } from '../../app/day/dayClock.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { lanesOf } from '../../app/day/lanes.ts';
import type { DayState } from '../../app/day/useDay.ts';
import type { Plan } from '../../core/kit/plan.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { BlockForm } from './BlockForm.tsx';
import type { Beside } from './beside.ts';
import { DayPanel } from './DayPanel.tsx';
import css from './DayView.module.css';
import { Lanes } from './Lanes.tsx';

interface PlannedPartProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly planned: DayState;
  readonly beside: Beside;
  readonly onOpen: (next: Beside) => void;
  /** What was open is saved, or gone. */
  readonly onDone: () => void;
  /** Asks first where something typed is not saved. */
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** The lanes of a planned day, and beside them what is short, what would help, or the form of what is being changed. */
export function PlannedPart({ kit, plan, planned, beside, onOpen, onDone, onClose, children }: PlannedPartProps) {
  const { day, state, again, moves, heat } = planned;
  const clock = useMemo(() => clockFor(plan), [plan]);
  const names = useMemo(() => (clock ? namesFor(kit, plan, clock) : null), [kit, plan, clock]);
  const lanes = useMemo(() => (day ? lanesOf(plan, day) : null), [plan, day]);
  const openId = beside?.kind === 'block' ? beside.block.id : null;
  return (
    <div className={css.columns}>
      <div className={css.main}>
        {clock === null && (
          <p className="tone-hot" role="alert">
            The date, start time or time zone of this day cannot be read: {plan.date}, “{plan.start}”, “
            {plan.timeZone ?? ''}”. Correct it under “Cards and disks”.
          </p>
        )}
        <TaskNote state={state} what="the day" onAgain={again} />
        {plan.blocks.length === 0 && (
          <p className={css.hint}>
            No blocks yet. A block is a stretch of time in which one camera records in one mode. Press “Add a block” and
            enter when and how long; the cards are planned for you.
          </p>
        )}
        {day && lanes && names && plan.blocks.length > 0 && (
          <Lanes
            kit={kit}
            plan={plan}
            day={day}
            lanes={lanes}
            names={names}
            heat={heat}
            openId={openId}
            onOpen={(block) => onOpen({ kind: 'block', block, isNew: false })}
          />
        )}
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by key */}
      <aside className={css.side} tabIndex={0} aria-label={beside ? 'What is being changed' : 'What the day comes to'}>
        {beside?.kind === 'block' ? (
          <BlockForm
            key={beside.block.id}
            kit={kit}
            plan={plan}
            block={plan.blocks.find(({ id }) => id === beside.block.id) ?? beside.block}
            isNew={!plan.blocks.some(({ id }) => id === beside.block.id)}
            onDone={onDone}
            onClose={onClose}
          />
        ) : beside?.kind === 'setup' ? (
          children
        ) : (
          day &&
          names && (
            <DayPanel
              kit={kit}
              plan={plan}
              day={day}
              moves={moves}
              heat={heat}
              names={names}
              onSetup={() => onOpen({ kind: 'setup' })}
            />
          )
        )}
      </aside>
    </div>
  );
}
