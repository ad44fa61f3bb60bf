import { useState } from 'react';
import {
  figureNow,
  keepTrace,
  offeredOf,
  type TraceKept,
  takeFigures,
} from '../../../app/prove/measure/measureActions.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { CardFigure } from '../../../core/kit/model.ts';
import { FIGURE_WORDS, figureSourceText } from '../../../text/heat/heatFigures.ts';
import { cardSummary } from '../../../text/match/cell.ts';
import { plain } from '../../../text/quantity.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { useChange } from '../../../ui/useChange.ts';
import css from './measure.module.css';

interface KeepTraceProps {
  readonly kit: ProveKit;
  readonly trace: TraceKept;
  /** Whether it may be kept: false while something about it is still asked. */
  readonly isOpen?: boolean;
  readonly cardId?: string;
  /** Words that verify the card, where it was read back in full; null where it was not. */
  readonly verifies?: string | null;
}

/** Keeps a trace with a card, and offers its figures to the card’s heat runs, each beside what it replaces. */
export function KeepTrace({ kit, trace, isOpen = true, cardId = '', verifies = null }: KeepTraceProps) {
  const change = useChange();
  const [chosenId, setChosenId] = useState(cardId);
  const [without, setWithout] = useState<ReadonlySet<CardFigure>>(new Set());
  const [keptWith, setKeptWith] = useState<string | null>(null);
  const card = kit.cards.find(({ id }) => id === chosenId);
  const offered = offeredOf(trace.reading);
  const taken = offered.filter(({ figure }) => !without.has(figure));
  if (kit.cards.length === 0) return <p className="soft">To keep it, add the card under Cards first.</p>;
  return (
    <section className={css.part} aria-label="Keep it with a card">
      <Chips
        legend="Of which card is it?"
        value={chosenId}
        choices={kit.cards.map((one) => ({ value: one.id, label: one.label, note: cardSummary(one) }))}
        onChange={setChosenId}
      />
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
          {!trace.fault && (
            <>
              <h3>For the heat runs of {card.label}</h3>
              {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
              <section className={css.scroll} tabIndex={0} aria-label="Figures for heat runs">
                <table className={css.table}>
                  <thead>
                    <tr>
                      <th scope="col">Use</th>
                      <th scope="col">Figure</th>
                      <th scope="col" className={css.number}>
                        This trace
                      </th>
                      <th scope="col">In place of</th>
                    </tr>
                  </thead>
                  <tbody>
                    {offered.map(({ figure, value }) => {
                      const now = figureNow(card, figure);
                      const { name, unit } = FIGURE_WORDS[figure];
                      return (
                        <tr key={figure}>
                          <td>
                            <input
                              type="checkbox"
                              aria-label={`Use ${name}`}
                              checked={!without.has(figure)}
                              onChange={(event) => {
                                const next = new Set(without);
                                if (event.currentTarget.checked) next.delete(figure);
                                else next.add(figure);
                                setWithout(next);
                              }}
                            />
                          </td>
                          <td>{name}</td>
                          <td className={css.number}>
                            {plain(value, 2)} {unit}
                          </td>
                          <td>
                            {now
                              ? `${plain(now.value, 2)} ${unit}, ${figureSourceText(now.source)}`
                              : 'what its marks promise, or the mode needs'}
                          </td>
                        </tr>
                      );
                    })}
                  </tbody>
                </table>
              </section>
              <p className={css.actions}>
                <button
                  type="button"
                  className="ink-button"
                  disabled={taken.length === 0}
                  onClick={() => void change(() => takeFigures(card, taken))}
                >
                  Use {taken.length === 1 ? 'this figure' : `these ${taken.length} figures`}
                </button>
                <a className="plain-button" href={`/heat?card=${encodeURIComponent(card.id)}`}>
                  Open Heat run
                </a>
              </p>
              <p className="soft">
                They move heat runs alone. Whether a mode holds is still asked of promises and of takes in the camera.
              </p>
            </>
          )}
        </>
      )}
    </section>
  );
}
