import { useMemo, useState } from 'react';
import { type Ended as DayEnd, endOf, RANGES, sunDegrees } from '../../app/heat/heatViews.ts';
import { RISK_SEED, TOLD_EVENTS, TOLD_RUNS } from '../../app/heat/riskRuns.ts';
import { toldOf } from '../../app/heat/told.ts';
import type { Run } from '../../app/heat/useRun.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { SharesInput } from '../../core/heat/run/failures.ts';
import { shareText } from '../../text/heat/heat.ts';
import { degreesText } from '../../text/heat/heatWords.ts';
import { NumberLine } from '../../ui/LineField.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import css from './DayRuns.module.css';

const PARTS = ['Morning', 'Noon', 'Evening'] as const;

/** Degrees below the air of the plan at which morning and evening begin [A]. */
const BELOW = [12, 0, 6] as const;

interface DayRunsProps {
  readonly run: Run;
  /** Share of failing runs that still counts as holding, 0 to 1. */
  readonly accepted: number;
}

/** The same take at three airs of one shoot day; sun only at noon. */
export function DayRuns({ run, accepted }: DayRunsProps) {
  const { setup } = run;
  const { plan } = setup;
  const [airs, setAirs] = useState<readonly (number | null)[]>([null, null, null]);
  const day = PARTS.map((part, at) => {
    const ambientC = airs[at] ?? plan.ambientC - (BELOW[at] as number);
    return { part, at, ambientC, sunC: at === 1 ? plan.sunC : 0, own: airs[at] != null };
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the airs of the day are told by their text; the list is another at every render
  const results = useMemo(
    () => day.map(({ ambientC, sunC }) => endOf({ ...setup, plan: { ...plan, ambientC, sunC } })),
    [setup, plan, airs],
  );
  const request = useMemo(
    (): SharesInput => ({
      paths: results.map((one) => one && { sim: one.lane.sim, spreads: one.lane.spreads }),
      runs: TOLD_RUNS,
      maxEvents: TOLD_EVENTS,
      seed: RISK_SEED,
    }),
    [results],
  );
  const [shares, again] = useTask(computation, 'shares', request, 'day');
  const set = (at: number, value: number | null): void =>
    setAirs(airs.map((one, place) => (place === at ? value : one)));
  return (
    <section aria-labelledby="day-heading">
      <h2 id="day-heading">This take at other times of day</h2>
      <div className={css.day}>
        {day.map(({ part, at, ambientC, sunC, own }) => (
          <div key={part}>
            <NumberLine
              label={part}
              value={ambientC}
              unit="°C"
              {...RANGES.airC}
              note={sunC > 0 ? `sun +${degreesText(sunDegrees(setup.body, { ...plan, sunC }))}` : 'shade'}
              reset={own ? () => set(at, null) : undefined}
              onChange={(value) => set(at, value)}
            />
            <Ended
              ran={results[at] ?? null}
              failing={shares.phase === 'done' ? (shares.answer[at] ?? null) : null}
              accepted={accepted}
              heatAlone={run.pace === 'unknown'}
            />
          </div>
        ))}
      </div>
      {shares.phase !== 'running' && <TaskNote state={shares} what="how often they fail" onAgain={again} />}
    </section>
  );
}

interface EndedProps {
  readonly ran: DayEnd | null;
  /** Null until the worker has told. */
  readonly failing: number | null;
  readonly accepted: number;
  readonly heatAlone: boolean;
}

function Ended({ ran, failing, accepted, heatAlone }: EndedProps) {
  if (!ran) return <p className="tone-mute">Cannot be run in this air</p>;
  const { text, tone } = toldOf(
    { ...ran, pace: heatAlone ? 'unknown' : 'known', cause: null, outlasted: null },
    failing,
    accepted,
  );
  return (
    <>
      <p className={`tone-${tone === 'none' ? 'mute' : tone}`}>
        <b>{text}</b>
      </p>
      {failing !== null && !ran.ended && (
        <p className="soft">
          {heatAlone ? 'Heat ends' : ''} {shareText(failing)} of simulated takes{heatAlone ? '' : ' end early'}
        </p>
      )}
    </>
  );
}
