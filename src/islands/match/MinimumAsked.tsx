import { useState } from 'react';
import { MINIMUM_RANGE, noteMinimum } from '../../app/cards/cardActions.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import { typedNumber } from '../../ui/typedNumber.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './WhyTest.module.css';

/** Whether the card bears no mark at all, in force or not: one that only does not count here is another question. */
const isUnmarked = ({ findings }: WhySubject['cell']): boolean =>
  findings.some((one) => one.rule === 'guarantee' && one.mark === null && one.notInForce.length === 0);

/** Where no mark promises anything: most fast cards bear none, and their maker may state a minimum in writing. */
export function MinimumAsked({ subject: { card, cell } }: { readonly subject: WhySubject }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const [source, setSource] = useState('');
  const change = useChange();
  if (cell.need === null || cell.doubted || card.minimumMBps != null || !isUnmarked(cell)) return null;
  if (!open)
    return (
      <button type="button" className="plain-button" onClick={() => setOpen(true)}>
        Does its maker state a minimum write speed?
      </button>
    );
  const { min, max } = MINIMUM_RANGE;
  const read = typedNumber(typed, { min, max });
  const MBps = read.ok && read.value >= min && read.value <= max ? read.value : null;
  return (
    <form
      className={css.test}
      onSubmit={(event) => {
        event.preventDefault();
        if (MBps !== null) void change(() => noteMinimum(card, MBps, source.trim()));
      }}
    >
      <label className={css.time}>
        <span>Minimum write, MB/s</span>
        <input
          value={typed}
          inputMode="decimal"
          aria-invalid={(typed !== '' && MBps === null) || undefined}
          // biome-ignore lint/a11y/noAutofocus: it was pressed to be typed in
          autoFocus
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
      </label>
      <label className={css.time}>
        <span>Written where</span>
        <input value={source} maxLength={200} onChange={(event) => setSource(event.currentTarget.value)} />
      </label>
      {typed !== '' && MBps === null && (
        <p className="tone-hot" role="alert">
          A number of MB/s, such as 200: the lowest that its maker promises in writing, not a peak.
        </p>
      )}
      <p className={css.method}>In writing, for a whole take. “Up to” is a peak and no minimum.</p>
      <div className={css.actions}>
        <button type="submit" className="ink-button" disabled={MBps === null}>
          Note it
        </button>
        <button type="button" className="plain-button" onClick={() => setOpen(false)}>
          Cancel
        </button>
      </div>
    </form>
  );
}
