import { Modal, Select } from '@mantine/core';
import { useMemo, useState } from 'react';
import { guessColumns, isRefusal, MODE_COLUMNS, type ModeColumn, modeOfRow, readTable } from '../../app/pasteModes.ts';
import type { Mode } from '../../core/model/kit.ts';
import { streamRate } from '../../core/rate/streamRate.ts';
import { modeTitle } from '../../text/cell.ts';
import { MBpsText } from '../../text/quantity.ts';
import css from '../../ui/paste.module.css';

interface PasteModesProps {
  readonly onAdd: (modes: readonly Mode[]) => void;
  readonly onClose: () => void;
}

const COLUMN_WORDS: Readonly<Record<ModeColumn, string>> = {
  skip: 'leave out',
  name: 'name',
  size: 'size, 3840x2160',
  width: 'width',
  height: 'height',
  fps: 'recorded fps',
  capture: 'captured fps',
  rate: 'rate',
  codec: 'codec family',
};

const PROBLEM_WORDS = { name: 'no name', fps: 'no frame rate', rate: 'rate not understood' } as const;

/** Modes from a maker's table: paste, say what each column is, see what comes of it, add. */
export default function PasteModes({ onAdd, onClose }: PasteModesProps) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<readonly ModeColumn[] | null>(null);
  const table = useMemo(() => readTable(text), [text]);
  const columns = isRefusal(table) ? [] : (chosen ?? guessColumns(table));
  const rows = isRefusal(table) ? [] : table.rows.map((row) => modeOfRow(row, columns));
  const modes = rows.flatMap((row) => (row.ok ? [row.mode] : []));
  const setColumn = (at: number, column: ModeColumn): void =>
    setChosen(
      columns.map((one, place) => (place === at ? column : one === column && column !== 'skip' ? 'skip' : one)),
    );
  return (
    <Modal opened onClose={onClose} size="xl" title="Modes from a table" closeButtonProps={{ 'aria-label': 'Close' }}>
      <div className={css.paste}>
        <label className={css.label} htmlFor="paste-modes">
          Paste rows from a spreadsheet or manual: name, size, fps, Mb/s, in any order.
        </label>
        <textarea
          id="paste-modes"
          className={css.text}
          rows={5}
          value={text}
          placeholder={'Mode\tSize\tfps\tMb/s\n4K intra\t3840x2160\t50\t500'}
          onChange={(event) => {
            setText(event.currentTarget.value);
            setChosen(null);
          }}
        />
        {isRefusal(table) && table.code === 'too-many' && (
          <p role="alert" className="tone-hot">
            {table.rows} rows; {table.max} are read at once. Paste fewer. Nothing was added.
          </p>
        )}
        {!isRefusal(table) && (
          <>
            <div className={css.columns}>
              {table.head.map((title, at) => (
                <Select
                  key={at}
                  label={title || `column ${at + 1}`}
                  data={MODE_COLUMNS.map((value) => ({ value, label: COLUMN_WORDS[value] }))}
                  value={columns[at] ?? 'skip'}
                  allowDeselect={false}
                  comboboxProps={{ transitionProps: { duration: 0 } }}
                  onChange={(column) => column && setColumn(at, column as ModeColumn)}
                />
              ))}
            </div>
            <ul className={css.preview} aria-label="What comes of it">
              {rows.map((row, at) => (
                <li key={at} className={css.row}>
                  {row.ok ? (
                    <Preview mode={row.mode} />
                  ) : (
                    <span className="tone-hot">
                      row {at + 1}: {PROBLEM_WORDS[row.problem]}
                      {row.text && ` (“${row.text}”)`}, left out
                    </span>
                  )}
                </li>
              ))}
            </ul>
          </>
        )}
        <div>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={modes.length === 0}
            onClick={() => onAdd(modes)}
          >
            {modes.length === 0 ? 'Add' : `Add ${modes.length}`}
          </button>
        </div>
      </div>
    </Modal>
  );
}

function Preview({ mode }: { readonly mode: Mode }) {
  const rate = streamRate(mode);
  return (
    <>
      <b>{modeTitle(mode)}</b>
      <span className="soft">{mode.width && mode.height ? `${mode.width} × ${mode.height}` : 'no size'}</span>
      <span>{rate.ok ? MBpsText(rate.value.peak) : ''}</span>
    </>
  );
}
