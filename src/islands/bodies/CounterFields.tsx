import { NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { type Draft, settled } from '../../app/kit/draft.ts';
import { solver } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { Body, CounterReading } from '../../core/kit/model.ts';
import { bodySchema } from '../../kit/schemas/body.ts';
import { isCounterEnd, shownMinutes } from '../../reading/bodies/paste/minutes.ts';
import { COUNTER_END_TEXT, counterLines } from '../../text/bodies/counter.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { plain } from '../../text/quantity.ts';
import { ROUNDING_CHOICES } from '../../ui/choices.ts';
import { ChoiceField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { NumberField } from '../../ui/NumberField.tsx';
import { part } from '../../ui/part.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import type { DraftForm } from '../../ui/useItemForm.ts';
import { useSame } from '../../ui/useSame.ts';
import own from './CounterFields.module.css';

const TextPicture = part(() => import('../photo/TextPicture.tsx'));

/** Whole minutes as a counter that rounds so shows them. */
const SHOWS = { down: Math.floor, nearest: Math.round, up: Math.ceil } as const;

const isWhole = (reading: Draft<CounterReading>): reading is CounterReading =>
  typeof reading.capacityGB === 'number' &&
  reading.capacityGB > 0 &&
  typeof reading.minutes === 'number' &&
  reading.modeId !== '';

const isEnd = (minutes: unknown): boolean => typeof minutes === 'string' && isCounterEnd(minutes);

/** What the body's counter shows for empty cards, and what that gives away about everything it writes. */
export function CounterFields({ form }: { readonly form: DraftForm<Body> }) {
  const counters = form.values.counters ?? [];
  const set = (next: readonly Draft<CounterReading>[]) => form.setFieldValue('counters', next);
  const change = (at: number, part: Partial<Draft<CounterReading>>) =>
    set(counters.map((one, place) => (place === at ? { ...one, ...part } : one)));
  const body = useMemo(() => settled<Body>(form.values, bodySchema), [form.values]);
  const [picturing, setPicturing] = useState(false);
  const { modes } = body;
  const whole = useSame(counters.filter(isWhole));
  const capacityGB = whole[0]?.capacityGB ?? 128;
  const ratedModes = useSame(body.modes);
  const counterRounds = body.counterRounds ?? null;
  const request = useMemo(
    () => (whole.length > 0 ? { body: { modes: ratedModes, counterRounds }, counters: whole, capacityGB } : null),
    [ratedModes, counterRounds, whole, capacityGB],
  );
  const [state, again] = useTask(solver, 'decode', request);
  const answer = state.phase === 'done' ? state.answer : null;
  const decoded = answer && 'decoded' in answer.result ? answer.result.decoded : null;
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>What its counter shows</legend>
      <p className={css.hint}>
        Minutes the camera shows for an empty card. A few readings of different modes tell how much it really writes.
      </p>
      {counters.map((reading, at) => (
        <div key={at} className={own.reading}>
          <NativeSelect
            label="Mode"
            data={modes.map((mode) => ({ value: mode.id, label: modeTitle(mode) }))}
            value={reading.modeId}
            onChange={(event) => change(at, { modeId: event.currentTarget.value })}
          />
          <NumberField
            label="Card"
            unit="GB"
            placeholder="256"
            value={reading.capacityGB}
            error={form.errors[`counters.${at}.capacityGB`]}
            onChange={(value) => change(at, { capacityGB: value })}
          />
          <NumberField
            label="Shown"
            unit="min"
            placeholder="57"
            value={reading.minutes}
            error={isEnd(reading.minutes) ? COUNTER_END_TEXT : form.errors[`counters.${at}.minutes`]}
            reads={shownMinutes}
            onChange={(value) => change(at, { minutes: value })}
          />
          <button type="button" className="plain-button" onClick={() => set(counters.filter((_, one) => one !== at))}>
            Remove
          </button>
        </div>
      ))}
      <div className={own.ways}>
        <button
          type="button"
          className="plain-button"
          onClick={() => set([...counters, { modeId: modes[0]?.id ?? '', capacityGB, minutes: '' }])}
        >
          Note a reading
        </button>
        <button type="button" className="plain-button" onClick={() => setPicturing(true)}>
          Read it off a picture
        </button>
      </div>
      {counters.length > 0 && (
        <ChoiceField
          label="The counter rounds"
          props={form.getInputProps('counterRounds')}
          data={ROUNDING_CHOICES}
          unknown="not told: taken to round down"
          className={own.rounds}
        />
      )}
      {picturing && (
        <TextPicture
          kind="counter"
          onAccept={(minutes) => {
            setPicturing(false);
            set([...counters, { modeId: modes[0]?.id ?? '', capacityGB, minutes: Number(minutes) }]);
          }}
          onClose={() => setPicturing(false)}
        />
      )}
      {request && <TaskNote state={state} what="what the counter tells" onAgain={again} />}
      {answer && (
        <div className={own.decoded} role="status">
          {counterLines(answer, { ...body, counters: whole }).map((line) => (
            <p key={line}>{line}</p>
          ))}
          {decoded && (
            <table className={own.table}>
              <caption>The counter should then show, on an empty {plain(capacityGB)} GB card</caption>
              <tbody>
                {decoded.predictions.map(({ modeId, minutes }) => {
                  const mode = modes.find(({ id }) => id === modeId);
                  const shows = SHOWS[answer.rounds];
                  const [low, high] = [shows(minutes.low + 1e-6), shows(minutes.high - 1e-6)];
                  return (
                    mode && (
                      <tr key={modeId}>
                        <th scope="row">{modeTitle(mode)}</th>
                        <td>{low >= high ? low : `${low} – ${high}`} min</td>
                      </tr>
                    )
                  );
                })}
              </tbody>
            </table>
          )}
        </div>
      )}
    </fieldset>
  );
}
