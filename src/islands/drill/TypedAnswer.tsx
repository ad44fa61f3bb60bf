import { useEffect, useId, useRef, useState } from 'react';
import type { Played } from '../../app/drill/rounds.ts';
import type { Given } from '../../core/drill/judge.ts';
import type { Typed } from '../../core/drill/question.ts';
import { type AnswerRefusal, readAnswer } from '../../reading/drill/typedAnswer.ts';
import { typedHint, typedText } from '../../text/drill/question.ts';
import { answerRefusalText } from '../../text/drill/round.ts';
import { plain } from '../../text/quantity.ts';
import { decimalSign } from '../../ui/typedNumber.ts';
import css from './DrillView.module.css';

interface TypedAnswerProps {
  readonly typed: Typed;
  readonly shown: Played | null;
  readonly onAnswer: (given: Given) => void;
}

/** An answer that is reckoned by head and typed. What cannot be read is asked about, and judged by nothing. */
export function TypedAnswer({ typed, shown, onAnswer }: TypedAnswerProps) {
  const [text, setText] = useState('');
  const [refusal, setRefusal] = useState<AnswerRefusal | null>(null);
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const submit = (): void => {
    const read = readAnswer(text, typed.unit, decimalSign());
    if (read.ok) onAnswer({ kind: 'number', value: read.value });
    else {
      setRefusal(read.error);
      field.current?.focus();
    }
  };
  useEffect(() => {
    // With a keyboard at hand one types at once; on a phone the keys would cover the question.
    if (window.matchMedia('(pointer: fine)').matches) field.current?.focus();
  }, []);
  if (shown)
    return (
      <dl className={css.told}>
        <div data-is={shown.judged.isRight ? 'right' : 'wrong'}>
          <dt>Your answer</dt>
          <dd>{shown.given.kind === 'number' ? typedText(shown.given.value, typed.unit) : 'not known'}</dd>
        </div>
        <div>
          <dt>Right</dt>
          <dd>{typedText(typed.right, typed.unit)}</dd>
        </div>
      </dl>
    );
  return (
    <form
      className={css.typed}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <label htmlFor={id}>Your answer, {typedHint(typed)}</label>
      <span className={css.typedRow}>
        <input
          ref={field}
          id={id}
          className={css.field}
          value={text}
          maxLength={60}
          inputMode="decimal"
          autoComplete="off"
          aria-describedby={refusal ? `${id}-refusal` : undefined}
          aria-invalid={refusal ? true : undefined}
          onChange={(event) => {
            setText(event.currentTarget.value);
            setRefusal(null);
          }}
        />
        <button type="submit" className="ink-button" data-strong>
          Answer
        </button>
      </span>
      {refusal && (
        <p id={`${id}-refusal`} className="tone-hot" role="alert">
          {answerRefusalText(refusal)}{' '}
          {refusal.code === 'open' &&
            refusal.couldBe.map((value) => (
              <button
                key={value}
                type="button"
                className="plain-button"
                onClick={() => onAnswer({ kind: 'number', value })}
              >
                {plain(value, 3)}
              </button>
            ))}
        </p>
      )}
    </form>
  );
}
