import { useId, useMemo } from 'react';
import { hasFailed, heatReasons, riskTone } from '../../app/heat/heatViews.ts';
import { TOLD_RUNS } from '../../app/heat/riskRuns.ts';
import type { Run } from '../../app/heat/useRun.ts';
import type { TaskState } from '../../app/tasks/useTask.ts';
import type { Advice, Advised } from '../../core/heat/run/advice.ts';
import type { RankedReason } from '../../core/heat/run/reasons.ts';
import type { Risk } from '../../core/heat/writepath/risk.ts';
import type { Card } from '../../core/kit/model.ts';
import { cautionTexts, intervalText, shareText, timeText } from '../../text/heat/heat.ts';
import { adviceText, hangsOnText, reasonText, weightWord } from '../../text/heat/heatAdvice.ts';
import { degreesText, paceText } from '../../text/heat/heatWords.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './RiskPanel.module.css';

interface RiskPanelProps {
  readonly run: Run;
  /** Every card a move may name. */
  readonly owned: readonly Card[];
  readonly risk: TaskState<Risk>;
  readonly advised: TaskState<Advised>;
  readonly accepted: number;
  readonly runs: number;
  readonly onAccepted: (share: number) => void;
  readonly onRuns: (runs: number) => void;
  readonly onAgain: () => void;
  readonly onMove: (advice: Advice) => void;
}

const ACCEPTED = [0.01, 0.05, 0.1, 0.25] as const;
const RUNS = [TOLD_RUNS, 10_000, 100_000] as const;

/** The risk of the take, what raises it and what would lower it: before any temperature, since few were ever measured. */
export function RiskPanel(props: RiskPanelProps) {
  const { run, risk, advised, accepted, runs, onAccepted, onRuns, onAgain, onMove } = props;
  const runsId = useId();
  const acceptedId = useId();
  const reasons = useMemo(() => heatReasons(run.lane, run.setup), [run]);
  return (
    <>
      <section aria-labelledby="risk-heading">
        <h2 id="risk-heading" className={css.heading}>
          Risk of this take
        </h2>
        {isDoubted(run) ? (
          <p>
            With these figures no risk can be told: your own take{' '}
            {run.ended ? 'stopped sooner than they say' : 'held longer than they allow'}. Fit them to your takes first,
            under the logged takes.
          </p>
        ) : risk.phase === 'done' ? (
          run.pace === 'unknown' ? (
            <HeatAlone risk={risk.answer} breakEven={run.breakEven} accepted={accepted} />
          ) : (
            <RiskFigures
              risk={risk.answer}
              accepted={accepted}
              asked={runs}
              promiseAlone={run.pace === 'promised' && hasFailed(run.result)}
            />
          )
        ) : (
          <TaskNote state={risk} what={`${runs.toLocaleString('en')} runs`} onAgain={onAgain} />
        )}
        <p className={css.choices}>
          <label htmlFor={runsId}>Runs</label>
          <select id={runsId} value={runs} onChange={(event) => onRuns(Number(event.currentTarget.value))}>
            {RUNS.map((count) => (
              <option key={count} value={count}>
                {count.toLocaleString('en')}
              </option>
            ))}
          </select>
          <label htmlFor={acceptedId}>I accept</label>
          <select id={acceptedId} value={accepted} onChange={(event) => onAccepted(Number(event.currentTarget.value))}>
            {ACCEPTED.map((share) => (
              <option key={share} value={share}>
                {share * 100} %
              </option>
            ))}
          </select>
        </p>
      </section>
      <section aria-labelledby="reasons-heading">
        <h2 id="reasons-heading" className={css.heading}>
          What raises it
        </h2>
        {reasons.length === 0 ? (
          <p className="soft">Nothing here heats this take worth a line.</p>
        ) : (
          <ol className={css.list}>
            {reasons.map((reason) => (
              <li key={reason.code} className={css.row}>
                <span>
                  <WithTerms text={reasonText(reason)} />
                </span>
                {reason.weight > 0 && (
                  <span className={css.weight} data-weight={weightWord(reason.weight)}>
                    {weightWord(reason.weight)}
                  </span>
                )}
              </li>
            ))}
          </ol>
        )}
      </section>
      <section aria-labelledby="moves-heading">
        <h2 id="moves-heading" className={css.heading}>
          Moves
        </h2>
        {isDoubted(run) ? (
          <p className={css.none}>Moves are worked out once the figures are fitted.</p>
        ) : advised.phase === 'done' ? (
          <Moves
            advised={advised.answer}
            run={run}
            reasons={reasons}
            accepted={accepted}
            owned={props.owned}
            onMove={onMove}
          />
        ) : (
          <TaskNote state={advised} what="moves" onAgain={onAgain} />
        )}
      </section>
      <div className={css.cautions}>
        {cautionTexts(run.result, run.setup.plan.ambientC).map((text) => (
          <p key={text}>
            <WithTerms text={text} />
          </p>
        ))}
        <p>
          <a href="/guide#caution-heat">Cautions about heat</a>
        </p>
      </div>
    </>
  );
}

/** A run may end up to this much later than the own take did and still be the same story [A]. */
const SAME_STORY = 1.15;

/** Whether a take of one's own speaks against the figures: then no share of failures is told from them. */
const isDoubted = ({ outlasted, ended, result }: Run): boolean =>
  outlasted !== null || (ended !== null && !(hasFailed(result) && result.atSeconds <= ended.seconds * SAME_STORY));

interface RiskFiguresProps {
  readonly risk: Risk;
  readonly accepted: number;
  /** Runs asked for; fewer were made where each has many events. */
  readonly asked: number;
  /** True where the runs were made at the pace of a promise, which is a floor and not the card's speed. */
  readonly promiseAlone: boolean;
}

/** Nothing is known of the card: what it would have to keep up stands in the place of a share that would read as a yes. */
function HeatAlone({
  risk,
  breakEven,
  accepted,
}: {
  readonly risk: Risk;
  readonly breakEven: number | null;
  readonly accepted: number;
}) {
  const failing = risk.dropProbability + risk.cutoffProbability;
  return (
    <div role="status">
      <p className={css.figure} data-testid="break-even">
        {breakEven === null ? '—' : paceText(breakEven)}
      </p>
      <p className="soft">
        {breakEven === null
          ? 'No pace of the flash makes it hold: heat ends it first.'
          : 'is what the flash must keep up. Whether this card does is not known: no mark, no figure, no test.'}{' '}
        <span className={failing > accepted ? `tone-${riskTone(failing, accepted)}` : ''}>
          Heat alone ends {shareText(failing)} of {risk.runs.toLocaleString('en')} runs.
        </span>
      </p>
    </div>
  );
}

function RiskFigures({ risk, accepted, asked, promiseAlone }: RiskFiguresProps) {
  const { dropProbability, cutoffProbability, atSeconds, hangsOn, runs } = risk;
  const failing = risk.failing.share;
  const hanging = hangsOnText(hangsOn);
  return (
    <div role="status">
      <p className={`${css.figure} tone-${riskTone(failing, accepted)}`} data-testid="risk">
        {shareText(failing)}
      </p>
      <p className="soft">
        of {runs.toLocaleString('en')} simulated takes end early
        {promiseAlone ? ' if the card writes only its guaranteed minimum' : ''}, {intervalText(risk.failing)} by their
        number: {shareText(dropProbability)} drop, {shareText(cutoffProbability)} are cut off by the body.
        {atSeconds &&
          ` Half of the failing ones fail before ${timeText(atSeconds.p50)}, nine in ten between ${timeText(atSeconds.p5)} and ${timeText(atSeconds.p95)}.`}
        {failing > 0.001 && hanging && ` ${hanging}`}
        {runs < asked && ` Only ${runs.toLocaleString('en')} were made: each of them has very many events.`}
      </p>
    </div>
  );
}

interface MovesProps extends Pick<RiskPanelProps, 'run' | 'accepted' | 'owned' | 'onMove'> {
  readonly advised: Advised;
  readonly reasons: readonly RankedReason[];
}

function Moves({ advised, run, reasons, accepted, owned, onMove }: MovesProps) {
  const { setup } = run;
  const { holdsUpToC, moves, risk } = advised;
  return (
    <>
      {moves.length === 0 ? (
        <p className={css.none}>
          {risk > accepted
            ? 'Nothing here gets it under that risk.'
            : run.pace === 'unknown'
              ? 'Heat does not end it. Find out how fast the card writes: fill it once, or enter its figure.'
              : 'It holds as planned.'}
        </p>
      ) : (
        <ul className={css.list}>
          {moves.map((advice) => (
            <li key={advice.code} className={css.row}>
              <button type="button" className="plain-button" onClick={() => onMove(advice)}>
                {adviceText(advice, { body: setup.body, cards: owned, plan: setup.plan })}
              </button>
              <span className={`${css.moveRisk} tone-${riskTone(advice.risk, accepted)}`}>
                {shareText(advice.risk)}
              </span>
            </li>
          ))}
        </ul>
      )}
      {reasons.some(({ code }) => code === 'untested') && (
        <p className={css.row}>
          <a href="#logged-heading">Run a test to the end first, and log it</a>
        </p>
      )}
      <p className={css.air}>
        {holdsUpToC === null
          ? 'In no air does this plan stay under the risk you accept.'
          : holdsUpToC >= 55
            ? `${run.pace === 'unknown' ? 'Heat stays' : 'Stays'} under the risk you accept in any air.`
            : `${run.pace === 'unknown' ? 'Heat stays' : 'Stays'} under it up to ${degreesText(holdsUpToC)} of air${setup.plan.sunC > 0 ? ', sun as now' : ''}.`}
      </p>
    </>
  );
}
