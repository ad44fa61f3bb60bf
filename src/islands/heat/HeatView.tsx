import { lazy, Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { keepTake } from '../../app/heatActions.ts';
import { firstPick, pickedIn } from '../../app/heatPick.ts';
import { pickQuery, queryPick } from '../../app/heatQuery.ts';
import { planBoard, plannedTake } from '../../app/plannedTake.ts';
import { policyOf } from '../../app/policy.ts';
import { useHeatTask } from '../../app/useHeatTask.ts';
import type { Advice, AdviceInput } from '../../core/heatrun/advice.ts';
import { needMBps } from '../../core/heatrun/cardFigures.ts';
import { isCalibrated } from '../../core/heatrun/known.ts';
import { hasFailed } from '../../core/heatrun/lane.ts';
import type { HeatPick } from '../../core/model/kit.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import type { Band } from '../../core/writepath/band.ts';
import type { Kit } from '../../kit/kit.ts';
import {
  adviceText,
  CALIBRATED,
  causeText,
  EVENT_WORDS,
  NOT_CALIBRATED,
  outcomeText,
  setupRefusalText,
  timeText,
} from '../../text/heat.ts';
import { planText } from '../../text/heatWords.ts';
import { OutcomeGlyph } from '../../ui/glyphs/OutcomeGlyph.tsx';
import { Shell } from '../../ui/Shell.tsx';
import { useStored } from '../../ui/useStored.ts';
import { afterAdvice } from './afterAdvice.ts';
import { Buckets } from './Buckets.tsx';
import { namedEvents } from './chartData.ts';
import { DayRuns } from './DayRuns.tsx';
import { Figures } from './Figures.tsx';
import css from './HeatView.module.css';
import { LoggedTakes } from './LoggedTakes.tsx';
import { RiskPanel } from './RiskPanel.tsx';
import type { PlotPlace } from './RunChart.tsx';
import { Scrubber } from './Scrubber.tsx';
import { SideBySide } from './SideBySide.tsx';
import { TakeForm } from './TakeForm.tsx';
import { type Run, useRun } from './useRun.ts';

// The charts weigh more than the rest of the view together.
const RunChart = lazy(() => import('./RunChart.tsx'));

export default function HeatView({ demo }: { readonly demo: boolean }) {
  return (
    <Shell frame="heat" demo={demo}>
      {(kit) => <Heat kit={kit} />}
    </Shell>
  );
}

/** The same draws for every run of one take, so that a change shows as itself. */
const SEED = 1;
const ADVICE_RUNS = 400;
const FIRST_RUNS = 10_000;

function Heat({ kit }: { readonly kit: Kit }) {
  const policy = useMemo(() => policyOf(kit.settings), [kit.settings.take, kit.settings.headroom]);
  const [chosen, setChosen] = useState<HeatPick | null>(null);
  const [trace, setTrace] = useState<readonly number[] | null>(null);
  const [before, setBefore] = useState<{ readonly pick: HeatPick; readonly text: string } | null>(null);
  const first = useMemo(
    () => (chosen ? null : firstPick(kit, policy, queryPick(window.location.search))),
    [chosen, kit, policy],
  );
  const pick = chosen ?? first;
  const picked = useMemo(() => (pick ? pickedIn(kit, pick) : null), [kit, pick]);
  useEffect(() => {
    if (chosen) window.history.replaceState(null, '', window.location.pathname + pickQuery(chosen));
  }, [chosen]);
  const change = useCallback(
    (part: Partial<HeatPick>) =>
      setChosen((now) => ((now ?? first) ? { ...(now ?? (first as HeatPick)), ...part } : now)),
    [first],
  );
  if (!pick || !picked) return <Nothing kit={kit} onAnew={chosen ? () => setChosen(null) : null} />;
  return (
    <Taken
      kit={kit}
      policy={policy}
      pick={pick}
      picked={picked}
      trace={trace}
      before={before?.text ?? null}
      onTrace={setTrace}
      onPick={(part) => {
        setBefore(null);
        change(part);
      }}
      onBody={(body) => {
        const best = firstPick(kit, policy, { body });
        setBefore(null);
        if (best) setChosen({ ...best, plan: pick.plan });
      }}
      onMove={(part, text) => {
        setBefore({ pick: before?.pick ?? pick, text: before ? `${before.text} · ${text}` : text });
        change(part);
      }}
      onBack={() => {
        if (before) setChosen(before.pick);
        setBefore(null);
      }}
    />
  );
}

function Nothing({ kit, onAnew }: { readonly kit: Kit; readonly onAnew: (() => void) | null }) {
  const missing = kit.bodies.length === 0 ? 'a body' : kit.cards.length === 0 ? 'a card' : 'a mode';
  return (
    <div className={css.nothing}>
      <h1>Nothing to run yet</h1>
      {onAnew ? (
        <>
          <p>The body or mode of this run is gone.</p>
          <p>
            <button type="button" className="ink-button" onClick={onAnew}>
              Begin with another
            </button>
          </p>
        </>
      ) : (
        <p>
          A run needs a body with a mode and a card to write on. Add {missing} under{' '}
          <a href={kit.bodies.length > 0 && kit.cards.length === 0 ? '/cards' : '/bodies'}>
            {kit.bodies.length > 0 && kit.cards.length === 0 ? 'Cards' : 'Bodies'}
          </a>
          .
        </p>
      )}
    </div>
  );
}

interface TakenProps {
  readonly kit: Kit;
  readonly policy: ReturnType<typeof policyOf>;
  readonly pick: HeatPick;
  readonly picked: NonNullable<ReturnType<typeof pickedIn>>;
  readonly trace: readonly number[] | null;
  /** Moves tried since the plan; null where none is. */
  readonly before: string | null;
  readonly onTrace: (trace: readonly number[] | null) => void;
  readonly onPick: (change: Partial<HeatPick>) => void;
  readonly onBody: (id: string) => void;
  readonly onMove: (change: Partial<HeatPick>, text: string) => void;
  readonly onBack: () => void;
}

function Taken({ kit, policy, pick, picked, trace, before, onTrace, onPick, onBody, onMove, onBack }: TakenProps) {
  const run = useRun(picked, pick, { kit, policy, trace });
  const ran = run.ok ? run.value : null;
  const lane = run.ok ? run.value.lane : run.error.code === 'figure' ? run.error.lane : null;
  const [ownAccepted, setAccepted] = useState<number | null>(null);
  const usual = policy.take === 'once' ? ASSUMED.acceptedRisk : ASSUMED.acceptedRiskRepeatable;
  const accepted = ownAccepted ?? usual.value;
  const [runs, setRuns] = useState(FIRST_RUNS);
  const riskRequest = useMemo(
    () => ran && { sim: ran.lane.sim, input: { runs, seed: SEED, spread: ran.lane.spreads } },
    [ran, runs],
  );
  const [risk, riskAgain] = useHeatTask('risk', riskRequest);
  const adviceRequest = useMemo(
    (): AdviceInput | null => ran && { setup: ran.setup, cards: kit.cards, accepted, runs: ADVICE_RUNS, seed: SEED },
    [ran, kit.cards, accepted],
  );
  const [advised, adviceAgain] = useHeatTask('advise', adviceRequest);
  const move = (advice: Advice): void => {
    if (!ran) return;
    const text = adviceText(advice, { body: ran.setup.body, cards: kit.cards, plan: pick.plan });
    onMove(afterAdvice(advice, pick), text);
  };
  return (
    <div className={css.heat}>
      <div className={css.left}>
        <TakeForm
          kit={kit}
          pick={pick}
          picked={picked}
          demandMBps={ran ? needMBps(ran.lane.cell) : null}
          trace={trace}
          onPick={onPick}
          onBody={onBody}
          onTrace={onTrace}
        />
        {lane && <Figures body={picked.body} lane={lane} />}
      </div>
      <div className={css.run}>
        {ran ? (
          <RunPicture
            key={`${pick.bodyId} ${pick.modeId} ${pick.cardIds.join(' ')}`}
            run={ran}
            band={risk.phase === 'done' ? risk.answer.band : null}
            before={before}
            onBack={onBack}
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
            <KeepBar kit={kit} pick={pick} run={ran} />
            <SideBySide
              kit={kit}
              policy={policy}
              now={ran}
              onOpen={({ id: _, name: __, ...kept }) => onPick({ ...kept })}
            />
            <DayRuns run={ran} />
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
          <p className="soft">Choose a card and a mode that can meet, and the risk is worked out here.</p>
        )}
      </div>
    </div>
  );
}

interface RunPictureProps {
  readonly run: Run;
  readonly band: Band | null;
  readonly before: string | null;
  readonly onBack: () => void;
}

/** How the run ends and why, its picture, and the buckets at one moment of it. */
function RunPicture({ run, band, before, onBack }: RunPictureProps) {
  const { result, cause, lane, lanes } = run;
  const last = result.atSeconds;
  const [wish, setWish] = useState<number | null>(null);
  const [place, setPlace] = useState<PlotPlace | null>(null);
  const onPlace = useCallback((next: PlotPlace) => setPlace((now) => (same(now, next) ? now : next)), []);
  // Until somebody moves it, the scrubber stands where the run ends: there the buckets say why.
  const seconds = Math.min(wish ?? last, last);
  useEffect(() => setWish((now) => (now !== null && now > last ? null : now)), [last]);
  const failed = hasFailed(result);
  const calibrated = isCalibrated(lane.figures);
  return (
    <>
      <header className={css.head} aria-live="polite">
        <h1 className={`${css.title} ${failed ? 'tone-hot' : 'tone-cool'}`}>
          <OutcomeGlyph outcome={failed ? 'short' : 'pass'} />
          {outcomeText(result)}
        </h1>
        <p className={css.cause}>
          {causeText(lane.sim, result, cause)}
          {lanes > 1 && ` ${lane.cards[0]?.label ?? 'A card'} is the one that decides.`}
          {result.cutShort && ' The run met more events than are followed and was cut short here.'}
        </p>
        {before && (
          <p className={css.trial} role="status">
            <b>Trying</b> {before}
            <button type="button" className="plain-button" onClick={onBack}>
              Back to the plan
            </button>
          </p>
        )}
      </header>
      <section aria-label="The run in time" className={css.picture}>
        <Suspense fallback={<div className={css.chartWait}>Drawing the run…</div>}>
          <RunChart run={run} band={band} seconds={seconds} onPlace={onPlace} />
        </Suspense>
        <Scrubber seconds={seconds} last={last} place={place} onSeconds={setWish} />
        <ol className={css.events} aria-label="Events of the run">
          {namedEvents(result).map(({ event, minutes }) => (
            <li key={event}>
              <button type="button" className={css.event} onClick={() => setWish(minutes * 60)}>
                <b>{timeText(minutes * 60)}</b> {EVENT_WORDS[event]}
              </button>
            </li>
          ))}
        </ol>
        <Buckets moment={{ ...run.at(Math.min(seconds, last - A_TRICE)), seconds }} sim={lane.sim} />
        <p className={css.calibration}>
          <b>{calibrated ? CALIBRATED : NOT_CALIBRATED}</b>{' '}
          {band && 'The pale band holds nine in ten of the runs that still record.'}
        </p>
      </section>
    </>
  );
}

/** The last moment of a run belongs to what came before it, not to the rest after it; seconds. */
const A_TRICE = 1e-6;

const same = (a: PlotPlace | null, b: PlotPlace): boolean => a?.left === b.left && a.width === b.width;

interface KeepBarProps {
  readonly kit: Kit;
  readonly pick: HeatPick;
  readonly run: Run;
}

/** Keeps the take for comparing, or makes its length and air those of the board's heat marks. */
function KeepBar({ kit, pick, run }: KeepBarProps) {
  const stored = useStored();
  const { settings } = kit;
  const { plan } = pick;
  const name = `${run.setup.mode.name}, ${run.lane.cards[0]?.label ?? 'no card'}, ${planText(plan)}`;
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
