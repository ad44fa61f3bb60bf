import { useMemo, useState } from 'react';
import { afterAdvice } from '../../app/heat/afterAdvice.ts';
import type { HeatKit } from '../../app/heat/heatKit.ts';
import type { Picked } from '../../app/heat/heatPick.ts';
import { fullAfterMinutes, needMBps, usuallyAccepted } from '../../app/heat/heatViews.ts';
import { eventsOf, RISK_SEED, TOLD_EVENTS, TOLD_RUNS } from '../../app/heat/riskRuns.ts';
import { useRun } from '../../app/heat/useRun.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { Advice, AdviceInput } from '../../core/heat/run/advice.ts';
import type { HeatPick, KeptTake } from '../../core/kit/model.ts';
import type { Policy } from '../../core/match/policy.ts';
import { setupRefusalText } from '../../text/heat/heat.ts';
import { adviceText } from '../../text/heat/heatAdvice.ts';
import { DayRuns } from './DayRuns.tsx';
import { Figures } from './Figures.tsx';
import css from './HeatView.module.css';
import { KeepBar } from './KeepBar.tsx';
import { LoggedTakes } from './LoggedTakes.tsx';
import { RiskPanel } from './RiskPanel.tsx';
import { RunPicture } from './RunPicture.tsx';
import { SideBySide } from './SideBySide.tsx';
import { TakeForm } from './TakeForm.tsx';

interface TakenProps {
  readonly kit: HeatKit;
  readonly policy: Policy;
  readonly pick: HeatPick;
  readonly picked: Picked;
  /** True where the address speaks of a clip whose rates are gone. */
  readonly clipLost: boolean;
  /** Moves tried since the plan; null where none is. */
  readonly before: string | null;
  readonly onPick: (change: Partial<HeatPick>) => void;
  readonly onBody: (id: string) => void;
  /** A kept take in place of all of this one. */
  readonly onOpen: (take: KeptTake) => void;
  readonly onMove: (change: Partial<HeatPick>, text: string) => void;
  readonly onBack: () => void;
}

/** One take: what was asked, its run, its risk, and what it is compared with. */
export function Taken({
  kit,
  policy,
  pick,
  picked,
  clipLost,
  before,
  onPick,
  onBody,
  onOpen,
  onMove,
  onBack,
}: TakenProps) {
  const run = useRun(picked, pick, { tests: kit.tests, policy });
  const ran = run.ok ? run.value : null;
  // The path that decides comes first: its card's figures are those to look at.
  const lanes = ran
    ? [ran.lane, ...ran.lanes.filter((one) => one !== ran.lane)]
    : !run.ok && run.error.code === 'figure'
      ? [run.error.lane]
      : [];
  const [isOpen, setOpen] = useState(false);
  const [ownAccepted, setAccepted] = useState<number | null>(null);
  const accepted = ownAccepted ?? usuallyAccepted(policy.take);
  const [runs, setRuns] = useState<number>(TOLD_RUNS);
  const riskRequest = useMemo(
    () =>
      ran && {
        sim: ran.lane.sim,
        input: { runs, maxEvents: eventsOf(runs), seed: RISK_SEED, spread: ran.lane.spreads },
      },
    [ran, runs],
  );
  const [risk, riskAgain] = useTask(computation, 'risk', riskRequest);
  const adviceRequest = useMemo(
    (): AdviceInput | null =>
      ran && {
        setup: ran.setup,
        cards: kit.cards,
        accepted,
        runs: TOLD_RUNS,
        maxEvents: TOLD_EVENTS,
        seed: RISK_SEED,
      },
    [ran, kit.cards, accepted],
  );
  const [advised, adviceAgain] = useTask(computation, 'advise', adviceRequest);
  const failing = risk.phase === 'done' ? risk.answer.dropProbability + risk.answer.cutoffProbability : null;
  const move = (advice: Advice): void => {
    if (!ran) return;
    const text = adviceText(advice, { body: ran.setup.body, cards: kit.cards, plan: pick.plan });
    onMove(afterAdvice(advice, pick), text);
  };
  return (
    // What cannot be run is changed where it stands.
    <div className={css.heat} data-open={isOpen || !ran || undefined}>
      <div className={css.left}>
        <TakeForm
          kit={kit}
          pick={pick}
          picked={picked}
          clipLost={clipLost}
          fullAfter={lanes[0] ? fullAfterMinutes(lanes[0]) : null}
          demandMBps={lanes[0] ? needMBps(lanes[0].cell) : null}
          onPick={onPick}
          onBody={onBody}
        />
        {lanes.length > 0 && <Figures body={picked.body} lanes={lanes} />}
      </div>
      <div className={css.run}>
        {ran ? (
          <RunPicture
            key={`${pick.bodyId} ${pick.modeId} ${pick.cardIds.join(' ')}`}
            run={ran}
            risk={risk.phase === 'done' ? risk.answer : null}
            accepted={accepted}
            before={before}
            onBack={onBack}
            isOpen={isOpen}
            onOpen={setOpen}
          />
        ) : (
          <header>
            <h1 className={`${css.title} tone-mute`}>This take cannot be run</h1>
            <p className={css.cause} role="alert">
              {run.ok ? '' : setupRefusalText(run.error)}
            </p>
          </header>
        )}
        {ran && (
          <>
            <KeepBar kit={kit} pick={pick} run={ran} failing={failing} />
            <SideBySide kit={kit} policy={policy} now={ran} runs={runs} accepted={accepted} onOpen={onOpen} />
            {!ran.outlasted && <DayRuns run={ran} accepted={accepted} />}
            <LoggedTakes kit={kit} run={ran} pick={pick} />
          </>
        )}
      </div>
      <div className={css.right}>
        {ran ? (
          <RiskPanel
            run={ran}
            owned={kit.cards}
            risk={risk}
            advised={advised}
            accepted={accepted}
            runs={runs}
            onAccepted={setAccepted}
            onRuns={setRuns}
            onAgain={() => {
              riskAgain();
              adviceAgain();
            }}
            onMove={move}
          />
        ) : (
          <p className="soft">Once this take can be run, its risk is worked out here.</p>
        )}
      </div>
    </div>
  );
}
