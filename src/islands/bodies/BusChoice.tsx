import { useState } from 'react';
import { type BusAsked, busesAsked } from '../../app/bodies/busesAsked.ts';
import type { Slot } from '../../core/kit/model.ts';
import type { Bus } from '../../core/standards/buses.ts';
import { busQuestion } from '../../text/bodies/busQuestion.ts';
import { busName, HOW_TO_TELL } from '../../text/match/slotAsked.ts';
import css from '../match/SlotAsked.module.css';

interface BusChoiceProps {
  readonly slots: readonly Slot[];
  /** Before each question, where it is not clear whose slots they are. */
  readonly of?: string;
  readonly onTell: (asked: BusAsked, bus: Bus) => void;
}

/** The buses of slots that nobody entered, a press each; slots alike are told at once, or one by one where they differ. */
export function BusChoice({ slots, of, onTell }: BusChoiceProps) {
  const [apart, setApart] = useState(false);
  return busesAsked(slots, apart).map((asked) => (
    <fieldset key={`${asked.form} ${asked.slots[0]?.at}`} className={css.asked}>
      <legend className={css.question}>
        {of && `${of}, `}
        {busQuestion(asked.form, asked.slots)}
      </legend>
      <p className="soft">{HOW_TO_TELL({ accepts: [{ form: asked.form, bus: null }] })}</p>
      <div className={css.answers}>
        {asked.buses.map((bus) => (
          <button key={bus} type="button" className={css.answer} onClick={() => onTell(asked, bus)}>
            <b>{busName(bus)}</b>
          </button>
        ))}
        {asked.slots.length > 1 && (
          <button type="button" className={css.answer} onClick={() => setApart(true)}>
            They differ: ask for each slot
          </button>
        )}
      </div>
    </fieldset>
  ));
}
