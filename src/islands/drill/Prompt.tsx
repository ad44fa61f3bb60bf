import type { RefObject } from 'react';
import type { Question } from '../../core/drill/question.ts';
import { promptOf, toldOf } from '../../text/drill/question.ts';
import { CardDrawing } from './CardDrawing.tsx';
import css from './DrillView.module.css';

interface PromptProps {
  readonly question: Question;
  readonly headRef: RefObject<HTMLHeadingElement | null>;
}

/** What is asked, with the card or the figures it is asked about. */
export function Prompt({ question, headRef }: PromptProps) {
  const told = toldOf(question);
  const { facts } = question;
  return (
    <>
      <h1 ref={headRef} tabIndex={-1} className={css.prompt}>
        {promptOf(question).map(({ text, key }) => (key ? <em key={text}>{text}</em> : text))}
      </h1>
      {facts.kind === 'label' && (
        <section aria-label="The card">
          <CardDrawing face={facts.face} />
        </section>
      )}
      {told.length > 0 && (
        <dl className={css.told}>
          {told.map(({ name, figure }) => (
            <div key={name}>
              <dt>{name}</dt>
              <dd>{figure}</dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
}
