import { memo, useEffect, useMemo } from 'react';
import type { HeatMarks } from '../../../app/heat/useHeatMarks.ts';
import { today } from '../../../app/kit/today.ts';
import { cellTone } from '../../../app/match/answers.ts';
import { type CrewColumn, type CrewPageModel, crewPage } from '../../../app/match/crewPage.ts';
import type { Body, PlannedTake } from '../../../core/kit/model.ts';
import type { BoardKit } from '../../../core/match/board.ts';
import type { Cell } from '../../../core/match/cell.ts';
import type { Policy } from '../../../core/match/policy.ts';
import { plannedText } from '../../../text/heat/heatWords.ts';
import { dayText } from '../../../text/kit/when.ts';
import { besideText, byTheBoxText, cardSummary, cellAside, cellFigure, modeTitle } from '../../../text/match/cell.ts';
import { labelsText, leftText, swapAdvice } from '../../../text/match/crew.ts';
import { VERDICT_WORDS } from '../../../text/match/verdict.ts';
import { joined, MBpsText } from '../../../text/quantity.ts';
import { VerdictGlyph } from '../../../ui/glyphs/VerdictGlyph.tsx';
import css from './CrewView.module.css';

interface CrewPageProps {
  readonly body: Body;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly headroom: string;
  readonly plan: PlannedTake;
  readonly heat: HeatMarks;
  /** Is told the cells of the page, for their heat. */
  readonly onBuilt: (bodyId: string, cells: readonly Cell[]) => void;
}

/** Cards beside each other on a sheet of A4 across; more stand in a further table, so that none is cut off on paper. */
const CARDS_ACROSS = 10;
/** Labels at the head of a column of cards of one print. */
const LABELS_ABOVE = 3;
/** Labels at the foot of a page. */
const LABELS_BELOW = 60;

const inTables = (columns: readonly CrewColumn[]): readonly (readonly CrewColumn[])[] =>
  Array.from({ length: Math.ceil(columns.length / CARDS_ACROSS) }, (_, at) =>
    columns.slice(at * CARDS_ACROSS, (at + 1) * CARDS_ACROSS),
  );

interface CrewTableProps extends Pick<CrewPageModel, 'rows' | 'columns'> {
  readonly policy: Policy;
  readonly heat: HeatMarks;
}

function CrewTable({ rows, columns, policy, heat }: CrewTableProps) {
  return (
    <table className={css.table}>
      <thead>
        <tr>
          <th scope="col">Mode</th>
          {columns.map(({ cards }) => (
            <th key={cards[0].id} scope="col">
              {labelsText(cards, LABELS_ABOVE)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, at) => (
          <tr key={row.mode.id}>
            <th scope="row">
              {modeTitle(row.mode)}
              <span className={css.rate}>{row.rate.ok ? MBpsText(row.rate.value.peak) : 'no rate'}</span>
            </th>
            {columns.map(({ cards: [card], cells }) => {
              const cell = cells[at];
              const aside = cell && cellAside(cell, card, heat.of(cell));
              return (
                cell && (
                  <td key={card.id} data-tone={cellTone(cell, policy.take)}>
                    <b>{cell.verdict === 'unfit' ? '' : joined(cellFigure(cell))}</b>
                    <span className={css.word}>
                      <VerdictGlyph verdict={cell.verdict} size={11} /> {VERDICT_WORDS[cell.verdict]}
                    </span>
                    {byTheBoxText(cell) && <span className={css.beside}>{byTheBoxText(cell)}</span>}
                    {aside && <span className={css.aside}>{aside}</span>}
                    {besideText(cell) && <span className={css.beside}>{besideText(cell)}</span>}
                  </td>
                )
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** One body on one page: every mode on every card that meets it. */
export const CrewPage = memo(function CrewPage({ body, kit, policy, headroom, plan, heat, onBuilt }: CrewPageProps) {
  const page = useMemo(() => crewPage(kit, body, policy), [kit, body, policy]);
  useEffect(
    () =>
      onBuilt(
        body.id,
        page.columns.flatMap(({ cells }) => cells),
      ),
    [onBuilt, body.id, page],
  );
  const { rows, columns, left } = page;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide table scrolls, and must be reached by keyboard
    <section className={css.page} aria-label={`Crew card of ${body.name}`} tabIndex={0}>
      <header className={css.head}>
        <h2 className={css.name}>{body.name}</h2>
        <p>
          {[body.note, policy.take === 'once' ? 'once-only take' : 'repeatable take', `headroom ${headroom}`]
            .filter(Boolean)
            .join(' · ')}
          <span className={css.made}>
            {dayText(today())}, heat for {plannedText(plan)}
          </span>
        </p>
      </header>
      {columns.length === 0 ? (
        <p>None of your cards fits this camera.</p>
      ) : (
        inTables(columns).map((some) => (
          <CrewTable key={some[0]?.cards[0].id} rows={rows} columns={some} policy={policy} heat={heat} />
        ))
      )}
      {left > 0 && <p>{leftText(left)}</p>}
      <div className={css.foot}>
        <ul>
          {columns.map(({ cards }) => (
            <li key={cards[0].id}>
              <b>{labelsText(cards, LABELS_BELOW)}</b> {cardSummary(cards[0])}
            </li>
          ))}
        </ul>
        <ul>
          {swapAdvice(body).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </div>
    </section>
  );
});
