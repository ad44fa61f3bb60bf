import { tellOtherForms } from '../../app/bodies/bodyActions.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import { otherFormQuestion } from '../../text/match/slotAsked.ts';
import { OTHER_FORMS_CHOICES } from '../../ui/choices.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './SlotAsked.module.css';

/** What a body that asks for marks of one form does with a card of another: asked once a body, where it bites. */
export function LockAsked({ subject: { body, cell } }: { readonly subject: WhySubject }) {
  const change = useChange();
  const question = otherFormQuestion(body, cell);
  if (question === null) return null;
  return (
    <fieldset className={css.asked}>
      <legend className={css.question}>{question}</legend>
      <div className={css.answers}>
        {OTHER_FORMS_CHOICES.map(({ value, label }) => (
          <button
            key={value}
            type="button"
            className={css.answer}
            onClick={() => void change(() => tellOtherForms(body, value))}
          >
            <b>{label}</b>
          </button>
        ))}
      </div>
    </fieldset>
  );
}
