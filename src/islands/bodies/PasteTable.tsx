import { memo, type RefObject, useRef, useState } from 'react';
import { ratesOf } from '../../app/bodies/modeDoubts.ts';
import type { Mode } from '../../core/kit/model.ts';
import { MODE_COLUMNS, type ModeColumn } from '../../reading/bodies/paste/columns.ts';
import { ROW_AS, type RowAs } from '../../reading/bodies/paste/rows.ts';
import type { ReadRow } from '../../reading/bodies/pasteModes.ts';
import { asideText, COLUMN_WORDS, counterRateText, PROBLEM_WORDS, ROW_WORDS } from '../../text/bodies/pasted.ts';
import { modeSpeed } from '../../text/match/cell.ts';
import { MBpsText, MbpsText } from '../../text/quantity.ts';
import css from './PasteTable.module.css';

interface PasteTableProps {
  readonly head: readonly string[];
  readonly rows: readonly ReadRow[];
  /** Where each row stands in its document; null where it was typed or pasted. */
  readonly places?: readonly string[] | null;
  readonly columns: readonly ModeColumn[];
  readonly onColumn: (at: number, column: ModeColumn) => void;
  readonly onRow: (at: number, as: RowAs) => void;
  readonly onCell: (row: number, column: number, text: string) => void;
}

/** A pasted table as it is read: a menu over each column, every cell can be mended, and beside each row what comes of it. */
export function PasteTable({ head, rows, places = null, columns, onColumn, onRow, onCell }: PasteTableProps) {
  const now = useRef({ onRow, onCell });
  now.current = { onRow, onCell };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section className={css.scroll} aria-label="What comes of it" tabIndex={0}>
      <table className={css.table}>
        <thead>
          <tr>
            <th scope="col">Read as</th>
            {head.map((title, at) => (
              <th key={at} scope="col">
                <select
                  className={css.menu}
                  aria-label={`Column ${at + 1}, ${title}, is`}
                  value={columns[at] ?? 'skip'}
                  data-off={columns[at] === 'skip' || undefined}
                  onChange={(event) => onColumn(at, event.currentTarget.value as ModeColumn)}
                >
                  {MODE_COLUMNS.map((column) => (
                    <option key={column} value={column}>
                      {COLUMN_WORDS[column]}
                    </option>
                  ))}
                </select>
                <span className={css.title}>{title}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            <PasteRow key={at} row={row} place={places?.[at] ?? null} at={at} columns={columns} now={now} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface PasteRowProps {
  readonly row: ReadRow;
  readonly place: string | null;
  readonly at: number;
  readonly columns: readonly ModeColumn[];
  readonly now: RefObject<Pick<PasteTableProps, 'onRow' | 'onCell'>>;
}

/** Whether two readings of a row look the same; a mode that is read again has another id. */
const looksSame = (a: PasteRowProps, b: PasteRowProps): boolean =>
  a.at === b.at && a.place === b.place && a.columns.join() === b.columns.join() && lookOf(a.row) === lookOf(b.row);

const lookOf = (row: ReadRow): string => JSON.stringify(row, (key, value) => (key === 'id' ? undefined : value));

/** One row, drawn anew only where its reading changed: a table has hundreds. */
const PasteRow = memo(function PasteRow({ row, place: source, at, columns, now }: PasteRowProps) {
  return (
    <tr data-as={row.as}>
      <th scope="row" className={css.reading}>
        {source && <span className={css.source}>{source}</span>}
        <Reading row={row} at={at} onRow={(place, as) => now.current?.onRow(place, as)} />
      </th>
      {row.cells.map(({ text, above }, place) => (
        <td key={place} data-off={columns[place] === 'skip' || undefined}>
          <EditCell
            text={text}
            above={above}
            name={`${COLUMN_WORDS[columns[place] ?? 'skip']}, row ${at + 1}`}
            isBad={row.read?.ok === false && row.read.column === place && row.read.problem !== 'asked'}
            onText={(next) => now.current?.onCell(at, place, next)}
          />
        </td>
      ))}
    </tr>
  );
}, looksSame);

function Reading({
  row,
  at,
  onRow,
}: {
  readonly row: ReadRow;
  readonly at: number;
  readonly onRow: PasteTableProps['onRow'];
}) {
  return (
    <>
      {row.read?.ok && row.read.modes.map((mode) => <OneMode key={mode.id} mode={mode} />)}
      {row.read?.ok && row.read.aside.length > 0 && <span className="tone-warm">{asideText(row.read.aside)}</span>}
      {row.read?.ok === false && (
        <span className={row.read.problem === 'asked' ? 'tone-warm' : 'tone-hot'}>
          {PROBLEM_WORDS[row.read.problem]}
        </span>
      )}
      <select
        className={css.as}
        aria-label={`Row ${at + 1} is`}
        value={row.as}
        onChange={(event) => onRow(at, event.currentTarget.value as RowAs)}
      >
        {ROW_AS.map((as) => (
          <option key={as} value={as}>
            {ROW_WORDS[as]}
          </option>
        ))}
      </select>
    </>
  );
}

/** How a row was read: name, speeds, the rate as stated in both units, and what it then writes. */
function OneMode({ mode }: { readonly mode: Mode }) {
  const { stated, peak } = ratesOf(mode, null);
  return (
    <span className={css.mode}>
      <b>{mode.name}</b> {modeSpeed(mode)}
      {stated !== null && (
        <span className={css.rate}>
          {MbpsText(stated)} = {MBpsText(stated)}
          {peak !== null && `, writes ${MBpsText(peak)}`}
        </span>
      )}
      {mode.rate.kind === 'counter' && <span className={css.rate}>{counterRateText(mode.rate)}</span>}
    </span>
  );
}

interface EditCellProps {
  readonly text: string;
  readonly above: boolean;
  readonly name: string;
  readonly isBad: boolean;
  readonly onText: (text: string) => void;
}

/** A cell as it was pasted; pressed, it can be typed on. One that stops its row is open from the start. */
function EditCell({ text, above, name, isBad, onText }: EditCellProps) {
  const [typing, setTyping] = useState(false);
  if (!typing && !isBad)
    return (
      <button
        type="button"
        className={css.cell}
        data-above={above || undefined}
        aria-label={`${name}: ${text || 'empty'}${above ? ', from the row above' : ''}. Change it`}
        onClick={() => setTyping(true)}
      >
        {text || '–'}
      </button>
    );
  return (
    <input
      className={css.input}
      aria-label={name}
      aria-invalid={isBad || undefined}
      // biome-ignore lint/a11y/noAutofocus: it was pressed to be typed on
      autoFocus={typing}
      value={text}
      onFocus={() => setTyping(true)}
      onBlur={() => setTyping(false)}
      onChange={(event) => onText(event.currentTarget.value)}
    />
  );
}
