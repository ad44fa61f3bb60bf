import { useMemo } from 'react';
import { forgetTake } from '../../app/heat/heatActions.ts';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import { pickedIn, setupOf } from '../../app/heat/heatPick.ts';
import { averageDemand, hasFailed } from '../../app/heat/heatViews.ts';
import { changedSince } from '../../app/heat/keptFigures.ts';
import { eventsOf, RISK_SEED } from '../../app/heat/riskRuns.ts';
import { toldOf } from '../../app/heat/told.ts';
import { useKeptPicks } from '../../app/heat/useKeptPicks.ts';
import { type Run, runOf } from '../../app/heat/useRun.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { SharesInput } from '../../core/heat/run/failures.ts';
import type { KeptTake } from '../../core/kit/model.ts';
import type { Policy } from '../../core/match/policy.ts';
import { keptText, shareText, timeText } from '../../text/heat/heat.ts';
import { FIGURE_WORDS } from '../../text/heat/heatFigures.ts';
import { degreesText, paceText, planText } from '../../text/heat/heatWords.ts';
import { CAUSE_WORDS } from '../../text/heat/simulation.ts';
import { plain } from '../../text/quantity.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './SideBySide.module.css';

interface SideBySideProps {
  readonly kit: HeatKit;
  readonly policy: Policy;
  readonly now: Run;
  /** Risk runs of each take. */
  readonly runs: number;
  /** Share of failing runs that still counts as holding, 0 to 1. */
  readonly accepted: number;
  readonly onOpen: (take: KeptTake) => void;
}

interface Column {
  readonly id: string;
  readonly name: string;
  readonly take: KeptTake | null;
  readonly run: Run | null;
}

/** Card temperature over the run, on one scale for all columns. */
function Trace({ run, lastSecond }: { readonly run: Run; readonly lastSecond: number }) {
  const { result, at, lane } = run;
  const x = (seconds: number): number => (150 * seconds) / lastSecond;
  const y = (celsius: number): number => 48 - (44 * Math.max(0, celsius - 10)) / 90;
  const points = Array.from({ length: 41 }, (_, step) => at((result.atSeconds * step) / 40));
  const failed = hasFailed(result);
  return (
    <svg viewBox="0 0 152 50" className={css.trace} aria-hidden="true">
      <path d={`M0 ${y(lane.sim.heat.throttleAtC)}H152`} strokeDasharray="3 3" style={{ stroke: 'var(--t4)' }} />
      <polyline
        points={points.map(({ seconds, cardC }) => `${x(seconds).toFixed(1)},${y(cardC).toFixed(1)}`).join(' ')}
        fill="none"
        strokeWidth="2"
        style={{ stroke: 'var(--t5)' }}
      />
      {failed && <path d={`M${x(result.atSeconds)} 2V48`} strokeWidth="2" stroke="currentColor" />}
    </svg>
  );
}

/** How a kept take ran when it was kept, and which figures are others now. */
function sinceText(take: KeptTake | null, run: Run): string {
  if (!take) return '—';
  if (!take.made) return 'not noted';
  const since = changedSince(take, run).map(({ key, then, now }) => {
    const { name, unit, digits } = FIGURE_WORDS[key];
    return `${name} ${plain(then, digits)} → ${plain(now, digits)} ${unit}`;
  });
  return [keptText(take.made), since.length > 0 ? `since then ${since.join(', ')}` : 'same figures'].join('; ');
}

/** Dots while the worker is at it. */
const failText = (share: number | null | undefined): string => (share == null ? '…' : shareText(share));

/** Kept takes beside the one on screen; each is run again with the figures of now. */
export function SideBySide({ kit, policy, now, runs, accepted, onOpen }: SideBySideProps) {
  const { keptTakes, bodies, cards, tests } = kit;
  const change = useChange();
  const kept = useKeptPicks(keptTakes);
  const columns = useMemo(
    (): readonly Column[] => [
      { id: 'now', name: 'On screen', take: null, run: now },
      ...kept.map(({ take, pick }): Column => {
        const picked = pickedIn({ bodies, cards }, pick);
        const run = picked ? runOf(setupOf(picked, pick, { tests, policy })) : null;
        return { id: take.id, name: take.name, take, run: run?.ok ? run.value : null };
      }),
    ],
    [kept, bodies, cards, tests, policy, now],
  );
  const request = useMemo(
    (): SharesInput | null =>
      kept.length === 0
        ? null
        : {
            paths: columns.map(({ run }) => run && { sim: run.lane.sim, spreads: run.lane.spreads }),
            runs,
            maxEvents: eventsOf(runs),
            seed: RISK_SEED,
          },
    [kept, columns, runs],
  );
  const [shares, again] = useTask(computation, 'shares', request, 'side by side');
  if (kept.length === 0) return null;
  const lastSecond = Math.max(...columns.map(({ run }) => run?.result.atSeconds ?? 1));
  const line = (title: string, of: (run: Run, at: number) => string) => (
    <tr>
      <th scope="row">{title}</th>
      {columns.map(({ id, run }, at) => (
        <td key={id}>{run ? of(run, at) : '—'}</td>
      ))}
    </tr>
  );
  return (
    <section aria-labelledby="side-heading" className={css.side}>
      <h2 id="side-heading">Side by side</h2>
      <table className={css.table}>
        <thead>
          <tr>
            <td />
            {columns.map(({ id, name, take }) => (
              <th key={id} scope="col">
                {name}
                {take && (
                  <span className={css.actions}>
                    <button type="button" className="plain-button" onClick={() => onOpen(take)}>
                      Open
                    </button>
                    <button
                      type="button"
                      className="plain-button"
                      aria-label={`Remove from comparison ${name}`}
                      onClick={() => void change(() => forgetTake(take))}
                    >
                      Remove from comparison
                    </button>
                  </span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Card, °C</th>
            {columns.map(({ id, run }) => (
              <td key={id}>{run ? <Trace run={run} lastSecond={lastSecond} /> : 'its camera, mode or card is gone'}</td>
            ))}
          </tr>
          {line(
            'Outcome',
            (run, at) => toldOf(run, shares.phase === 'done' ? (shares.answer[at] ?? null) : null, accepted).text,
          )}
          {line('When kept', (run, at) => sinceText(columns[at]?.take ?? null, run))}
          {line('Cause', ({ cause }) => (cause ? CAUSE_WORDS[cause] : 'none'))}
          {line('Fail', (_, at) => failText(shares.phase === 'done' ? shares.answer[at] : null))}
          {line('Take', ({ setup }) => planText(setup.plan))}
          {line('Air', ({ lane }) => degreesText(lane.sim.heat.ambientC))}
          {line('Writes', ({ lane }) => paceText(averageDemand(lane.sim)))}
          {line('Throttles', ({ result }) =>
            result.firstThrottleAtSeconds === null ? 'never' : `at ${timeText(result.firstThrottleAtSeconds)}`,
          )}
          {line(
            'Hottest',
            ({ result }) => `card ${degreesText(result.peakCardC)}, camera ${degreesText(result.peakBodyC)}`,
          )}
          {line('Written', ({ result }) => `${plain(result.writtenGB, 0)}\u00a0GB`)}
        </tbody>
      </table>
      {shares.phase !== 'running' && <TaskNote state={shares} what="how often they fail" onAgain={again} />}
    </section>
  );
}
