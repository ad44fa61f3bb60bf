import { minutesBeside } from '../../app/match/answers.ts';
import type { StreamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Body, Card } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import { cellSums } from '../../text/bodies/rateLines.ts';
import { minutesKinds } from '../../text/match/minutesKinds.ts';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './WhySums.module.css';

interface WhySumsProps {
  readonly rate: StreamRate;
  readonly body: Body;
  readonly card: Card;
  readonly cell: Cell;
  readonly kit: BoardKit;
}

/** The arithmetic line by line; what the program assumed is marked as such. */
export function WhySums({ rate, body, card, cell, kit }: WhySumsProps) {
  const sums = cellSums(rate, body, card, cell);
  const { known, slowerEnd } = minutesBeside({ cell, body, card }, kit, rate);
  return (
    <section aria-label="Arithmetic" className={css.sums}>
      <dl className={css.list}>
        {sums.map(({ working, result, assumed }) => (
          <div key={working} className={css.line}>
            <dt>
              <WithTerms text={working} />
              {assumed && <span className={css.assumed}> assumed</span>}
            </dt>
            <dd className={css.result}>{result}</dd>
          </div>
        ))}
      </dl>
      <dl className={css.kinds}>
        {minutesKinds(cell, known, slowerEnd).map(({ name, figure }) => (
          <div key={name} className={css.line}>
            <dt>
              <WithTerms text={name} />
            </dt>
            <dd className={css.result}>{figure}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
