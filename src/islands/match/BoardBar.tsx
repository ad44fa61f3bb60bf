import { useRef, useState } from 'react';
import type { Body, PlannedTake } from '../../core/kit/model.ts';
import { plannedText } from '../../text/heat/heatWords.ts';
import { part } from '../../ui/part.tsx';
import css from './BoardBar.module.css';

const PlanDialog = part(() => import('./PlanDialog.tsx'));

interface BoardBarProps {
  readonly bodies: readonly Body[];
  /** The one body that is shown; null: all of them. */
  readonly only: string | null;
  /** Where there is room for one body alone. */
  readonly narrow: boolean;
  readonly plan: PlannedTake;
  readonly onOnly: (bodyId: string | null) => void;
  readonly onLegend: () => void;
}

/** A finger that goes further than this means the next body, pixels. */
const SWIPE = 40;

/** Over the board: which body is shown, for which take heat is marked, and what a cell says. */
export function BoardBar({ bodies, only, narrow, plan, onOnly, onLegend }: BoardBarProps) {
  const [open, setOpen] = useState(false);
  const from = useRef<number | null>(null);
  const at = bodies.findIndex(({ id }) => id === only);
  const step = (by: number): void => {
    const next = bodies[(at + by + bodies.length) % bodies.length];
    if (next) onOnly(next.id);
  };
  const many = bodies.length > 1;
  return (
    <div className={css.bar}>
      {many && (only !== null || narrow) && (
        <span
          className={css.bodies}
          onTouchStart={(event) => {
            from.current = event.touches[0]?.clientX ?? null;
          }}
          onTouchEnd={(event) => {
            const to = event.changedTouches[0]?.clientX;
            if (from.current === null || to === undefined) return;
            const way = to - from.current;
            if (Math.abs(way) > SWIPE) step(way < 0 ? 1 : -1);
          }}
        >
          <button type="button" className={css.step} aria-label="The camera before" onClick={() => step(-1)}>
            ‹
          </button>
          <select
            className={css.choice}
            aria-label="Camera shown"
            value={only ?? ''}
            onChange={(event) => onOnly(event.currentTarget.value || null)}
          >
            {!narrow && <option value="">All cameras</option>}
            {bodies.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          <button type="button" className={css.step} aria-label="The next camera" onClick={() => step(1)}>
            ›
          </button>
        </span>
      )}
      <span className={css.kind}>Planned minutes on one card</span>
      {only !== null && !narrow && many && (
        <button type="button" className={css.button} onClick={() => onOnly(null)}>
          All cameras
        </button>
      )}
      <button
        type="button"
        className={css.button}
        onClick={() => setOpen(true)}
        title="Change the length, air and sun that the heat marks are for"
      >
        Heat checked for: {plannedText(plan)}
      </button>
      <button type="button" className={css.button} onClick={onLegend}>
        What the answers mean
      </button>
      {open && <PlanDialog plan={plan} onClose={() => setOpen(false)} />}
    </div>
  );
}
