import type { Played } from '../../app/drill/rounds.ts';
import type { Given } from '../../core/drill/judge.ts';
import type { Choice, Question } from '../../core/drill/question.ts';
import { answerValueText } from '../../text/drill/question.ts';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { CardDrawing } from './CardDrawing.tsx';
import css from './DrillView.module.css';

interface AnswersProps {
  readonly question: Question;
  readonly shown: Played | null;
  readonly onAnswer: (given: Given) => void;
}

const LETTERS = ['a', 'b', 'c', 'd'] as const;

/** What an answer turned out to be, once one was given. */
function outcome(choice: Choice, at: number, shown: Played | null): 'right' | 'wrong' | null {
  if (!shown) return null;
  if (choice.slip === null) return 'right';
  return shown.given.kind === 'choice' && shown.given.at === at ? 'wrong' : null;
}

/** Large answers, one press or one letter each. */
export function Answers({ question, shown, onAnswer }: AnswersProps) {
  const { choices } = question;
  useShortcuts(
    LETTERS.slice(0, choices.length).map((key, at) => ({
      key,
      run: () => !shown && onAnswer({ kind: 'choice', at }),
    })),
  );
  const drawn = choices.some(({ value }) => value.kind === 'face');
  return (
    <ol className={css.answers} aria-label="Answers" data-drawn={drawn || undefined}>
      {choices.map((choice, at) => {
        const is = outcome(choice, at, shown);
        const { value } = choice;
        const text = answerValueText(value);
        return (
          <li key={JSON.stringify(value).slice(0, 400)}>
            <button
              type="button"
              className={css.answer}
              data-is={is ?? undefined}
              disabled={shown !== null}
              aria-keyshortcuts={LETTERS[at]}
              onClick={() => onAnswer({ kind: 'choice', at })}
            >
              <span className={css.letter} aria-hidden="true">
                {LETTERS[at]}
              </span>
              {value.kind === 'face' && <CardDrawing face={value.face} small />}
              {text !== '' && <span className={css.answerText}>{text}</span>}
              {is !== null && (
                <span className={css.said}>
                  {is === 'right' ? 'right' : 'your answer'}
                  {is === 'right' && shown?.given.kind === 'choice' && shown.given.at === at && ', and yours'}
                </span>
              )}
            </button>
          </li>
        );
      })}
    </ol>
  );
}
