import { useState } from 'react';
import { newId, saveTest } from '../../app/kitActions.ts';
import type { Test, TestEnd } from '../../core/model/kit.ts';
import { toMBps } from '../../core/units/convert.ts';
import { parseDuration } from '../../core/units/parse.ts';
import { parseText } from '../../text/amount.ts';
import { modeTitle } from '../../text/cell.ts';
import { undoNotice } from '../../ui/undoNotice.tsx';
import { useStored } from '../../ui/useStored.ts';
import type { WhySubject } from './subject.ts';
import css from './WhyTest.module.css';

const ENDS: readonly (readonly [TestEnd, string])[] = [
  ['full', 'ended full'],
  ['dropped', 'dropped frames'],
  ['stopped', 'was stopped'],
  ['cut-off', 'body shut down'],
];

/** Notes one own test of this pair: how it ended and after how long. */
export function WhyTest({ subject }: { readonly subject: WhySubject }) {
  const { cell, body, mode, card } = subject;
  const [open, setOpen] = useState(false);
  const [end, setEnd] = useState<TestEnd>('full');
  const [time, setTime] = useState('');
  const stored = useStored();
  const read = parseDuration(time);
  if (cell.need === null) return null;
  if (!open) {
    return (
      <button type="button" className="plain-button" onClick={() => setOpen(true)}>
        Note a test of this pair
      </button>
    );
  }
  const save = (): void => {
    if (!read.ok || cell.need === null) return;
    const test: Test = {
      id: newId(),
      bodyId: body.id,
      modeId: mode.id,
      cardId: card.id,
      slotId: cell.slotId,
      end,
      seconds: read.value.value,
      clipGB: null,
      writtenMBps: toMBps(cell.need),
      date: new Date().toISOString().slice(0, 10),
      note: null,
    };
    void stored(async () => {
      undoNotice(`Test of ${modeTitle(mode)} on ${card.label} noted.`, await saveTest(test));
      setOpen(false);
      setTime('');
    });
  };
  return (
    <form
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
      <label className={css.time}>
        <span>after</span>
        <input
          value={time}
          placeholder="61 min"
          aria-invalid={time !== '' && !read.ok}
          onChange={(event) => setTime(event.currentTarget.value)}
        />
      </label>
      {time !== '' && !read.ok && (
        <p className="tone-hot" role="alert">
          {parseText('time', read.error)}
        </p>
      )}
      <p className={css.method}>
        From cold, worst mode first, until the card is full. One pass is not a guarantee: repeat it three times.
      </p>
      <div className={css.actions}>
        <button type="submit" className="ink-button" disabled={!read.ok}>
          Note it
        </button>
        <button type="button" className="plain-button" onClick={() => setOpen(false)}>
          Cancel
        </button>
      </div>
    </form>
  );
}
