import { useCallback, useEffect, useState } from 'react';
import { namedEvents } from '../../app/heat/chartData.ts';
import { hasFailed, isCalibrated } from '../../app/heat/heatViews.ts';
import { toldOf } from '../../app/heat/told.ts';
import type { Run } from '../../app/heat/useRun.ts';
import type { Risk } from '../../core/heat/writepath/risk.ts';
import type { SimResult } from '../../core/heat/writepath/simulation.ts';
import {
  byFiguresText,
  CALIBRATED,
  causeText,
  EVENT_WORDS,
  NOT_CALIBRATED,
  outlastedText,
  riskyCauseText,
  runPaceText,
  temperaturesText,
  timeText,
} from '../../text/heat/heat.ts';
import { plannedText } from '../../text/heat/heatWords.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { OutcomeGlyph } from '../../ui/glyphs/OutcomeGlyph.tsx';
import { part } from '../../ui/part.tsx';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import { Buckets } from './Buckets.tsx';
import css from './HeatView.module.css';
import type { PlotPlace } from './RunChart.tsx';
import { Scrubber } from './Scrubber.tsx';

// The charts weigh more than the rest of the view together.
const RunChart = part(
  () => import('./RunChart.tsx'),
  () => <div className={css.chartWait}>Drawing the run…</div>,
);

interface RunPictureProps {
  readonly run: Run;
  readonly risk: Risk | null;
  /** Share of failing runs that still counts as holding, 0 to 1. */
  readonly accepted: number;
  readonly before: string | null;
  readonly onBack: () => void;
  /** Where the take is one line: whether what it is made of is open, and opening it. */
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
}

/** How the run ends and why, its picture, and the buckets at one moment of it. */
export function RunPicture({ run, risk, accepted, before, onBack, isOpen, onOpen }: RunPictureProps) {
  const { result, cause, lane, lanes, setup } = run;
  const band = risk?.band ?? null;
  const last = result.atSeconds;
  const [wish, setWish] = useState<number | null>(null);
  const [place, setPlace] = useState<PlotPlace | null>(null);
  const onPlace = useCallback((next: PlotPlace) => setPlace((now) => (same(now, next) ? now : next)), []);
  // Until somebody moves it, the scrubber stands where the run ends: there the buckets say why.
  const seconds = Math.min(wish ?? last, last);
  useEffect(() => setWish((now) => (now !== null && now > last ? null : now)), [last]);
  const risky = riskyShare(result, risk && failingOf(risk), accepted);
  const calibrated = lane.cardFigures.every((figures) => isCalibrated({ ...lane.figures, ...figures }));
  return (
    <>
      <header className={css.head} aria-live="polite">
        <Head run={run} failing={risk && failingOf(risk)} accepted={accepted} />
        <p className={css.asked}>
          {setup.body.name} {modeTitle(setup.mode)} on {seatedCardsText(run)}, {plannedText(setup.plan)}{' '}
          <button type="button" className="plain-button" aria-expanded={isOpen} onClick={() => onOpen(!isOpen)}>
            {isOpen ? 'Close' : 'Change'}
          </button>
        </p>
        <p className={css.cause}>
          {run.ended ? (
            `${byFiguresText(result)}. ${causeText(lane.sim, result, cause)}`
          ) : run.outlasted ? (
            `${byFiguresText(result)}; ${outlastedText(run.outlasted)}`
          ) : run.pace === 'unknown' && !hasFailed(result) ? (
            temperaturesText(result)
          ) : (
            <WithTerms text={causeText(lane.sim, result, cause)} />
          )}{' '}
          {runPaceText(run.pace, run.breakEven, lane)}
          {lanes.length > 1 && ` ${lane.cards[0]?.label ?? 'A card'} is the card that ends the take first.`}
          {risky !== null && ` ${riskyCauseText(risky, result)}`}
          {result.cutShort && ' The simulation stops here: too many events to follow.'}
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
        <RunChart run={run} band={band} seconds={seconds} onPlace={onPlace} />
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
          <b>
            <Term of="calibrated" alone>
              {calibrated ? CALIBRATED : NOT_CALIBRATED}
            </Term>
          </b>{' '}
          {band && 'The pale band shows nine in ten of the simulated takes that are still recording at that moment.'}
        </p>
      </section>
    </>
  );
}

const failingOf = ({ dropProbability, cutoffProbability }: Risk): number => dropProbability + cutoffProbability;

/** The share of failing runs where the run itself holds and yet more fail than is accepted; else null. */
const riskyShare = (result: SimResult, failing: number | null, accepted: number): number | null =>
  failing !== null && failing > accepted && !hasFailed(result) ? failing : null;

interface HeadProps {
  readonly run: Run;
  readonly failing: number | null;
  readonly accepted: number;
}

function Head({ run, failing, accepted }: HeadProps) {
  const { text, tone, glyph } = toldOf(run, failing, accepted);
  return (
    <h1 className={`${css.title} ${tone === 'none' ? '' : `tone-${tone}`}`}>
      <OutcomeGlyph outcome={glyph} />
      {text}
    </h1>
  );
}

/** The cards of a run, each with its slot where several are written. */
function seatedCardsText({ lanes, setup }: Run): string {
  const seats = lanes.flatMap(({ cards, cells }) => cards.map((card, at) => ({ card, slotId: cells[at]?.slotId })));
  if (seats.length < 2) return seats.map(({ card }) => card.label).join('');
  const slotName = (id: string | null | undefined): string =>
    setup.body.slots.find((slot) => slot.id === id)?.name ?? '';
  return seats.map(({ card, slotId }) => `${card.label} (${slotName(slotId)})`).join(' and ');
}

/** The last moment of a run belongs to what came before it, not to the rest after it; seconds. */
const A_TRICE = 1e-6;

const same = (a: PlotPlace | null, b: PlotPlace): boolean => a?.left === b.left && a.width === b.width;
