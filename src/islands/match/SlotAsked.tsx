import { tellBus } from '../../app/bodies/bodyActions.ts';
import type { Body } from '../../core/kit/model.ts';
import type { Move } from '../../core/match/move.ts';
import { busName, HOW_TO_TELL } from '../../text/match/slotAsked.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { VerdictGlyph } from '../../ui/glyphs/VerdictGlyph.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './SlotAsked.module.css';

interface SlotAskedProps {
  readonly body: Body;
  readonly move: Extract<Move, { code: 'tell-bus' }>;
}

/** The bus of a slot that nobody told, asked where it bites: each answer with what the cell would read, one press away. */
export function SlotAsked({ body, move }: SlotAskedProps) {
  const change = useChange();
  const slot = body.slots.find(({ id }) => id === move.slotId);
  if (!slot) return null;
  return (
    <fieldset className={css.asked}>
      <legend className={css.question}>Which bus does {slot.name} have?</legend>
      <p className="soft">{HOW_TO_TELL(slot)}</p>
      <div className={css.answers}>
        {move.answers.map(({ bus, verdict, tone }) => (
          <button
            key={bus}
            type="button"
            className={css.answer}
            onClick={() => void change(() => tellBus(body, slot.id, bus))}
          >
            <b>{busName(bus)}</b>
            <span className={`${css.verdict} tone-${tone}`}>
              <VerdictGlyph verdict={verdict} size={14} /> {VERDICT_WORDS[verdict]}
            </span>
          </button>
        ))}
      </div>
    </fieldset>
  );
}
