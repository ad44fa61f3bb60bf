import { useState } from 'react';
import { keepTrace, offeredOf, type TraceKept } from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import { cardSummary } from '../../../text/match/cell.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { useChange } from '../../../ui/useChange.ts';
import css from './measure.module.css';
import { OfferedFigures } from './OfferedFigures.tsx';

interface KeepTraceProps {
  readonly kit: ProveKit;
  readonly trace: TraceKept;
  /** Whether it may be kept: false while something about it is still asked. */
  readonly isOpen?: boolean;
  readonly cardId?: string;
  /** Whose it is was said before. */
  readonly isFixed?: boolean;
  /** Words that verify the card, where it was read back in full; null where it was not. */
  readonly verifies?: string | null;
}

/** Keeps a trace with a card, and offers its figures to the card’s heat runs, each beside what it replaces. */
export function KeepTrace({
  kit,
  trace,
  isOpen = true,
  cardId = '',
  isFixed = false,
  verifies = null,
}: KeepTraceProps) {
  const change = useChange();
  const [chosenId, setChosenId] = useState(cardId);
  const [keptWith, setKeptWith] = useState<string | null>(null);
  const card = kit.cards.find(({ id }) => id === chosenId);
  if (kit.cards.length === 0) return <p className="soft">To keep it, add the card under Cards first.</p>;
  return (
    <section className={css.part} aria-label="Keep it with a card">
      {!isFixed && (
        <Chips
          legend="Of which card is it?"
          value={chosenId}
          choices={kit.cards.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) }))}
          onChange={setChosenId}
        />
      )}
      {card && (
        <>
          <p className={css.actions}>
            <button
              type="button"
              className="ink-button"
              data-strong
              disabled={keptWith === card.id}
              onClick={() =>
                void change(() => keepTrace(card, trace, verifies)).then((isMade) => isMade && setKeptWith(card.id))
              }
            >
              {keptWith === card.id
                ? 'Kept'
                : trace.fault?.retires
                  ? `Note it and retire ${card.label}`
                  : verifies
                    ? `Keep it: ${card.label} is verified`
                    : `Keep it as evidence of ${card.label}`}
            </button>
            {!isOpen && <span className="tone-warm">Its unit was not named: look at the figures first.</span>}
          </p>
          {!trace.fault && <OfferedFigures key={card.id} card={card} offered={offeredOf(trace.reading)} />}
        </>
      )}
    </section>
  );
}
