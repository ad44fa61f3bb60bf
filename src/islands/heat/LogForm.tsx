import { useState } from 'react';
import { needMBps, RANGES, sunDegrees, TEST_ENDS } from '../../app/heat/heatViews.ts';
import type { Run } from '../../app/heat/useRun.ts';
import { today } from '../../app/kit/today.ts';
import { noteTest } from '../../app/match/testActions.ts';
import { readTest } from '../../app/match/tests.ts';
import type { Card, HeatPick, Test, TestEnd } from '../../core/kit/model.ts';
import { newId } from '../../kit/newId.ts';
import { END_WORDS } from '../../text/heat/heatFit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { misfitQuestion } from '../../text/match/testReading.ts';
import { ChoiceLine, goToInvalid, NumberLine } from '../../ui/LineField.tsx';
import { TakeLength, takeSeconds } from '../../ui/TakeLength.tsx';
import { useArrival } from '../../ui/useArrival.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './LoggedTakes.module.css';

interface LogFormProps {
  readonly run: Run;
  readonly pick: HeatPick;
  readonly card: Card;
  readonly onDone: () => void;
}

/** Notes a take of this pair as it went: how it ended, after how long, in which air. */
export function LogForm({ run, pick, card, onDone }: LogFormProps) {
  const { plan, body } = run.setup;
  const change = useChange();
  const arrival = useArrival<HTMLFormElement>();
  const [end, setEnd] = useState<TestEnd | null>(null);
  const [time, setTime] = useState('');
  const seconds = takeSeconds(time);
  const [asked, setAsked] = useState<string | null>(null);
  const [ambientC, setAmbientC] = useState<number | null>(Math.round(plan.ambientC + sunDegrees(body, plan)));
  const [takes, setTakes] = useState(plan.takes);
  const [rest, setRest] = useState(plan.restMinutes);
  const ready = end !== null && seconds !== null && ambientC !== null && pick.ratio === null;
  const testOf = (length: number): Test => ({
    id: newId(),
    bodyId: body.id,
    modeId: pick.modeId,
    cardId: card.id,
    slotId: run.lane.cell.slotId,
    end: end ?? 'stopped',
    seconds: Math.round(length),
    clipGB: null,
    writtenMBps: Math.round(needMBps(run.lane.cell) * 10) / 10,
    date: today(),
    note: null,
    ambientWithSunC: ambientC,
    takes,
    restSeconds: takes > 1 ? rest * 60 : null,
  });
  const question = seconds === null || end === null ? null : misfitQuestion(readTest(testOf(seconds), body, card));
  const save = (): void => {
    if (seconds === null || ambientC === null || end === null) return;
    const test = testOf(seconds);
    // Asked once about these very numbers; a second press keeps them in the log, where they prove nothing.
    if (question !== null && asked !== question) {
      setAsked(question);
      return;
    }
    void change(() => noteTest(test, CHANGE_TEXT.takeLogged)).then((made) => made && onDone());
  };
  return (
    <form
      ref={arrival}
      className={css.form}
      aria-label="Log a take"
      onSubmit={(event) => {
        event.preventDefault();
        if (!goToInvalid(event.currentTarget) && ready) save();
      }}
    >
      <ChoiceLine
        label="The take"
        value={end ?? ''}
        choices={[
          ...(end === null ? [{ value: '', label: 'how did it end?' }] : []),
          ...TEST_ENDS.map((value) => ({ value, label: END_WORDS[value] })),
        ]}
        onChange={(value) => setEnd((value || null) as TestEnd | null)}
      />
      <TakeLength label="After" text={time} onText={setTime} />
      {question !== null && asked === question && (
        <p className="tone-hot" role="alert">
          {question} Correct the numbers, or log it as it is: it will not count towards any answer.
        </p>
      )}
      <NumberLine
        label="In air of, sun included"
        value={ambientC}
        unit="°C"
        {...RANGES.airWithSunC}
        empty="35"
        onChange={setAmbientC}
      />
      <NumberLine
        label="As take number"
        value={takes}
        unit=""
        {...RANGES.takes}
        whole
        onChange={(n) => setTakes(n ?? 1)}
      />
      {takes > 1 && (
        <NumberLine
          label="After rests of"
          value={rest}
          unit="min"
          {...RANGES.restMinutes}
          onChange={(value) => setRest(value ?? 0)}
        />
      )}
      {pick.ratio !== null && (
        <p className={css.hint}>A ratio that is only tried cannot be logged: go back to the mode’s own.</p>
      )}
      <p className={css.hint}>From cold, in the camera’s own worst mode. One take is not a guarantee: log three.</p>
      <p className={css.actions}>
        <button type="submit" className="ink-button" disabled={!ready}>
          {question !== null && asked === question ? 'Keep it all the same' : 'Log it'}
        </button>
        <button type="button" className="plain-button" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  );
}
