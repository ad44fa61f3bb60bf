import { useState } from 'react';
import { newId, saveTest } from '../../app/kitActions.ts';
import { needMBps } from '../../core/heatrun/cardFigures.ts';
import { type Card, type HeatPick, TEST_ENDS, type Test, type TestEnd } from '../../core/model/kit.ts';
import { END_WORDS } from '../../text/heatFit.ts';
import { ChoiceLine, goToInvalid, NumberLine } from '../../ui/LineField.tsx';
import { undoNotice } from '../../ui/undoNotice.tsx';
import { useStored } from '../../ui/useStored.ts';
import css from './LoggedTakes.module.css';
import type { Run } from './useRun.ts';

interface LogFormProps {
  readonly run: Run;
  readonly pick: HeatPick;
  readonly card: Card;
  readonly onDone: () => void;
}

/** Notes a take of this pair as it went: how it ended, after how long, in which air. */
export function LogForm({ run, pick, card, onDone }: LogFormProps) {
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
