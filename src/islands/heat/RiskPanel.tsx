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
            No risk is shown, because your own take{' '}
            {run.ended ? 'ended earlier than these figures say' : 'ran longer than these figures allow'}. Fit the
            figures to your takes first (below, under Logged takes).
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
          <TaskNote state={risk} what={`${runs.toLocaleString('en')} simulated takes`} onAgain={onAgain} />
        )}
        <p className={css.choices}>
          <label htmlFor={runsId}>Simulated takes</label>
          <select id={runsId} value={runs} onChange={(event) => onRuns(Number(event.currentTarget.value))}>
            {RUNS.map((count) => (
              <option key={count} value={count}>
                {count.toLocaleString('en')}
              </option>
            ))}
          </select>
          <label htmlFor={acceptedId}>Acceptable risk</label>
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
          What raises the risk
        </h2>
        {reasons.length === 0 ? (
          <p className="soft">No single cause stands out.</p>
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
          What to do (risk after each change)
        </h2>
        {isDoubted(run) ? (
          <p className={css.none}>What to do is worked out once the figures are fitted.</p>
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
          ? 'No card speed is enough: heat ends the take first.'
          : 'is what the card must sustain. Whether it can is not known: it has no speed mark, no maker’s figure and no test.'}{' '}
        <span className={failing > accepted ? `tone-${riskTone(failing, accepted)}` : ''}>
          Heat alone ends {shareText(failing)} of {risk.runs.toLocaleString('en')} simulated takes early.
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
        number: {shareText(dropProbability)} drop frames, in {shareText(cutoffProbability)} the camera shuts down.
        {atSeconds &&
          ` Of those, half end before ${timeText(atSeconds.p50)} and nine in ten between ${timeText(atSeconds.p5)} and ${timeText(atSeconds.p95)} (min:s).`}
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
            ? 'None of these changes brings the risk below what you accept.'
            : run.pace === 'unknown'
              ? 'Heat does not end it. Find out how fast the card writes: fill it once, or enter its figure.'
              : 'The risk is already below what you accept.'}
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
          ? 'At no air temperature does this take stay below the risk you accept.'
          : holdsUpToC >= 55
            ? `${run.pace === 'unknown' ? 'Heat stays' : 'Stays'} below the risk you accept at any air temperature.`
            : `${run.pace === 'unknown' ? 'Heat stays' : 'Stays'} below the risk you accept up to ${degreesText(holdsUpToC)} air temperature${setup.plan.sunC > 0 ? ', with the sun as set' : ''}.`}
      </p>
    </>
  );
}
