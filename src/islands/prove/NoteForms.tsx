import { useState } from 'react';
import { today } from '../../app/kit/today.ts';
import { noteCounter, noteIncident } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import type { Incident } from '../../core/kit/model.ts';
import { INCIDENT_WORDS } from '../../text/cards/state.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { Chips } from '../../ui/Chips.tsx';
import { INCIDENT_CHOICES } from '../../ui/choices.ts';
import { DateField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { typedNumber } from '../../ui/typedNumber.ts';
import { useArrival } from '../../ui/useArrival.ts';
import { useChange } from '../../ui/useChange.ts';

interface NoteProps {
  readonly kit: ProveKit;
  readonly onDone: () => void;
}

/** Minutes that a body shows for an empty card; they are kept with the body. */
export function CounterForm({ kit, onDone }: NoteProps) {
  const [bodyId, setBodyId] = useState('');
  const [modeId, setModeId] = useState('');
  const [size, setSize] = useState('');
  const [shown, setShown] = useState('');
  const change = useChange();
  const arrival = useArrival<HTMLFormElement>();
  const body = kit.bodies.find(({ id }) => id === bodyId);
  const [capacity, minutes] = [typedNumber(size, { min: 1 }), typedNumber(shown, { min: 0 })];
  const isReady =
    body !== undefined && modeId !== '' && capacity.ok && capacity.value > 0 && minutes.ok && minutes.value >= 0;
  return (
    <form
      ref={arrival}
      className={css.form}
      aria-label="What a counter shows"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isReady || !capacity.ok || !minutes.ok) return;
        const reading = { modeId, capacityGB: capacity.value, minutes: Math.floor(minutes.value) };
        void change(() => noteCounter(body, reading)).then((made) => made && onDone());
      }}
    >
      <Chips
        legend="Camera"
        value={bodyId}
        choices={kit.bodies.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => {
          setBodyId(id);
          setModeId('');
        }}
      />
      {body && (
        <Chips
          legend="Mode"
          value={modeId}
          choices={body.modes.map((mode) => ({ value: mode.id, label: modeTitle(mode) }))}
          onChange={setModeId}
        />
      )}
      <div className={css.fields}>
        <NumberField
          label="Empty card of"
          unit="GB"
          props={{ value: size, onChange: (text: unknown) => setSize(String(text)) }}
          placeholder="256"
        />
        <NumberField
          label="It shows"
          unit="min"
          props={{ value: shown, onChange: (text: unknown) => setShown(String(text)) }}
          placeholder="65"
        />
      </div>
      <p className={css.hint}>
        Three readings of different modes are decoded under Cameras: how much it really writes.
      </p>
      <div className={css.actions}>
        <button type="submit" className="ink-button" data-strong disabled={!isReady}>
          Note it
        </button>
        <button type="button" className="ink-button" onClick={onDone}>
          Cancel
        </button>
      </div>
    </form>
  );
}

interface IncidentProps extends NoteProps {
  readonly cardId?: string;
  readonly kind?: Incident['kind'];
  readonly text?: string;
}

/** Something that happened to a card; it is kept with the card. */
export function IncidentForm({ kit, onDone, cardId = '', kind = 'warning', text = '' }: IncidentProps) {
  const [own, setOwn] = useState(cardId);
  const [what, setWhat] = useState<Incident['kind']>(kind);
  const [words, setWords] = useState(text);
  const [date, setDate] = useState(today());
  const change = useChange();
  const arrival = useArrival<HTMLFormElement>();
  const card = kit.cards.find(({ id }) => id === own);
  const isDay = /^\d{4}-\d{2}-\d{2}$/.test(date);
  return (
    <form
      ref={arrival}
      className={css.form}
      aria-label="An incident"
      onSubmit={(event) => {
        event.preventDefault();
        if (!card || !isDay) return;
        void change(() => noteIncident(card, { date, kind: what, text: words.slice(0, 500) })).then(
          (made) => made && onDone(),
        );
      }}
    >
      <Chips
        legend="Card"
        value={own}
        choices={kit.cards.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) }))}
        onChange={setOwn}
      />
      <Chips
        legend="What happened"
        value={what}
        choices={INCIDENT_CHOICES.map(({ value }) => ({ value, label: INCIDENT_WORDS[value] }))}
        onChange={(next) => setWhat(next as Incident['kind'])}
      />
      <div className={css.fields}>
        <DateField
          label="Date"
          props={{
            value: date,
            onChange: (event: { currentTarget: { value: string } }) => setDate(event.currentTarget.value),
            error: isDay ? null : 'On which day?',
          }}
        />
        <TextField
          label="In words"
          className={css.full}
          placeholder=""
          props={{
            value: words,
            onChange: (event: { currentTarget: { value: string } }) => setWords(event.currentTarget.value),
          }}
        />
      </div>
      <div className={css.actions}>
        <button type="submit" className="ink-button" data-strong disabled={!card || !isDay}>
          Note it
        </button>
        <button type="button" className="ink-button" onClick={onDone}>
          Cancel
        </button>
      </div>
    </form>
  );
}
