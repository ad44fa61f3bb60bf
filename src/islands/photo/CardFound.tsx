import { useMemo, useState } from 'react';
import type { TypedLabel } from '../../app/cards/cardDraft.ts';
import { labelReading } from '../../app/cards/labelReading.ts';
import {
  type Answers,
  answerOf,
  type CardQuestion,
  mergedText,
  openQuestions,
  questionsOf,
  toldOf,
} from '../../app/photo/cardQuestions.ts';
import type { OpenedPicture } from '../../app/photo/pictureReader.ts';
import type { MarkFound } from '../../core/photo/findings.ts';
import { labelProblemText } from '../../text/cards/label.ts';
import { doubtText, foundText, notFoundText, shownWord, TOLD_WORDS } from '../../text/photo/picture.ts';
import { CardFace } from '../cards/CardFace.tsx';
import { PictureView } from './PictureView.tsx';
import { PieceView } from './PieceView.tsx';
import css from './picture.module.css';

interface CardFoundProps {
  readonly picture: OpenedPicture;
  readonly findings: readonly MarkFound[];
  /** True until the second reading is done: nothing can be taken over before. */
  readonly isReading: boolean;
  /** What was typed before. */
  readonly typed: TypedLabel;
  readonly onAccept: (text: string) => void;
  readonly onAgain: () => void;
}

/** What was found on a card, piece by piece, to be confirmed: one press takes it over once nothing doubtful stands open. */
export function CardFound({ picture, findings, isReading, typed, onAccept, onAgain }: CardFoundProps) {
  const [answers, setAnswers] = useState<Answers>({});
  const questions = useMemo(() => questionsOf(findings, typed, answers), [findings, typed, answers]);
  const open = openQuestions(questions, answers);
  const outlined = useMemo(
    () =>
      questions.flatMap(({ finding, state }) =>
        finding ? [{ piece: finding.piece, state: state === 'sure' ? ('sure' as const) : ('asked' as const) }] : [],
      ),
    [questions],
  );
  const say = (key: string, word: string | null): void => setAnswers((before) => ({ ...before, [key]: word }));
  const toggle = (word: string): void => {
    const told = toldOf(word);
    const question = questions.find((one) => one.told === told);
    const key = question?.key ?? told;
    if (key === null) return;
    const isOn = question ? answerOf(question, answers) === word : answers[key] === word;
    say(key, isOn ? null : word);
  };
  // A mark tapped on the face that no question asks about.
  const added = Object.entries(answers).flatMap(([key, word]) =>
    word !== null && !questions.some((one) => one.key === key) ? [word] : [],
  );
  const count = (state: CardQuestion['state']): number => questions.filter((one) => one.state === state).length;
  const merged = [mergedText(questions, answers, typed), ...added].filter(Boolean).join(' ');
  // With what was typed: a contradiction between the two is seen at once.
  const face = useMemo(() => labelReading(merged), [merged]);
  const [asksCapacity] = open.filter(({ told }) => told === 'capacity').flatMap(({ options }) => options);
  return (
    <div className={css.found}>
      <div className={css.seen}>
        <PictureView bitmap={picture.bitmap} pieces={outlined} />
      </div>
      <div className={css.answers}>
        <p role="status" className={css.sum}>
          {isReading ? 'Reading it a second time…' : foundText(count('sure'), open.length, count('missing'))}
        </p>
        <ul className={css.questions} aria-label="What was read">
          {questions.map((question) => (
            <QuestionRow
              key={question.key}
              picture={picture}
              question={question}
              answer={answerOf(question, answers)}
              isAnswered={question.key in answers}
              isReading={isReading}
              onSay={(word) => say(question.key, word)}
            />
          ))}
        </ul>
      </div>
      <div className={css.face}>
        <CardFace
          label={face.label}
          form={face.form}
          formName={face.formName}
          asked={open.flatMap(({ options }) => options.slice(0, 1))}
          askedCapacity={asksCapacity ? shownWord(asksCapacity) : null}
          onToggle={toggle}
        />
        {face.problems.length > 0 && (
          <ul className={css.problems} aria-label="What contradicts">
            {face.problems.map(({ problem, isHarmless }) => (
              <li key={JSON.stringify(problem)} className={isHarmless ? 'soft' : 'tone-hot'}>
                {labelProblemText(problem)}
              </li>
            ))}
          </ul>
        )}
      </div>
      <div className={css.foot}>
        <button
          type="button"
          className="ink-button"
          data-strong
          disabled={isReading || open.length > 0 || merged === ''}
          onClick={() => onAccept(merged)}
        >
          {open.length > 0 ? `${open.length} to answer first` : 'That is right: take it over'}
        </button>
        <button type="button" className="ink-button" onClick={onAgain}>
          Another picture
        </button>
        <button type="button" className="plain-button" onClick={() => void savePicture(picture.bitmap)}>
          Save the picture
        </button>
      </div>
    </div>
  );
}

/** The picture is not stored: who wants it has it as a file. */
async function savePicture(bitmap: ImageBitmap): Promise<void> {
  const canvas = document.createElement('canvas');
  canvas.width = bitmap.width;
  canvas.height = bitmap.height;
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.9));
  if (!blob) return;
  const { download } = await import('../../ui/download.ts');
  download('card.jpg', blob, 'image/jpeg');
}

interface QuestionRowProps {
  readonly picture: OpenedPicture;
  readonly question: CardQuestion;
  readonly answer: string | null;
  readonly isAnswered: boolean;
  readonly isReading: boolean;
  readonly onSay: (word: string | null) => void;
}

function QuestionRow({ picture, question, answer, isAnswered, isReading, onSay }: QuestionRowProps) {
  const { told, state, why, finding, options, others } = question;
  const name = TOLD_WORDS[told];
  const isOpen = state === 'asked' && !isAnswered;
  const shown = isReading || isOpen ? 'asked' : state === 'asked' ? 'sure' : state;
  return (
    <li className={css.question} data-state={shown}>
      <span className={css.told}>
        {name}
        {finding && <small title="The recogniser’s own opinion of it">{Math.round(finding.confidence * 100)} %</small>}
      </span>
      {finding ? (
        <PieceView bitmap={picture.bitmap} piece={finding.piece} label={`${name} in the picture`} />
      ) : (
        <span className={css.none}>{answer === null ? notFoundText(told) : ''}</span>
      )}
      <span className={css.word}>
        {isReading && `${shownWord(finding?.word ?? '')}?`}
        {!isReading &&
          !isOpen &&
          (answer !== null ? shownWord(answer) : finding ? <span className="soft">not printed</span> : '')}
      </span>
      {!isReading && (
        <>
          {isOpen && why && <span className={css.why}>{doubtText(why, finding?.texts ?? [])}</span>}
          {/* biome-ignore lint/a11y/useSemanticElements: a fieldset draws a frame and takes no part in a grid. */}
          <div className={css.options} role="group" aria-label={`${name}: what is printed`}>
            {(isOpen || (state === 'missing' && answer === null)) &&
              options.map((word) => (
                <button key={word} type="button" className="ink-button" onClick={() => onSay(word)}>
                  {shownWord(word)}
                </button>
              ))}
            {isOpen && (
              <button type="button" className="plain-button" onClick={() => onSay(null)}>
                Not printed
              </button>
            )}
            <Correct
              name={name}
              told={told}
              choices={isOpen ? others : [...options, ...others]}
              now={answer}
              isMissing={state === 'missing' && answer === null}
              onSay={onSay}
            />
          </div>
        </>
      )}
    </li>
  );
}

interface CorrectProps {
  readonly name: string;
  readonly told: CardQuestion['told'];
  readonly choices: readonly string[];
  readonly now: string | null;
  readonly isMissing: boolean;
  readonly onSay: (word: string | null) => void;
}

/** One press corrects: from a list where there is one, typed where there is none. */
function Correct({ name, told, choices, now, isMissing, onSay }: CorrectProps) {
  const [typed, setTyped] = useState('');
  if (told === 'capacity' || told === 'speed' || told === 'times') {
    const unit = told === 'capacity' ? 'GB' : told === 'speed' ? 'MB/s' : 'x';
    const word = /[a-z]/i.test(typed) ? typed : `${typed}${unit}`;
    const isRead = typed.trim() !== '' && toldOf(word.replace(/\s+/g, '')) === told;
    return (
      <form
        className={css.typed}
        onSubmit={(event) => {
          event.preventDefault();
          event.stopPropagation();
          if (!isRead) return;
          onSay(word.replace(/\s+/g, ''));
          setTyped('');
        }}
      >
        <input
          aria-label={`${name}, typed`}
          className={css.input}
          value={typed}
          placeholder={now ? `not ${now}?` : unit}
          inputMode="decimal"
          autoComplete="off"
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
        {typed.trim() !== '' && (
          <button type="submit" className="plain-button" disabled={!isRead}>
            {isRead ? `It is ${word.replace(/\s+/g, '')}` : `a number with ${unit}`}
          </button>
        )}
      </form>
    );
  }
  return (
    <select
      className={css.menu}
      aria-label={`${name}: something else`}
      value=""
      onChange={(event) => {
        const { value } = event.currentTarget;
        if (value !== '') onSay(value === 'none' ? null : value);
      }}
    >
      <option value="">{isMissing ? 'none printed' : now === null ? 'something else' : 'correct it'}</option>
      {now !== null && <option value="none">not printed</option>}
      {choices
        .filter((word) => word !== now)
        .map((word) => (
          <option key={word}>{word}</option>
        ))}
    </select>
  );
}
