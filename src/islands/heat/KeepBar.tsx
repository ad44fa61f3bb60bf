import { keepTake } from '../../app/heat/heatActions.ts';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import { MAX_NAME } from '../../app/heat/heatViews.ts';
import { madeWith } from '../../app/heat/keptFigures.ts';
import { planBoard, plannedTake } from '../../app/heat/plannedTake.ts';
import type { Run } from '../../app/heat/useRun.ts';
import type { HeatPick } from '../../core/kit/model.ts';
import { plannedText } from '../../text/heat/heatWords.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './HeatView.module.css';

interface KeepBarProps {
  readonly kit: HeatKit;
  readonly pick: HeatPick;
  readonly run: Run;
  /** Share of its runs that fail; null until it is known. */
  readonly failing: number | null;
}

/** No longer than a name may be, and no letter cut in two. */
const shortened = (name: string): string => name.slice(0, MAX_NAME).replace(/[\ud800-\udbff]$/, '');

/** Keeps the take for comparing, or makes its length and air those of the board's heat marks. */
export function KeepBar({ kit, pick, run, failing }: KeepBarProps) {
  const change = useChange();
  const { settings, keptTakes } = kit;
  const { plan } = pick;
  const { body, mode } = run.setup;
  const card = run.lane.cards[0]?.label ?? 'no card';
  const name = `${body.name} ${modeTitle(mode)}, ${card}, ${plannedText(plan)}${pick.demandTraceMBps ? ', a clip’s rate' : ''}`;
  const isPlanned = JSON.stringify(plannedTake(settings)) === JSON.stringify(plan);
  return (
    <p className={css.keep}>
      <button
        type="button"
        className="ink-button"
        onClick={() => void change(() => keepTake(keptTakes, pick, shortened(name), madeWith(run, failing)))}
      >
        Keep this take to compare
      </button>
      {isPlanned ? (
        <span className="soft">The table’s heat marks are for this take.</span>
      ) : (
        <button type="button" className="plain-button" onClick={() => void change(() => planBoard(plan))}>
          Heat marks in the table: use {plannedText(plan)}
        </button>
      )}
    </p>
  );
}
