import type { HeatMarks } from '../../../app/heat/useHeatMarks.ts';
import { today } from '../../../app/kit/today.ts';
import { cellTone } from '../../../app/match/answers.ts';
import type { Body, PlannedTake, TakeKind } from '../../../core/kit/model.ts';
import type { Board } from '../../../core/match/board.ts';
import { plannedText } from '../../../text/heat/heatWords.ts';
import { dayText } from '../../../text/kit/when.ts';
import { besideText, cardSummary, cellAside, cellFigure, modeTitle } from '../../../text/match/cell.ts';
import { swapAdvice } from '../../../text/match/crew.ts';
import { VERDICT_WORDS } from '../../../text/match/verdict.ts';
import { joined, MBpsText } from '../../../text/quantity.ts';
import { VerdictGlyph } from '../../../ui/glyphs/VerdictGlyph.tsx';
import css from './CrewView.module.css';

interface CrewPageProps {
  readonly body: Body;
  readonly board: Board;
  readonly take: TakeKind;
  readonly headroom: string;
  readonly plan: PlannedTake;
  readonly heat: HeatMarks;
}

/** Cards that meet at least one mode of the body. */
function usefulColumns(made: Board, rowsAt: readonly number[]): readonly number[] {
  return made.cards.flatMap((_, column) =>
    rowsAt.some((row) => {
      const verdict = made.columns[column]?.[row]?.verdict;
      return verdict !== undefined && verdict !== 'unfit';
    })
      ? [column]
      : [],
  );
}

/** Cards beside each other on a sheet of A4 across; more stand in a further table, so that none is cut off on paper. */
const CARDS_ACROSS = 10;

const inTables = (columns: readonly number[]): readonly (readonly number[])[] =>
  Array.from({ length: Math.ceil(columns.length / CARDS_ACROSS) }, (_, at) =>
    columns.slice(at * CARDS_ACROSS, (at + 1) * CARDS_ACROSS),
  );

interface CrewTableProps {
  readonly board: Board;
  readonly rowsAt: readonly number[];
  readonly columns: readonly number[];
  readonly take: TakeKind;
  readonly heat: HeatMarks;
}

function CrewTable({ board: made, rowsAt, columns, take, heat }: CrewTableProps) {
  return (
    <table className={css.table}>
      <thead>
        <tr>
          <th scope="col">Mode</th>
          {columns.map((column) => (
            <th key={made.cards[column]?.id} scope="col">
              {made.cards[column]?.label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rowsAt.map((at) => {
          const row = made.rows[at];
          return (
            row && (
              <tr key={row.mode.id}>
                <th scope="row">
                  {modeTitle(row.mode)}
                  <span className={css.rate}>{row.rate.ok ? MBpsText(row.rate.value.peak) : 'no rate'}</span>
                </th>
                {columns.map((column) => {
                  const cell = made.columns[column]?.[at];
                  const card = made.cards[column];
                  return (
                    cell &&
                    card && (
                      <td key={column} data-tone={cellTone(cell, take)}>
                        <b>{cell.verdict === 'unfit' ? '' : joined(cellFigure(cell))}</b>
                        <span className={css.word}>
                          <VerdictGlyph verdict={cell.verdict} size={11} /> {VERDICT_WORDS[cell.verdict]}
                        </span>
                        {cellAside(cell, card, heat.of(cell)) && (
                          <span className={css.aside}>{cellAside(cell, card, heat.of(cell))}</span>
                        )}
                        {besideText(cell) && <span className={css.beside}>{besideText(cell)}</span>}
                      </td>
                    )
                  );
                })}
              </tr>
            )
          );
        })}
      </tbody>
    </table>
  );
}

/** One body on one page: every mode on every card that meets it. */
export function CrewPage({ body, board: made, take, headroom, plan, heat }: CrewPageProps) {
  const rowsAt = made.rows.flatMap((row, at) => (row.body.id === body.id ? [at] : []));
  const columns = usefulColumns(made, rowsAt);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide table scrolls, and must be reached by keyboard
    <section className={css.page} aria-label={`Crew card of ${body.name}`} tabIndex={0}>
      <header className={css.head}>
        <h2 className={css.name}>{body.name}</h2>
        <p>
          {[body.note, take === 'once' ? 'once-only take' : 'repeatable take', `headroom ${headroom}`]
            .filter(Boolean)
            .join(' · ')}
          <span className={css.made}>
            {dayText(today())}, heat for {plannedText(plan)}
          </span>
        </p>
      </header>
      {columns.length === 0 ? (
        <p>No card of the wallet fits this body.</p>
      ) : (
        inTables(columns).map((some) => (
          <CrewTable key={some[0]} board={made} rowsAt={rowsAt} columns={some} take={take} heat={heat} />
        ))
      )}
      <div className={css.foot}>
        <ul>
          {columns.map((column) => {
            const card = made.cards[column];
            return (
              card && (
                <li key={card.id}>
                  <b>{card.label}</b> {cardSummary(card)}
                </li>
              )
            );
          })}
        </ul>
        <ul>
          {swapAdvice(body).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </div>
    </section>
  );
}
