import { useState } from 'react';
import { settled } from '../../app/kit/draft.ts';
import { today } from '../../app/kit/today.ts';
import { saveTest } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { newTest, withRate } from '../../app/prove/proveViews.ts';
import type { Running, Stopwatch } from '../../app/prove/stopwatch.ts';
import type { Test, TestEnd } from '../../core/kit/model.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { testSchema } from '../../kit/schemas/test.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { END_CHOICES, type Named } from '../../text/prove/log.ts';
import { clockText, minutesText } from '../../text/quantity.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './Watch.module.css';

interface WatchProps {
  readonly kit: ProveKit;
  readonly named: Named;
  readonly watch: Stopwatch;
  readonly running: Running;
  readonly onLogged: (test: Test) => void;
}

const clock = (seconds: number): string => clockText(seconds as Seconds);

/** Seconds between both readings that are worth a question. */
const APART = 2;

/** The take that is running: its time from arm's length, and one press for how it ended. */
export function Watch({ kit, named, watch, running, onLogged }: WatchProps) {
  const { timed, ran, isDue } = running;
  const [ended, setEnded] = useState<{ readonly end: TestEnd; readonly least: number; readonly most: number } | null>(
    null,
  );
  const change = useChange();
  const body = named.bodies.get(timed.bodyId);
  const mode = body?.modes.find(({ id }) => id === timed.modeId);
  const card = named.cards.get(timed.cardId);
  const title = `${mode ? modeTitle(mode) : 'A mode that is gone'} on ${card?.label ?? 'a card that is gone'}`;
  const isOpen = ran.mostSeconds - ran.leastSeconds > APART;
  const log = (end: TestEnd, seconds: number): void => {
    const { plannedMinutes: _, ...pick } = timed;
    const test = withRate(
      settled<Test>(newTest({ ...pick, end, seconds: Math.max(1, Math.round(seconds)), date: today() }), testSchema),
      kit.bodies,
      kit.cards,
    );
    void change(() => saveTest(test, null)).then((made) => {
      if (!made) return;
      watch.end();
      onLogged(test);
    });
  };
  const press = (end: TestEnd): void =>
    isOpen ? setEnded({ end, least: ran.leastSeconds, most: ran.mostSeconds }) : log(end, ran.mostSeconds);
  return (
    <section className={css.watch} aria-label="The take that is running" data-due={isDue || undefined}>
      <p className={css.title}>
        {title}
        {body && `, ${body.name}`}
      </p>
      <p className={css.time} role="timer">
        {clock(ended?.most ?? ran.mostSeconds)}
      </p>
      {timed.plannedMinutes !== null && (
        <p className={isDue ? 'tone-hot' : 'soft'} role={isDue ? 'alert' : undefined}>
          {isDue
            ? `The planned ${minutesText(timed.plannedMinutes)} are over.`
            : `planned: ${minutesText(timed.plannedMinutes)}`}
        </p>
      )}
      {isOpen && (
        <p className="tone-warm">
          {clock(ran.leastSeconds)} were counted for certain; by the clock it is {clock(ran.mostSeconds)}. The page
          slept, or the clock was set.
        </p>
      )}
      {ended ? (
        <fieldset className={css.ends}>
          <legend>Which time is right?</legend>
          <button type="button" className="ink-button" data-strong onClick={() => log(ended.end, ended.most)}>
            {clock(ended.most)}, it slept
          </button>
          <button type="button" className="ink-button" onClick={() => log(ended.end, ended.least)}>
            {clock(ended.least)}, the clock was set
          </button>
        </fieldset>
      ) : (
        <fieldset className={css.ends}>
          <legend className="unseen">How did it end?</legend>
          {END_CHOICES.map(({ value, label }) => (
            <button
              key={value}
              type="button"
              className="ink-button"
              data-strong={value === 'full' || undefined}
              onClick={() => press(value)}
            >
              {label}
            </button>
          ))}
          <button type="button" className="plain-button" onClick={watch.end}>
            Throw it away
          </button>
        </fieldset>
      )}
    </section>
  );
}
