import { useEffect, useRef, useState } from 'react';
import type { AskRefusal } from '../../core/match/ask/ask.ts';
import type { Asked } from '../../core/match/ask/askLine.ts';
import type { Result } from '../../core/result.ts';
import { FIRST_STEPS, readText } from '../../text/guide/first.ts';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './FirstQuestion.module.css';
import type { Selected } from './selected.ts';

interface FirstQuestionProps {
  readonly text: string;
  readonly answer: Result<Asked, AskRefusal>;
  readonly selected: Selected;
  readonly onLeave: () => void;
}

/** Three minutes with one’s own first question, on the very line that answers it. Left at any moment. */
export default function FirstQuestion({ text, answer, selected, onLeave }: FirstQuestionProps) {
  const [step, setStep] = useState(0);
  const asked = text.trim() !== '';
  const answered = answer.ok && answer.value.kind === 'card' ? answer.value.answer : null;
  const isOpen = selected === 'quick';
  // What is done already is not asked for: the answer is there, or Why is open.
  useEffect(() => {
    if (isOpen) setStep((now) => (now === 1 ? 2 : now));
  }, [isOpen]);
  const head = useRef<HTMLHeadingElement>(null);
  const isFirst = useRef(true);
  useEffect(() => {
    if (isFirst.current) document.getElementById('quick-check')?.focus();
    else if (step >= 0) head.current?.focus();
    isFirst.current = false;
  }, [step]);
  const { title, text: say } = FIRST_STEPS[step] ?? { title: '', text: '' };
  const isLast = step === FIRST_STEPS.length - 1;
  const isReady = step !== 0 || (asked && answer.ok);
  return (
    <section className={css.first} aria-label="Your first question">
      <ol className={css.steps} aria-hidden="true">
        {FIRST_STEPS.map((one, at) => (
          <li key={one.title} data-now={at === step || undefined} data-done={at < step || undefined}>
            {one.title}
          </li>
        ))}
      </ol>
      <div className={css.say} role="status">
        <h2 ref={head} tabIndex={-1} className={css.title}>
          {title} <span className="unseen">{`, step ${step + 1} of ${FIRST_STEPS.length}`}</span>
        </h2>
        <p>
          <WithTerms text={step === 1 ? readText(answered) : say} />
        </p>
      </div>
      <p className={css.ways}>
        {isLast ? (
          <>
            <a className="ink-button" href="/bodies">
              Enter a camera
            </a>
            <a className="ink-button" href="/cards">
              Enter a card
            </a>
          </>
        ) : (
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={!isReady}
            onClick={() => setStep(step + 1)}
          >
            Next
          </button>
        )}
        <button type="button" className="plain-button" onClick={onLeave}>
          {isLast ? 'Done' : 'Leave'}
        </button>
        <a className={css.guide} href="/guide#first-question">
          Later, in the guide
        </a>
      </p>
    </section>
  );
}
