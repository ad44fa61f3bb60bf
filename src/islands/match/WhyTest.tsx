import { useState } from 'react';
import { today } from '../../app/kit/today.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import { noteTest } from '../../app/match/testActions.ts';
import { readTest, toMegabytes } from '../../app/match/tests.ts';
import type { Test, TestEnd } from '../../core/kit/model.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { newId } from '../../kit/newId.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { misfitQuestion } from '../../text/match/testReading.ts';
import { TakeLength, takeSeconds } from '../../ui/TakeLength.tsx';
import { useArrival } from '../../ui/useArrival.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './WhyTest.module.css';

const ENDS: readonly (readonly [TestEnd, string])[] = [
  ['full', 'ended full'],
  ['dropped', 'dropped frames'],
  ['stopped', 'was stopped'],
  ['cut-off', 'camera shut down'],
];

/** Notes one own test of this pair: how it ended and after how long. */
export function WhyTest({ subject }: { readonly subject: WhySubject }) {
  const { cell, body, mode, card } = subject;
  const [open, setOpen] = useState(false);
  const [end, setEnd] = useState<TestEnd>('full');
  const [time, setTime] = useState('');
  const change = useChange();
  const arrival = useArrival<HTMLFormElement>();
  const seconds = takeSeconds(time);
  const [asked, setAsked] = useState<string | null>(null);
  const [slotId, setSlotId] = useState(cell.slotId);
  if (cell.need === null) return null;
  if (!open) {
    return (
      <button id="note-test" type="button" className="plain-button" onClick={() => setOpen(true)}>
        Log a test of this card in this camera
      </button>
    );
  }
  const testOf = (length: number, need: BytesPerSecond): Test => ({
    id: newId(),
    bodyId: body.id,
    modeId: mode.id,
    cardId: card.id,
    slotId,
    end,
    seconds: length,
    clipGB: null,
    writtenMBps: toMegabytes(need),
    date: today(),
    note: null,
  });
  const question = seconds === null ? null : misfitQuestion(readTest(testOf(seconds, cell.need), body, card));
  const save = (): void => {
    if (seconds === null || cell.need === null) return;
    const test = testOf(seconds, cell.need);
    // Asked once about these very numbers; a second press keeps them in the log, where they prove nothing.
    if (question !== null && asked !== question) {
      setAsked(question);
      return;
    }
    void change(() => noteTest(test, CHANGE_TEXT.tested(modeTitle(mode), card.label))).then((made) => {
      if (!made) return;
      setOpen(false);
      setTime('');
      setAsked(null);
    });
  };
  return (
    <form
      ref={arrival}
      className={css.test}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <fieldset className={css.ends}>
        <legend className="unseen">How the take ended</legend>
        {ENDS.map(([key, word]) => (
          <label key={key} className={css.end}>
            <input type="radio" name="end" checked={end === key} onChange={() => setEnd(key)} /> {word}
          </label>
        ))}
      </fieldset>
      {body.slots.length > 1 && (
        <label className={css.time}>
          <span>in</span>
          <select value={slotId ?? ''} onChange={(event) => setSlotId(event.currentTarget.value)}>
            {body.slots.map((slot) => (
              <option key={slot.id} value={slot.id}>
                {slot.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <TakeLength label="after" text={time} onText={setTime} />
      {question !== null && asked === question && (
        <p className="tone-hot" role="alert">
          {question} Correct the numbers, or log it as it is: it will not count towards any answer.
        </p>
      )}
      <p className={css.method}>
        From cold, worst mode first, until the card is full. One pass is not a guarantee: repeat it three times.
      </p>
      <div className={css.actions}>
        <button type="submit" className="ink-button" disabled={seconds === null}>
          {question !== null && asked === question ? 'Keep it all the same' : 'Note it'}
        </button>
        <button type="button" className="plain-button" onClick={() => setOpen(false)}>
          Cancel
        </button>
      </div>
    </form>
  );
}
