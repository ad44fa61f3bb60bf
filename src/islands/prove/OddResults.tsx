import type { Puzzle } from '../../core/prove/puzzles.ts';
import { entryName, type Named } from '../../text/prove/log.ts';
import { PUZZLE_WORDS } from '../../text/prove/reconcile.ts';
import css from './ProveView.module.css';

interface OddResultsProps {
  readonly odd: readonly Puzzle[];
  readonly named: Named;
  readonly onOpen: (testId: string) => void;
}

/** Results told of under the log; the rest are in it. */
const TOLD = 5;

/** Results that look impossible, the newest entered last. */
export function OddResults({ odd, named, onOpen }: OddResultsProps) {
  return (
    <section className={css.odd} aria-label="Results that look impossible">
      <h2>Results that look impossible</h2>
      <ul>
        {odd.slice(-TOLD).map(({ test, why, ...one }) => (
          <li key={test.id}>
            <button type="button" className="plain-button" onClick={() => onOpen(test.id)}>
              {entryName(
                {
                  kind: 'take' as const,
                  key: test.id,
                  date: '',
                  onTop: false,
                  test,
                  bodyId: one.body.id,
                  cardId: one.card.id,
                },
                named,
              )}
            </button>{' '}
            <span className="soft">{PUZZLE_WORDS[why]}</span>
          </li>
        ))}
      </ul>
      {odd.length > TOLD && <p className="soft">and {odd.length - TOLD} more in the log.</p>}
    </section>
  );
}
