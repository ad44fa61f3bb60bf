import { cellTone } from '../../app/match/answers.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import type { Asked } from '../../core/match/ask/askLine.ts';
import type { OtherAnswer } from '../../core/match/ask/otherQuestions.ts';
import { answerText } from '../../text/match/ask.ts';
import { otherText } from '../../text/match/asked.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { clockText, type Figure, MBpsFigure, minutesFigure, plain, takeText } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import css from './QuickAnswer.module.css';

interface QuickOtherProps {
  readonly asked: Exclude<Asked, { readonly kind: 'card' }>;
  readonly take: TakeKind;
  readonly onReplace: (text: string) => void;
}

/** Below this many seconds a time is shown as minutes and seconds. */
const CLOCK_BELOW = 6000;

/** What is answered, as a word and a figure. */
function headOf(asked: OtherAnswer): readonly [word: string, figure: Figure] {
  switch (asked.kind) {
    case 'playback': {
      const { plays } = asked.playback;
      return ['Plays', { figure: plays < CLOCK_BELOW ? clockText(plays) : takeText(plays), unit: '' }];
    }
    case 'copying': {
      const { seconds } = asked.copying;
      return ['Copies in', { figure: seconds < CLOCK_BELOW ? clockText(seconds) : takeText(seconds), unit: '' }];
    }
    case 'rate-was':
      return ['It was', MBpsFigure(asked.rateWas.rate)];
    case 'stills': {
      const { asked: what, pictures, each } = asked.stills;
      return what === 'pictures'
        ? ['Holds', { figure: plain(pictures, 0), unit: 'pictures' }]
        : ['Each has', { figure: plain(each / 1e6, 1), unit: 'MB' }];
    }
  }
}

/** The answer to a line that asks for several cards side by side, or for something else than a stream on a card. */
export function QuickOther({ asked, take, onReplace }: QuickOtherProps) {
  if (asked.kind === 'choice')
    return (
      <ul className={css.choices} aria-label="Each by itself">
        {asked.choices.map(({ piece, line, answer }) => (
          <li key={line} className={css.choice}>
            <button type="button" className="plain-button" onClick={() => onReplace(line)}>
              {piece}
            </button>
            {answer.cell && (
              <span className={`${css.choiceWord} tone-${cellTone(answer.cell, take)}`}>
                <VerdictGlyph verdict={answer.cell.verdict} size={16} />
                {answer.needsMark ? 'Depends on the mark' : VERDICT_WORDS[answer.cell.verdict]}
              </span>
            )}
            {answer.minutes !== null && <Amount {...minutesFigure(answer.minutes)} />}
            <span className="soft">{answerText(answer)}</span>
          </li>
        ))}
      </ul>
    );
  const [word, figure] = headOf(asked);
  return (
    <div className={css.answer}>
      <div className={css.head}>
        <span className={css.word}>{word}</span>
        <span className={css.figure}>
          <Amount {...figure} />
        </span>
      </div>
      <div className={css.reason}>
        <p>{otherText(asked)}</p>
      </div>
    </div>
  );
}
