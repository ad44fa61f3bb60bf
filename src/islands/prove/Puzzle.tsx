import { modeOfRatio } from '../../app/prove/proveViews.ts';
import type { Body, Mode } from '../../core/kit/model.ts';
import type { Placed, PuzzleWhy } from '../../core/prove/puzzles.ts';
import type { Reconciled } from '../../core/prove/reconcile.ts';
import { paceText } from '../../text/heat/heatWords.ts';
import { modeTitle } from '../../text/match/cell.ts';
import {
  bufferText,
  explanationText,
  NO_BYTES_TEXT,
  PUZZLE_WORDS,
  ruledOutText,
  supportText,
  supportWord,
} from '../../text/prove/reconcile.ts';
import { plain } from '../../text/quantity.ts';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './Puzzle.module.css';
import { TakeAnswers } from './TakeAnswers.tsx';

interface PuzzleProps {
  readonly reconciled: Reconciled;
  readonly body: Body;
  readonly mode: Mode | null;
  /** The take itself. */
  readonly placed: Placed;
  /** What the card was believed to be written, MB/s. */
  readonly nominalMBps: number;
  /** Why it is worth a look; null: it is looked at all the same. */
  readonly why: PuzzleWhy | null;
  /** The take was of another mode. */
  readonly onMove: (modeId: string) => void;
}

/** A result beside what was believed: the ratio, what explains it and how strongly, and what would settle it. */
export function Puzzle({ reconciled, body, mode, placed, nominalMBps, why, onMove }: PuzzleProps) {
  const { implied, ratioToNominal, explanations, ruledOut, buffer, silent } = reconciled;
  const [first] = explanations;
  const ratio = first?.code === 'compression-ratio' && mode?.rate.kind === 'raw' ? first.to : null;
  const other = ratio !== null && mode ? modeOfRatio(body, mode, ratio) : null;
  return (
    <section className={css.puzzle} aria-label="What its numbers say">
      <h3>{why ? 'This looks impossible' : 'What its numbers say'}</h3>
      {why && <p>{PUZZLE_WORDS[why]}</p>}
      {ratioToNominal !== null && implied && (
        <p className={css.ratio}>
          <b>{plain(ratioToNominal, ratioToNominal < 0.1 ? 3 : 2)}</b>
          <span>
            of the rate believed: {paceText(implied.MBps)} went onto the card, not {paceText(nominalMBps)}. Between{' '}
            {paceText(implied.low)} and {paceText(implied.high)}, its own errors allowed.
          </span>
        </p>
      )}
      {silent && <p className="soft">{NO_BYTES_TEXT}</p>}
      {explanations.length > 0 && (
        <ul className={css.reasons}>
          {explanations.slice(0, 4).map((one) => {
            const { word, tone } = supportWord(one.support);
            return (
              <li key={JSON.stringify(one)}>
                <span>
                  <WithTerms text={explanationText(one)} />
                </span>
                <b className={`tone-${one.code === 'unknown' ? 'warm' : tone}`}>
                  {one.code === 'unknown' ? 'open' : word}
                  <small>{one.code === 'unknown' ? '' : supportText(one.support)}</small>
                </b>
              </li>
            );
          })}
          {ruledOut.map((one) => (
            <li key={one.code} className="soft">
              <span>{ruledOutText(one)}</span>
              <span>ruled out</span>
            </li>
          ))}
        </ul>
      )}
      {buffer && <p className="soft">Could the buffer explain it? {bufferText(buffer)}</p>}
      {why && (
        <p className="soft">
          To settle this, measure a clip of that take: <a href="/prove?at=measure&what=clip">measure one</a>.
        </p>
      )}
      {other && (
        <p className={css.ways}>
          <button type="button" className="ink-button" onClick={() => onMove(other.id)}>
            The take was {modeTitle(other)}
          </button>
        </p>
      )}
      {mode && <TakeAnswers placed={placed} mode={mode} ratio={ratio} />}
    </section>
  );
}
