import { cellTone } from '../../app/match/answers.ts';
import type { TakeKind } from '../../core/kit/model.ts';
import type { Asked } from '../../core/match/ask/askLine.ts';
import type { OtherAnswer } from '../../core/match/ask/otherQuestions.ts';
import { answerText } from '../../text/match/ask.ts';
import { otherText } from '../../text/match/asked.ts';
import { copySeconds, timeFigure } from '../../text/match/ownCopy.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { either, type Figure, MBpsFigure, minutesFigure, plain } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import css from './QuickAnswer.module.css';

interface QuickOtherProps {
  readonly asked: Exclude<Asked, { readonly kind: 'card' }>;
  /** Own modes that write at the rate that was asked for. */
  readonly fits: readonly string[];
  readonly take: TakeKind;
  readonly onReplace: (text: string) => void;
}

/** What is answered, as a word and a figure. */
function headOf(asked: OtherAnswer): readonly [word: string, figure: Figure] {
  switch (asked.kind) {
    case 'playback':
      return ['Plays', { figure: timeFigure(asked.playback.plays), unit: '' }];
    case 'copying':
      return ['Copies in', { figure: timeFigure(copySeconds(asked.copying.seconds)), unit: '' }];
    case 'rate-was':
      return ['It was', MBpsFigure(asked.rateWas.rate)];
    case 'stills': {
      const { asked: what, pictures, each, bytes } = asked.stills;
      if (what === 'card') return ['Fit on', { figure: plain(bytes / 1e9, 0), unit: 'GB' }];
      return what === 'pictures'
        ? ['Holds', { figure: plain(pictures, 0), unit: 'pictures' }]
        : ['Each has', { figure: plain(each / 1e6, 1), unit: 'MB' }];
    }
  }
}

/** The answer to a line that asks for several cards side by side, or for something else than a stream on a card. */
export function QuickOther({ asked, fits, take, onReplace }: QuickOtherProps) {
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
        <p>
          {otherText(asked)} {fits.length > 0 && `It fits ${either(fits)}.`}
        </p>
      </div>
    </div>
  );
}
