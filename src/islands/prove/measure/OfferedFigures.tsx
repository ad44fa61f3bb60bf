import { useState } from 'react';
import { figureNow, takeFigures, withPair } from '../../../app/prove/measure/measureActions.ts';
import type { Card, CardFigure } from '../../../core/kit/model.ts';
import type { OfferedFigure } from '../../../core/prove/trace/offered.ts';
import { FIGURE_WORDS, figureSourceText } from '../../../text/heat/heatFigures.ts';
import { plain } from '../../../text/quantity.ts';
import { useChange } from '../../../ui/useChange.ts';
import css from './measure.module.css';

interface OfferedFiguresProps {
  readonly card: Card;
  readonly offered: readonly OfferedFigure[];
}

/** Figures of a trace for the heat runs of its card, each beside what it replaces. */
export function OfferedFigures({ card, offered }: OfferedFiguresProps) {
  const change = useChange();
  const [without, setWithout] = useState<ReadonlySet<CardFigure>>(new Set());
  const taken = offered.filter(({ figure }) => !without.has(figure));
  return (
    <>
      <h3>For the simulated takes of {card.label}</h3>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section className={css.scroll} tabIndex={0} aria-label="Figures for simulated takes">
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
                        for (const one of withPair(figure)) {
                          if (event.currentTarget.checked) next.delete(one);
                          else next.add(one);
                        }
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
          Open Heat
        </a>
      </p>
      <p className="soft">
        These figures change heat estimates only. The answers still go by written promises, makers’ figures and your own
        tests in the camera.
      </p>
    </>
  );
}
