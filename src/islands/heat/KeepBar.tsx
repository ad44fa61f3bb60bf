import { keepTake } from '../../app/heat/heatActions.ts';
import { planBoard, plannedTake } from '../../app/heat/plannedTake.ts';
import type { HeatPick } from '../../core/kit/model.ts';
import type { Kit } from '../../kit/kit.ts';
import { planText } from '../../text/heat/heatWords.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './HeatView.module.css';
import type { Run } from './useRun.ts';

interface KeepBarProps {
  readonly kit: Kit;
  readonly pick: HeatPick;
  readonly run: Run;
}

/** Keeps the take for comparing, or makes its length and air those of the board's heat marks. */
export function KeepBar({ kit, pick, run }: KeepBarProps) {
  const stored = useStored();
  const { settings } = kit;
  const { plan } = pick;
  const name = `${run.setup.mode.name}, ${run.lane.cards[0]?.label ?? 'no card'}, ${planText(plan)}${pick.demandTraceMBps ? ', a clip’s rate' : ''}`;
  const isPlanned = JSON.stringify(plannedTake(settings)) === JSON.stringify(plan);
  return (
    <p className={css.keep}>
      <button
        type="button"
        className="ink-button"
        onClick={() => void stored(() => keepTake(settings, { ...pick, name: name.slice(0, 80) }))}
      >
        Keep this take to compare
      </button>
      {isPlanned ? (
        <span className="soft">The board’s heat marks are for this take.</span>
      ) : (
        <button type="button" className="plain-button" onClick={() => void stored(() => planBoard(plan))}>
          Mark the board for this length and air
        </button>
      )}
    </p>
  );
}
