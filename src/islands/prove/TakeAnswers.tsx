import { useState } from 'react';
import { setHolds, setRatio, setTakeRate } from '../../app/prove/proveActions.ts';
import { holdsBy, namedRatio, ofOneRatio, takeRate } from '../../app/prove/proveViews.ts';
import type { Mode } from '../../core/kit/model.ts';
import type { Placed } from '../../core/prove/puzzles.ts';
import { dayText } from '../../text/kit/when.ts';
import { holdsText, takeRateText } from '../../text/prove/reconcile.ts';
import { plain } from '../../text/quantity.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './Puzzle.module.css';

interface TakeAnswersProps {
  readonly placed: Placed;
  readonly mode: Mode;
  /** The compression that explains the take best; null where none does. */
  readonly ratio: number | null;
}

/** What a take answers, each taken into use with one press: the compression of its mode and all like it, its rate, what the stated rates of its body hold. */
export function TakeAnswers({ placed, mode, ratio }: TakeAnswersProps) {
  const { test, body, card } = placed;
  const change = useChange();
  const [names, setNames] = useState(true);
  const told = takeRate(placed);
  const holds = holdsBy(placed);
  const alike = ofOneRatio(body, mode);
  const old = mode.rate.kind === 'raw' ? mode.rate.ratio : null;
  const isNamed = ratio !== null && old !== null && alike.some(({ name }) => namedRatio(name, old, ratio) !== null);
  const sourceNote = `take on ${card.label}${test.date ? `, ${dayText(test.date)}` : ''}`.slice(0, 200);
  return (
    <>
      {ratio !== null && old !== null && (
        <p className={css.ways}>
          <button
            type="button"
            className="ink-button"
            onClick={() => void change(() => setRatio(body, [mode], ratio, names))}
          >
            Set the mode to {plain(ratio)}:1
          </button>
          {alike.length > 1 && (
            <button
              type="button"
              className="ink-button"
              onClick={() => void change(() => setRatio(body, alike, ratio, names))}
            >
              Set all {alike.length} modes of this picture to {plain(ratio)}:1
            </button>
          )}
          {isNamed && (
            <label className={css.names}>
              <input type="checkbox" checked={names} onChange={(event) => setNames(event.currentTarget.checked)} />{' '}
              names that say {plain(old)}:1, too
            </label>
          )}
        </p>
      )}
      {told && (
        <p>
          {takeRateText(told)}{' '}
          <button
            type="button"
            className="plain-button"
            onClick={() => void change(() => setTakeRate(body, mode, { ...told.rate, sourceNote }))}
          >
            Use it as this mode’s rate
          </button>
        </p>
      )}
      {holds && (
        <p>
          {holdsText(holds, body.name)}{' '}
          <button type="button" className="plain-button" onClick={() => void change(() => setHolds(body, holds))}>
            Use this for the camera
          </button>
        </p>
      )}
    </>
  );
}
