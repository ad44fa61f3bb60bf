import { useMemo } from 'react';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { benchTable, runsTable } from '../../app/prove/proveViews.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { END_TONE } from '../../text/prove/log.ts';
import {
  BENCH_TABLE_TEXT,
  benchRowName,
  EQUAL_RUNS_TEXT,
  printedText,
  runNote,
  runText,
  spanText,
} from '../../text/prove/runs.ts';
import css from './RunsPart.module.css';

interface RunsPartProps {
  readonly kit: ProveKit;
  readonly openId: string | null;
  readonly onOpen: (testId: string) => void;
}

/** Every take as a table: modes down, cards across, each run with its length, bytes and end. */
export default function RunsPart({ kit, openId, onOpen }: RunsPartProps) {
  const bodies = useMemo(() => runsTable(kit), [kit]);
  const benches = useMemo(() => benchTable(kit.cards, kit.benches), [kit.cards, kit.benches]);
  if (bodies.length === 0 && benches.length === 0)
    return (
      <p className={css.empty}>
        No take of a mode is logged yet. Ten minutes of each mode on each card make a table: what was held stands in its
        cell, and equal bytes say that nothing was lost.
      </p>
    );
  return (
    <div className={css.bodies}>
      {bodies.length > 0 && <p className="soft">{EQUAL_RUNS_TEXT}</p>}
      {bodies.map(({ body, modes, cards, runsOf }) => (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide table scrolls, and must be reached by keyboard
        <section key={body.id} className={css.scroll} aria-label={`Runs of ${body.name}`} tabIndex={0}>
          <table className={css.table}>
            <caption>{body.name}</caption>
            <thead>
              <tr>
                <th scope="col">Mode</th>
                {cards.map((card) => (
                  <th key={card.id} scope="col">
                    {card.label}
                    <small>{cardSummary(card)}</small>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {modes.map((mode) => (
                <tr key={mode.id}>
                  <th scope="row">{modeTitle(mode)}</th>
                  {cards.map((card) => (
                    <td key={card.id}>
                      {runsOf(mode.id, card.id).map((run) => (
                        <button
                          key={run.testId}
                          type="button"
                          className={css.run}
                          aria-current={run.testId === openId ? 'true' : undefined}
                          onClick={() => onOpen(run.testId)}
                        >
                          <b className={`tone-${END_TONE[run.end]}`}>{runText(run)}</b>
                          <small>{runNote(run)}</small>
                        </button>
                      ))}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      {benches.length > 0 && (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a wide table scrolls, and must be reached by keyboard
        <section className={css.scroll} aria-label="At a computer" tabIndex={0}>
          <table className={css.table}>
            <caption>At a computer</caption>
            <thead>
              <tr>
                <th scope="col">Card</th>
                <th scope="col">Lowest</th>
                <th scope="col">Writes</th>
                <th scope="col">Reads</th>
                <th scope="col">Program, reader</th>
              </tr>
            </thead>
            <tbody>
              {benches.flatMap(({ card, rows }) =>
                rows.map((row, at) => (
                  <tr key={row.ids[0]}>
                    {at === 0 && (
                      <th scope="rowgroup" rowSpan={rows.length}>
                        {card.label}
                        <small>{printedText(card)}</small>
                      </th>
                    )}
                    <td>
                      <b>
                        {spanText(row.lowestWrite === null ? null : { least: row.lowestWrite, most: row.lowestWrite })}
                      </b>
                    </td>
                    <td>{row.isAboveBus ? <s>{spanText(row.write)}</s> : spanText(row.write)}</td>
                    <td>{row.isAboveBus ? <s>{spanText(row.read)}</s> : spanText(row.read)}</td>
                    <td>
                      <button type="button" className={css.run} onClick={() => onOpen(row.ids[0] ?? '')}>
                        {benchRowName(row)}
                        <small>{row.runs > 1 ? `${row.runs} times` : ''}</small>
                      </button>
                    </td>
                  </tr>
                )),
              )}
            </tbody>
          </table>
          <p className={css.after}>{BENCH_TABLE_TEXT}</p>
        </section>
      )}
    </div>
  );
}
