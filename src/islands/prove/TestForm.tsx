import { Checkbox } from '@mantine/core';
import { type FormEvent, useEffect, useState } from 'react';
import { type Draft, settled } from '../../app/kit/draft.ts';
import { saveTest } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { AIR_MOVEMENTS, CONSTANCIES, cardsFor, doubtTexts, TEST_STARTS, withRate } from '../../app/prove/proveViews.ts';
import type { Timed } from '../../app/prove/stopwatch.ts';
import type { Test } from '../../core/kit/model.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { testSchema } from '../../kit/schemas/test.ts';
import { AIR_WORDS } from '../../text/heat/heatWords.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { CONSTANCY_WORDS, END_CHOICES, START_WORDS } from '../../text/prove/log.ts';
import { clockText } from '../../text/quantity.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { ChoiceField, DateField, NumberField, TextField } from '../../ui/fields.tsx';
import css from '../../ui/form.module.css';
import { SaveBar } from '../../ui/SaveBar.tsx';
import { TakeLength, takeSeconds } from '../../ui/TakeLength.tsx';
import { useArrival } from '../../ui/useArrival.ts';
import { useItemForm } from '../../ui/useItemForm.ts';

interface TestFormProps {
  readonly kit: ProveKit;
  readonly test: Draft<Test>;
  readonly isNew: boolean;
  readonly isGone: boolean;
  readonly onSaved: (test: Test) => void;
  /** Times the take instead; null where one runs already, or the take is logged. */
  readonly onTime: ((timed: Timed) => void) | null;
  readonly onClose: () => void;
}

/** What a form says where something needed is missing, in the words of the form. */
const ASKED: Readonly<Record<string, string>> = {
  bodyId: 'Which camera?',
  cardId: 'Which card?',
  end: 'How did it end?',
  seconds: 'How long did it run?',
};

/** One take as it went: five things at once, and the rest whenever there is time for it. */
export function TestForm({ kit, test, isNew, isGone, onSaved, onTime, onClose }: TestFormProps) {
  const { bodies, cards, tests } = kit;
  const itemForm = useItemForm<Test>({
    item: test,
    isNew,
    isGone,
    list: 'tests',
    name: () => 'The take',
    schema: testSchema,
    save: (item, base) => saveTest(withRate(item, bodies, cards), base),
    onSaved,
  });
  const { form, onSubmit, discard } = itemForm;
  const { values } = form;
  const field = form.getInputProps;
  const arrival = useArrival<HTMLFormElement>();
  const [length, setLength] = useState(() => lengthOf(values.seconds));
  const [asked, setAsked] = useState('');
  const [pressed, setPressed] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is typed is looked at when the take changes, never when it is typed
  useEffect(() => {
    // Taken over when the take itself changes; not while it only echoes what is being typed.
    const typed = takeSeconds(length);
    if (typeof values.seconds === 'number' && typed !== values.seconds) setLength(lengthOf(values.seconds));
  }, [values.seconds]);
  const body = bodies.find(({ id }) => id === values.bodyId);
  const error = (key: string) => (form.errors[key] ? (ASKED[key] ?? form.errors[key]) : undefined);
  const entering = cardsFor(body, cards, tests);
  const own = cards.find(({ id }) => id === values.cardId);
  const offered = own && !entering.includes(own) ? [own, ...entering] : entering;
  const doubts =
    typeof values.seconds === 'number'
      ? doubtTexts(withRate(settled<Test>(values, testSchema), bodies, cards), kit)
      : [];
  const question = doubts.join(' ');
  const noMode = values.modeId === null && body !== undefined && body.modes.length > 0;
  const submit = (event: FormEvent<HTMLFormElement>): void => {
    setPressed(true);
    if (noMode) {
      event.preventDefault();
      return;
    }
    // Asked once about these very numbers; a second press keeps them in the log, where they prove nothing.
    if (question !== '' && asked !== question) {
      event.preventDefault();
      setAsked(question);
      return;
    }
    onSubmit(event);
  };
  const setBody = (id: string): void => {
    const next = bodies.find((one) => one.id === id);
    form.setFieldValue('bodyId', id);
    form.setFieldValue('slotId', null);
    form.setFieldValue('firmware', next?.firmware ?? null);
    // Only what leaves no choice is chosen.
    form.setFieldValue('modeId', next?.modes.length === 1 ? (next.modes[0]?.id ?? null) : null);
    const fitting = cardsFor(next, cards, tests);
    if (!fitting.some((card) => card.id === values.cardId))
      form.setFieldValue('cardId', fitting.length === 1 ? (fitting[0]?.id ?? '') : '');
  };
  return (
    <form
      ref={arrival}
      className={css.form}
      onSubmit={submit}
      noValidate
      aria-label={isNew ? 'Log a take' : 'The take'}
    >
      <Chips
        legend="Camera"
        value={values.bodyId}
        choices={bodies.map(({ id, name }) => ({ value: id, label: name }))}
        error={error('bodyId')}
        onChange={setBody}
      />
      {body && (
        <Chips
          legend="Mode"
          value={values.modeId ?? ''}
          choices={body.modes.map((mode) => ({ value: mode.id, label: modeTitle(mode) }))}
          error={noMode && pressed ? 'Which mode?' : undefined}
          onChange={(id) => form.setFieldValue('modeId', id)}
        />
      )}
      {body && (
        <Chips
          legend={offered.length === 0 ? 'Card: none of yours enters this camera' : 'Card'}
          value={values.cardId}
          choices={offered.map((card) => ({ value: card.id, label: card.label, note: cardSummary(card) }))}
          error={error('cardId')}
          onChange={(id) => form.setFieldValue('cardId', id)}
        />
      )}
      <TakeLength
        label="Ran for"
        text={length}
        onText={(text) => {
          setLength(text);
          form.setFieldValue('seconds', takeSeconds(text) ?? '');
        }}
      />
      {onTime && body && values.modeId !== null && values.cardId !== '' && length.trim() === '' && (
        <div>
          <button
            type="button"
            className="ink-button"
            onClick={() => {
              const { bodyId, modeId, cardId, slotId } = values;
              if (modeId === null) return;
              // It is kept by the watch from here on.
              discard();
              onTime({ bodyId, modeId, cardId, slotId: slotId ?? null, plannedMinutes: null });
            }}
          >
            Start the watch instead
          </button>
        </div>
      )}
      {form.errors.seconds && length.trim() === '' && (
        <p className="tone-hot" role="alert">
          {ASKED.seconds}
        </p>
      )}
      <Chips
        legend="It ended"
        value={values.end}
        choices={END_CHOICES}
        error={error('end')}
        onChange={(end) => form.setFieldValue('end', end)}
      />
      <Fold title="The rest" about="slot, air, firmware, clip bytes, note" failed={hasRest(form.errors)}>
        <div className={css.fields}>
          {body && body.slots.length > 1 && (
            <ChoiceField
              label="Slot"
              props={field('slotId')}
              data={body.slots.map(({ id, name }) => ({ value: id, label: name }))}
              unknown="not noted"
            />
          )}
          <DateField label="Date" props={field('date')} />
          <NumberField label="Bytes of the clip" unit="GB" props={field('clipGB')} placeholder="not noted" />
          <ChoiceField
            label="Rate of the mode"
            props={field('rateIs')}
            data={CONSTANCIES.map((value) => ({ value, label: CONSTANCY_WORDS[value] }))}
            unknown="not noted"
          />
          <NumberField label="Air, sun included" unit="°C" props={field('ambientWithSunC')} placeholder="not noted" />
          <ChoiceField
            label="Air moves"
            props={field('air')}
            data={AIR_MOVEMENTS.map((value) => ({ value, label: AIR_WORDS[value] }))}
            unknown="not noted"
          />
          <ChoiceField
            label="Started"
            props={field('start')}
            data={TEST_STARTS.map((value) => ({ value, label: START_WORDS[value] }))}
            unknown="not noted"
          />
          <NumberField label="Place in a series" props={field('order')} placeholder="not noted" />
          <NumberField label="Takes of this length" props={field('takes')} placeholder="1" />
          <NumberField label="Rest between them" unit="s" props={field('restSeconds')} placeholder="none" />
          <TextField label="Firmware of the camera" props={field('firmware')} placeholder="" />
          <TextField label="Warning, word for word" props={field('warning')} className={css.full} placeholder="" />
          <TextField label="Note" props={field('note')} className={css.full} placeholder="" />
          <Checkbox
            className={css.full}
            label="The card was formatted before it"
            checked={values.formatted === true}
            onChange={(event) => form.setFieldValue('formatted', event.currentTarget.checked)}
          />
        </div>
      </Fold>
      {question !== '' && asked === question && (
        <p className="tone-hot" role="alert">
          {question} Correct it, or press Save once more: it is kept in the log, and proves nothing where its numbers
          cannot be true.
        </p>
      )}
      <SaveBar
        inPanel
        itemForm={itemForm}
        what="This take"
        onDiscard={() => {
          discard();
          setLength(lengthOf(test.seconds));
          if (isNew || isGone) onClose();
        }}
      />
    </form>
  );
}

const REST = ['date', 'clipGB', 'ambientWithSunC', 'order', 'takes', 'restSeconds', 'firmware', 'warning', 'note'];
const hasRest = (errors: object): boolean => REST.some((key) => key in errors);

const lengthOf = (seconds: number | string): string =>
  typeof seconds === 'number' && Number.isFinite(seconds) ? clockText(seconds as Seconds) : '';
