import { keepTake } from '../../app/heat/heatActions.ts';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import { MAX_NAME } from '../../app/heat/heatViews.ts';
import { planBoard, plannedTake } from '../../app/heat/plannedTake.ts';
import type { Run } from '../../app/heat/useRun.ts';
import type { HeatPick } from '../../core/kit/model.ts';
import { planText } from '../../text/heat/heatWords.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './HeatView.module.css';

interface KeepBarProps {
  readonly kit: HeatKit;
  readonly pick: HeatPick;
  readonly run: Run;
}

/** Keeps the take for comparing, or makes its length and air those of the board's heat marks. */
export function KeepBar({ kit, pick, run }: KeepBarProps) {
  const change = useChange();
  const { settings, keptTakes } = kit;
  const { plan } = pick;
  const name = `${run.setup.mode.name}, ${run.lane.cards[0]?.label ?? 'no card'}, ${planText(plan)}${pick.demandTraceMBps ? ', a clip’s rate' : ''}`;
  const isPlanned = JSON.stringify(plannedTake(settings)) === JSON.stringify(plan);
  return (
    <p className={css.keep}>
      <button
        type="button"
        className="ink-button"
        onClick={() => void change(() => keepTake(keptTakes, pick, name.slice(0, MAX_NAME)))}
      >
        Keep this take to compare
      </button>
      {isPlanned ? (
        <span className="soft">The board’s heat marks are for this take.</span>
      ) : (
        <button type="button" className="plain-button" onClick={() => void change(() => planBoard(plan))}>
          Mark the board for this length and air
        </button>
      )}
    </p>
  );
}
