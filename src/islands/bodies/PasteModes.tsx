import { useMemo, useState } from 'react';
import type { CounterReading, CounterRounding, Mode } from '../../core/kit/model.ts';
import type { FoundTable } from '../../reading/bodies/manual/manual.ts';
import { RATE_UNITS, type RateUnit, unitIn } from '../../reading/bodies/paste/cells.ts';
import type { ModeColumn } from '../../reading/bodies/paste/columns.ts';
import { isRefusal, readTable } from '../../reading/bodies/paste/cut.ts';
import type { RowAs } from '../../reading/bodies/paste/rows.ts';
import {
  type Chosen,
  cellKey,
  countersOf,
  edited,
  ignoredColumns,
  isOpen,
  questionsOf,
  type ReadRow,
  readingOf,
  readRows,
  type TableReading,
} from '../../reading/bodies/pasteModes.ts';
import { placeText } from '../../text/bodies/manual.ts';
import { ignoredText, missingText, modesText } from '../../text/bodies/pasted.ts';
import { ROUNDING_CHOICES } from '../../ui/choices.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { part } from '../../ui/part.tsx';
import css from '../../ui/paste.module.css';
import ManualField from './ManualField.tsx';
import { PasteQuestions } from './PasteQuestions.tsx';
import { PasteTable } from './PasteTable.tsx';

const TextPicture = part(() => import('../photo/TextPicture.tsx'));

interface PasteModesProps {
  /** How the body's counter rounds, where that is told; its minutes are read like it. */
  readonly counterRounds: CounterRounding | null;
  readonly onAdd: (modes: readonly Mode[], counters: readonly CounterReading[]) => void;
  readonly onClose: () => void;
}

/** What several columns may be. */
const REPEATED: ReadonlySet<ModeColumn> = new Set(['skip', 'name', 'minutes']);

/** Whether any rate stands without a unit of its own, so that the table's counts. */
function hasBareRates({
  rows,
  reading,
}: {
  readonly rows: readonly ReadRow[];
  readonly reading: TableReading;
}): boolean {
  const at = reading.columns.indexOf('rate');
  const rates = rows.filter(({ as }) => as === 'mode').map(({ cells }) => cells[at]?.text ?? '');
  return rates.some((text) => /\d/.test(text) && unitIn(text) === null);
}

/** Where the rows stand in their document: the last lines of a found table, its heading above them left out. */
const placesOf = (source: FoundTable | null, rows: number): readonly string[] | null =>
  source && source.lines.length >= rows ? source.lines.slice(source.lines.length - rows).map(placeText) : null;

/** Modes from a maker's table: paste, see how it is read, mend it in place, add. Nothing is stored before that. */
export default function PasteModes({ counterRounds, onAdd, onClose }: PasteModesProps) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<Chosen>({});
  // Where each line of a manual stands; typed text has no such place.
  const [source, setSource] = useState<FoundTable | null>(null);
  const [picturing, setPicturing] = useState(false);
  const cut = useMemo(() => readTable(text), [text]);
  const read = useMemo(() => {
    if (isRefusal(cut)) return null;
    const table = edited(cut, chosen);
    const reading = readingOf(table, { ...chosen, rounds: chosen.rounds ?? counterRounds });
    const rows = readRows(table, reading, chosen);
    const ignored = ignoredColumns(table, reading.columns);
    return { table, reading, rows, ignored, questions: questionsOf(rows, table, reading) };
  }, [cut, chosen, counterRounds]);
  const choose = (part: Chosen): void => setChosen((before) => ({ ...before, ...part }));
  const setColumn = (at: number, column: ModeColumn): void =>
    choose({
      columns: (read?.reading.columns ?? []).map((one, place) =>
        place === at ? column : one === column && !REPEATED.has(column) ? 'skip' : one,
      ),
    });
  const setRow = (at: number, as: RowAs): void => choose({ as: { ...chosen.as, [at]: as } });
  const setCell = (row: number, column: number, value: string): void =>
    choose({ edits: { ...chosen.edits, [cellKey(row, column)]: value } });
  const modes = read?.rows.flatMap((row) => (row.read?.ok ? row.read.modes : [])) ?? [];
  const failed = read?.rows.filter((row) => row.read?.ok === false).length ?? 0;
  const asks = read !== null && isOpen(read.questions);
  return (
    <Dialog
      opened
      onClose={onClose}
      // Escape shuts the picture alone: both listen.
      closeOnEscape={!picturing}
      size="min(1080px, 96vw)"
      title="Modes from a table"
    >
      <div className={css.paste}>
        <ManualField
          onTable={(table) => {
            setText(table.lines.map(({ cells }) => cells.join('\t')).join('\n'));
            setSource(table);
            setChosen({});
          }}
        />
        <div>
          <button type="button" className="ink-button" onClick={() => setPicturing(true)}>
            Read a table off a picture
          </button>
        </div>
        {picturing && (
          <TextPicture
            kind="table"
            onAccept={(rows) => {
              setText(rows);
              setSource(null);
              setChosen({});
              setPicturing(false);
            }}
            onClose={() => setPicturing(false)}
          />
        )}
        <label className={css.label} htmlFor="paste-modes">
          Or paste the manual’s table, a spreadsheet, or the plain text of a page. Columns may be in any order.
        </label>
        <textarea
          id="paste-modes"
          data-autofocus
          className={css.text}
          rows={read ? 3 : 6}
          value={text}
          placeholder={'4K intra   3840x2160   50p   500 Mb/s\n4K long   3840x2160   25p   100 Mb/s'}
          onChange={(event) => {
            setText(event.currentTarget.value);
            setSource(null);
            setChosen({});
          }}
        />
        {isRefusal(cut) && cut.code === 'too-many' && (
          <p role="alert" className="tone-hot">
            {cut.rows} rows; {cut.max} are read at once. Paste fewer. Nothing was added.
          </p>
        )}
        {read && (
          <>
            <PasteQuestions questions={read.questions} reading={read.reading} onChoose={choose} />
            <PasteTable
              head={read.table.head}
              rows={read.rows}
              places={placesOf(source, read.rows.length)}
              columns={read.reading.columns}
              onColumn={setColumn}
              onRow={setRow}
              onCell={setCell}
            />
            {read.ignored.length > 0 && (
              <p className={css.answered}>Left out: {read.ignored.map(ignoredText).join(' · ')}</p>
            )}
            {read.reading.columns.includes('minutes') && (
              <label className={css.unit}>
                The minutes are rounded{' '}
                <select
                  className={css.menu}
                  value={read.reading.rounds}
                  onChange={(event) => choose({ rounds: event.currentTarget.value as CounterRounding })}
                >
                  {ROUNDING_CHOICES.map(({ value, label }) => (
                    <option key={value} value={value}>
                      {label}
                      {chosen.rounds === undefined && counterRounds === null && value === read.reading.rounds
                        ? ', as most are'
                        : ''}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {hasBareRates(read) && (
              <label className={css.unit}>
                Rates without a unit are in{' '}
                <select
                  className={css.menu}
                  value={read.reading.unit ?? ''}
                  onChange={(event) => choose({ unit: (event.currentTarget.value || null) as RateUnit | null })}
                >
                  <option value="">not told</option>
                  {RATE_UNITS.map((unit) => (
                    <option key={unit}>{unit}</option>
                  ))}
                </select>
              </label>
            )}
          </>
        )}
        <div className={css.foot}>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={modes.length === 0 || asks}
            onClick={() => onAdd(modes, read ? countersOf(read.rows) : [])}
          >
            {modes.length === 0 ? 'Add' : `Add ${modesText(modes.length)}`}
          </button>
          {asks && <p className={css.answered}>Answer the questions above, then add the modes.</p>}
          {!asks && failed > 0 && <p className="tone-hot">{missingText(failed)}</p>}
        </div>
      </div>
    </Dialog>
  );
}
