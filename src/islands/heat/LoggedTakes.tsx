import { useMemo, useState } from 'react';
import { keepFit } from '../../app/heatActions.ts';
import { newId, saveTest } from '../../app/kitActions.ts';
import { useHeatTask } from '../../app/useHeatTask.ts';
import { needMBps } from '../../core/heatrun/cardFigures.ts';
import type { FitInput } from '../../core/heatrun/fit.ts';
import { type Card, type HeatPick, TEST_ENDS, type Test, type TestEnd } from '../../core/model/kit.ts';
import type { Kit } from '../../kit/kit.ts';
import { paceText, timeText } from '../../text/heat.ts';
import { END_WORDS, explainedText, fitRefusalText, fittedText } from '../../text/heatFit.ts';
import { degreesText } from '../../text/heatWords.ts';
import { ChoiceLine, goToInvalid, NumberLine } from '../../ui/LineField.tsx';
import { undoNotice } from '../../ui/undoNotice.tsx';
import { useStored } from '../../ui/useStored.ts';
import css from './LoggedTakes.module.css';
import { TaskNote } from './TaskNote.tsx';
import type { Run } from './useRun.ts';

interface LoggedTakesProps {
  readonly kit: Kit;
  readonly run: Run;
  readonly pick: HeatPick;
}

const END_TONES: Readonly<Record<TestEnd, string>> = {
  full: 'cool',
  stopped: 'mute',
  dropped: 'hot',
  'cut-off': 'hot',
};

/** Takes of this body drawn by rate and minutes with how they ended; a new one is logged here, and the figures fitted. */
export function LoggedTakes({ kit, run, pick }: LoggedTakesProps) {
  const { body } = run.setup;
  const card = run.lane.cards[0];
  const tests = kit.tests.filter(({ bodyId }) => bodyId === body.id);
  const [logging, setLogging] = useState(false);
  const [fitting, setFitting] = useState(false);
  if (!card) return null;
  const usable = tests.filter(
    ({ cardId, ambientC, modeId }) => cardId === card.id && ambientC != null && modeId !== null,
  );
  return (
    <section aria-labelledby="logged-heading" className={css.logged}>
      <h2 id="logged-heading">Logged takes of {body.name}</h2>
      {tests.length === 0 ? (
        <p className="soft">
          None yet. A take that was logged with its air, its minutes and how it ended says more than every figure
          assumed here.
        </p>
      ) : (
        <SurvivalMap tests={tests} cards={kit.cards} own={card.id} run={run} />
      )}
      <p className={css.actions}>
        {!logging && (
          <button type="button" className="plain-button" onClick={() => setLogging(true)}>
            Log a take of this pair
          </button>
        )}
        {usable.length > 0 && !fitting && (
          <button type="button" className="plain-button" onClick={() => setFitting(true)}>
            Fit the figures to {usable.length === 1 ? 'its logged take' : `its ${usable.length} logged takes`}
          </button>
        )}
      </p>
      {logging && <LogForm run={run} pick={pick} card={card} onDone={() => setLogging(false)} />}
      {fitting && <FitResult kit={kit} run={run} card={card} onDone={() => setFitting(false)} />}
    </section>
  );
}

interface SurvivalMapProps {
  readonly tests: readonly Test[];
  readonly cards: readonly Card[];
  /** The card of the run; its takes are named strongly. */
  readonly own: string;
  readonly run: Run;
}

/** Each logged take a bar as long as it lasted, fastest first, ending in how it ended; the run beside them. */
function SurvivalMap({ tests, cards, own, run }: SurvivalMapProps) {
  const whole = (test: Test): number => test.seconds * (test.takes ?? 1);
  const sorted = tests.toSorted((a, b) => (b.writtenMBps ?? 0) - (a.writtenMBps ?? 0));
  const { sim } = run.lane;
  // Rests are no recording: a run is as long as what it wrote.
  const recorded = (1000 * run.result.writtenGB) / Math.max(1e-9, sim.demandMBps);
  const longest = Math.max(recorded, ...sorted.map(whole));
  const failed = run.result.outcome === 'dropped' || run.result.outcome === 'body-cutoff';
  const bar = (seconds: number) => ({ width: `${Math.max(1, (100 * seconds) / longest)}%` });
  return (
    <ul className={css.map}>
      <li className={css.take} data-run>
        <span className={css.rate}>{paceText(sim.demandMBps)}</span>
        <span className={css.bar} data-tone={failed ? 'hot' : 'cool'} style={bar(recorded)} />
        <span className={css.end}>
          this run, {timeText(recorded)} at {degreesText(sim.heat.ambientC)}
        </span>
      </li>
      {sorted.map((test) => (
        <li key={test.id} className={css.take}>
          <span className={css.rate}>{test.writtenMBps === null ? 'rate unknown' : paceText(test.writtenMBps)}</span>
          <span className={css.bar} data-tone={END_TONES[test.end]} style={bar(whole(test))} />
          <span className={css.end}>
            {test.cardId === own ? (
              <b>{cards.find(({ id }) => id === test.cardId)?.label}</b>
            ) : (
              (cards.find(({ id }) => id === test.cardId)?.label ?? 'a card that is gone')
            )}{' '}
            {END_WORDS[test.end]} at {timeText(test.seconds)}
            {test.ambientC != null && `, ${degreesText(test.ambientC)}`}
          </span>
        </li>
      ))}
    </ul>
  );
}

interface LogFormProps {
  readonly run: Run;
  readonly pick: HeatPick;
  readonly card: Card;
  readonly onDone: () => void;
}

function LogForm({ run, pick, card, onDone }: LogFormProps) {
  const { plan, body } = run.setup;
  const stored = useStored();
  const [end, setEnd] = useState<TestEnd>('dropped');
  const [minutes, setMinutes] = useState<number | null>(null);
  const [ambientC, setAmbientC] = useState<number | null>(plan.ambientC + plan.sunC);
  const [takes, setTakes] = useState(plan.takes);
  const [rest, setRest] = useState(plan.restMinutes);
  const ready = minutes !== null && ambientC !== null && pick.ratio === null;
  const save = (): void => {
    if (minutes === null || ambientC === null) return;
    const test: Test = {
      id: newId(),
      bodyId: body.id,
      modeId: pick.modeId,
      cardId: card.id,
      slotId: run.lane.cell.slotId,
      end,
      seconds: Math.round(minutes * 60),
      clipGB: null,
      writtenMBps: Math.round(needMBps(run.lane.cell) * 10) / 10,
      date: new Date().toISOString().slice(0, 10),
      note: null,
      ambientC,
      takes,
      restSeconds: takes > 1 ? rest * 60 : null,
    };
    void stored(async () => {
      undoNotice('Take logged.', await saveTest(test));
      onDone();
    });
  };
  return (
    <form
      className={css.form}
      aria-label="Log a take"
      onSubmit={(event) => {
        event.preventDefault();
        if (!goToInvalid(event.currentTarget) && ready) save();
      }}
    >
      <ChoiceLine
        label="The take"
        value={end}
        choices={TEST_ENDS.map((value) => ({ value, label: END_WORDS[value] }))}
        onChange={(value) => setEnd(value as TestEnd)}
      />
      <NumberLine label="After" value={minutes} unit="min" min={0.1} max={2880} empty="18.5" onChange={setMinutes} />
      <NumberLine
        label="In air of, sun included"
        value={ambientC}
        unit="°C"
        min={-60}
        max={80}
        empty="35"
        onChange={setAmbientC}
      />
      <NumberLine
        label="As take number"
        value={takes}
        unit=""
        min={1}
        max={1000}
        whole
        onChange={(n) => setTakes(n ?? 1)}
      />
      {takes > 1 && (
        <NumberLine
          label="After rests of"
          value={rest}
          unit="min"
          min={0}
          max={2880}
          onChange={(value) => setRest(value ?? 0)}
        />
      )}
      {pick.ratio !== null && (
        <p className={css.hint}>A ratio that is only tried cannot be logged: go back to the mode’s own.</p>
      )}
      <p className={css.hint}>From cold, in the body’s own worst mode. One take is not a guarantee: log three.</p>
      <p className={css.actions}>
        <button type="submit" className="ink-button" disabled={!ready}>
          Log it
        </button>
        <button type="button" className="plain-button" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  );
}

interface FitResultProps {
  readonly kit: Kit;
  readonly run: Run;
  readonly card: Card;
  readonly onDone: () => void;
}

const FIT_SEED = 1;

function FitResult({ kit, run, card, onDone }: FitResultProps) {
  const stored = useStored();
  const { policy } = run.setup;
  const body = kit.bodies.find(({ id }) => id === run.setup.body.id);
  const input = useMemo(
    (): FitInput | null => (body ? { body, card, tests: kit.tests, policy, seed: FIT_SEED } : null),
    [body, card, kit.tests, policy],
  );
  const [state, again] = useHeatTask('fit', input);
  if (state.phase !== 'done') return <TaskNote state={state} what="the fit" onAgain={again} />;
  if (!state.answer.ok) {
    return (
      <p className="tone-hot" role="alert">
        {fitRefusalText(state.answer.error)}
      </p>
    );
  }
  const fit = state.answer.value;
  const informed = fit.figures.some((figure) => figure.informed);
  return (
    <div className={css.fit} role="status">
      <ul>
        {fit.figures.map((figure) => (
          <li key={figure.figure} data-informed={figure.informed || undefined}>
            {fittedText(figure)}
          </li>
        ))}
        {fit.takes.map((take) => (
          <li key={take.testId} className={take.unexplained ? 'tone-hot' : undefined}>
            {explainedText(take)}
          </li>
        ))}
      </ul>
      <p className={css.actions}>
        <button
          type="button"
          className="ink-button"
          disabled={!informed || !body}
          onClick={() =>
            void stored(async () => {
              if (!body) return;
              undoNotice('The fitted figures are in use.', await keepFit(body, card, fit));
              onDone();
            })
          }
        >
          Use the fitted figures
        </button>
        <button type="button" className="plain-button" onClick={onDone}>
          Leave them
        </button>
      </p>
    </div>
  );
}
