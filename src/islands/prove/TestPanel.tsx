import { useState } from 'react';
import type { Draft } from '../../app/kit/draft.ts';
import { againAs, markLooked, moveTest } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { placedTest, reconcileTest } from '../../app/prove/proveViews.ts';
import type { Test } from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import type { PuzzleWhy } from '../../core/prove/puzzles.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { degreesText } from '../../text/heat/heatWords.ts';
import { dayText } from '../../text/kit/when.ts';
import { END_TONE, END_WORD, entryName, type Named } from '../../text/prove/log.ts';
import { takeText } from '../../text/quantity.ts';
import { useChange } from '../../ui/useChange.ts';
import { Puzzle } from './Puzzle.tsx';
import { TestForm } from './TestForm.tsx';
import css from './TestPanel.module.css';

interface TestPanelProps {
  readonly kit: ProveKit;
  readonly entry: Extract<Entry, { kind: 'take' }>;
  readonly isGone: boolean;
  readonly named: Named;
  /** Why its result is worth a look; null where it is as believed. */
  readonly why: PuzzleWhy | null;
  readonly onDelete: () => void;
  readonly onAgain: (test: Draft<Test>) => void;
  readonly onClose: () => void;
}

/** One take: how it went, what its numbers say, and what can be done with it. */
export function TestPanel({ kit, entry, isGone, named, why, onDelete, onAgain, onClose }: TestPanelProps) {
  const { test } = entry;
  const [editing, setEditing] = useState(false);
  const change = useChange();
  const one = placedTest(kit, test);
  const told = one ? reconcileTest(one) : null;
  const facts = [
    test.date && dayText(test.date),
    test.ambientWithSunC != null && `air ${degreesText(test.ambientWithSunC)}`,
    test.start && `started ${test.start}`,
    test.firmware && `firmware ${test.firmware}`,
    test.clipGB != null && `clip ${test.clipGB} GB`,
  ].filter(Boolean);
  const run = one?.mode
    ? `/heat?body=${encodeURIComponent(test.bodyId)}&mode=${encodeURIComponent(one.mode.id)}&card=${encodeURIComponent(test.cardId)}`
    : null;
  return (
    <div className={css.panel}>
      <header className={css.head}>
        <h2>{entryName(entry, named)}</h2>
        <button type="button" className="plain-button" onClick={onClose}>
          Close
        </button>
      </header>
      <p className={css.ended}>
        <b>{takeText(test.seconds as Seconds)}</b> <b className={`tone-${END_TONE[test.end]}`}>{END_WORD[test.end]}</b>
      </p>
      {facts.length > 0 && <p className="soft">{facts.join(' · ')}</p>}
      {test.warning && <p>The camera said: “{test.warning}”</p>}
      {test.note && <p>{test.note}</p>}
      {!one && (
        <p className="tone-warm">
          This take does not count: its camera or card was deleted from your kit. The entry stays in the log. Delete it,
          or restore the card under Kit, Last changes.
        </p>
      )}
      {entry.onTop && (
        <p className="tone-hot">
          It failed after this pair had passed.{' '}
          <button type="button" className="plain-button" onClick={() => void change(() => markLooked(test))}>
            Mark as checked
          </button>
        </p>
      )}
      {!isGone && (
        <p className={css.actions}>
          <button type="button" className="ink-button" onClick={() => onAgain(againAs(test))}>
            The same again
          </button>
          <button type="button" className="ink-button" aria-expanded={editing} onClick={() => setEditing(!editing)}>
            {editing ? 'Leave it as it is' : 'Change it'}
          </button>
          <button type="button" className="plain-button" onClick={onDelete}>
            Delete
          </button>
          {run && <a href={run}>Open it in Heat</a>}
        </p>
      )}
      {(editing || isGone) && (
        <TestForm
          kit={kit}
          test={test}
          isNew={false}
          isGone={isGone}
          onSaved={() => setEditing(false)}
          onTime={null}
          onClose={onClose}
        />
      )}
      {one && told && (
        <Puzzle
          reconciled={told.reconciled}
          nominalMBps={told.nominalMBps}
          body={one.body}
          mode={one.mode}
          placed={one}
          why={why}
          onMove={(modeId) => void change(() => moveTest(test, modeId, one.body))}
        />
      )}
    </div>
  );
}
