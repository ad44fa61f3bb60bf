import { busesAsked } from '../../app/bodies/busesAsked.ts';
import type { Body, Slot } from '../../core/kit/model.ts';
import css from '../../ui/form.module.css';
import type { DraftForm } from '../../ui/useItemForm.ts';
import { BusChoice } from './BusChoice.tsx';

interface BusQuestionsProps {
  readonly form: DraftForm<Body>;
  readonly slots: readonly Slot[];
}

/** What no kind of camera tells and every answer hangs on, asked before anything else is entered. */
export function BusQuestions({ form, slots }: BusQuestionsProps) {
  if (busesAsked(slots).length === 0) return null;
  return (
    <fieldset className={css.section}>
      <legend className={css.legend}>What the maker’s page says first</legend>
      <p className={css.hint}>
        Until the bus of a slot is entered, the slowest common one is assumed. Leave open what you are not sure of: it
        is asked again where it matters.
      </p>
      <BusChoice
        slots={slots}
        onTell={(asked, bus) => {
          for (const { at, place } of asked.slots) form.setFieldValue(`slots.${at}.accepts.${place}.bus`, bus);
        }}
      />
    </fieldset>
  );
}
