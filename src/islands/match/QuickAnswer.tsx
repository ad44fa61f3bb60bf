import type { Answer } from '../../core/ask/answerAsk.ts';
import { toneOf } from '../../core/match/verdict.ts';
import type { Take } from '../../core/model/kit.ts';
import { answerText, forTimeText, readingText, slipText } from '../../text/ask.ts';
import { doubtText } from '../../text/doubt.ts';
import { capacityText, either, MBpsFigure, minutesFigure } from '../../text/quantity.ts';
import { VERDICT_WORDS } from '../../text/verdict.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import css from './QuickAnswer.module.css';

interface QuickAnswerProps {
  readonly answer: Answer;
  readonly take: Take;
  readonly onWhy: () => void;
}

/** The answer from arm's length first, its reason beside it, how the line was read under it. */
export function QuickAnswer({ answer, take, onWhy }: QuickAnswerProps) {
  const { cell } = answer;
  const slip = slipText(answer);
  const time = forTimeText(answer);
  return (
    <div className={css.answer}>
      <div className={css.head}>
        {cell ? (
          <span className={`${css.word} tone-${toneOf(cell.verdict, take)}`}>
            <VerdictGlyph verdict={cell.verdict} size={23} />
            {VERDICT_WORDS[cell.verdict]}
          </span>
        ) : (
          <span className={css.word}>{answer.smallestMarks.length > 0 ? either(answer.smallestMarks) : 'No mark'}</span>
        )}
        <Headline answer={answer} />
      </div>
      <div className={css.reason}>
        <p>
          {answerText(answer)} {time}{' '}
          {cell && (
            <button type="button" className="plain-button" onClick={onWhy}>
              Why
            </button>
          )}
        </p>
        {slip && <p className="tone-hot">{slip}</p>}
        {answer.doubts.map((doubt) => (
          <p key={doubt.code} className="tone-warm">
            {doubtText(doubt)}
          </p>
        ))}
        {answer.ask.readings.length > 0 && (
          <p className={css.readings}>{answer.ask.readings.map(readingText).join(' · ')}</p>
        )}
      </div>
    </div>
  );
}

/** Minutes with a card; without one, the capacity for the time or what is written. */
function Headline({ answer }: { readonly answer: Answer }) {
  const { minutes, forTime, need, cell } = answer;
  if (cell && (cell.verdict === 'unfit' || minutes === null)) return null;
  if (minutes !== null) {
    return (
      <span className={css.figure}>
        <Amount {...minutesFigure(minutes)} />
        <span className={css.kind}> planned</span>
      </span>
    );
  }
  if (forTime) {
    const [figure = '', unit = ''] = capacityText(forTime.sizeSold ?? forTime.label).split('\u00a0');
    return (
      <span className={css.figure}>
        <Amount figure={figure} unit={unit} />
      </span>
    );
  }
  return (
    <span className={css.figure}>
      <Amount {...MBpsFigure(need)} />
    </span>
  );
}
