import { Modal, Select } from '@mantine/core';
import { useMemo, useState } from 'react';
import { ratesOf } from '../../app/bodies/modeDoubts.ts';
import type { Mode } from '../../core/kit/model.ts';
import { RATE_UNITS, type RateUnit } from '../../reading/bodies/paste/cells.ts';
import type { Decimal } from '../../reading/bodies/paste/numbers.ts';
import {
  type Chosen,
  isRefusal,
  MODE_COLUMNS,
  type ModeColumn,
  modeOfRow,
  questionsOf,
  readingOf,
  readTable,
} from '../../reading/bodies/pasteModes.ts';
import { MBpsText, MbpsText, plain } from '../../text/quantity.ts';
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
  fps: 'frame rate, 50 or 100/25',
  capture: 'captured fps',
  rate: 'rate',
  codec: 'codec family',
};

const PROBLEM_WORDS = {
  name: 'no name',
  fps: 'no frame rate',
  rate: 'rate not understood',
  asked: 'waits for the answer above',
} as const;

/** Modes from a maker's table: paste, say what each column is, see how every row is read, add. */
export default function PasteModes({ onAdd, onClose }: PasteModesProps) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<Chosen>({});
  const table = useMemo(() => readTable(text), [text]);
  const reading = isRefusal(table) ? null : readingOf(table, chosen);
  const questions = isRefusal(table) || !reading ? null : questionsOf(table, reading);
  const rows = isRefusal(table) || !reading ? [] : table.rows.map((row) => modeOfRow(row, reading));
  const modes = rows.flatMap((row) => (row.ok ? [row.mode] : []));
  const asks = questions !== null && (questions.unit !== null || questions.decimal !== null || questions.at);
  const choose = (part: Chosen): void => setChosen({ ...chosen, ...part });
  const setColumn = (at: number, column: ModeColumn): void =>
    choose({
      columns: (reading?.columns ?? []).map((one, place) =>
        place === at ? column : one === column && column !== 'skip' ? 'skip' : one,
      ),
    });
  return (
    <Modal opened onClose={onClose} size="xl" title="Modes from a table">
      <div className={css.paste}>
        <label className={css.label} htmlFor="paste-modes">
          Paste rows from a spreadsheet or manual: name, size, frame rate and rate, in any order.
        </label>
        <textarea
          id="paste-modes"
          className={css.text}
          rows={5}
          value={text}
          placeholder={'Mode\tSize\tfps\tMb/s\n4K intra\t3840x2160\t50\t500'}
          onChange={(event) => {
            setText(event.currentTarget.value);
            setChosen({});
          }}
        />
        {isRefusal(table) && table.code === 'too-many' && (
          <p role="alert" className="tone-hot">
            {table.rows} rows; {table.max} are read at once. Paste fewer. Nothing was added.
          </p>
        )}
        {!isRefusal(table) && reading && questions && (
          <>
            <div className={css.columns}>
              {table.head.map((title, at) => (
                <Select
                  key={at}
                  label={title || `column ${at + 1}`}
                  data={MODE_COLUMNS.map((value) => ({ value, label: COLUMN_WORDS[value] }))}
                  value={reading.columns[at] ?? 'skip'}
                  allowDeselect={false}
                  onChange={(column) => column && setColumn(at, column as ModeColumn)}
                />
              ))}
              {reading.columns.includes('rate') && (
                <Select
                  label="Unit of bare rates"
                  data={[...RATE_UNITS]}
                  value={reading.unit}
                  placeholder="which?"
                  onChange={(unit) => choose({ unit: unit as RateUnit | null })}
                />
              )}
            </div>
            <Ask open={questions.unit !== null} text={`“${questions.unit}” has no unit: in what is the rate column?`}>
              {(['Mb/s', 'MB/s'] as const).map((unit) => (
                <Choice key={unit} text={unit} onPick={() => choose({ unit })} />
              ))}
            </Ask>
            <Ask
              open={questions.decimal !== null}
              text={`“${questions.decimal}”: is the sign in it between thousands, or before the decimals?`}
            >
              {thousandReadings(questions.decimal ?? '').map(([shown, decimal]) => (
                <Choice key={decimal} text={shown} onPick={() => choose({ decimal })} />
              ))}
            </Ask>
            <Ask
              open={questions.at}
              text="Rates of slow-motion rows: of which speed are they? Makers mostly mean the captured one."
            >
              <Choice text="the captured speed" onPick={() => choose({ at: 'captured' })} />
              <Choice text="the recorded speed" onPick={() => choose({ at: 'recorded' })} />
            </Ask>
            {reading.at !== null && (
              <p className={css.answered}>
                Slow-motion rates are those of the {reading.at} speed.{' '}
                <Choice text="change" onPick={() => choose({ at: null })} />
              </p>
            )}
            <ul className={css.preview} aria-label="What comes of it">
              {rows.map((row, at) => (
                <li key={at} className={css.row}>
                  {row.ok ? (
                    <Preview mode={row.mode} />
                  ) : (
                    <span className={row.problem === 'asked' ? 'tone-warm' : 'tone-hot'}>
                      row {at + 1}: {PROBLEM_WORDS[row.problem]}
                      {row.text && ` (“${row.text}”)`}
                      {row.problem === 'asked' ? '' : ', left out'}
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
            disabled={modes.length === 0 || asks}
            onClick={() => onAdd(modes)}
          >
            {modes.length === 0 ? 'Add' : `Add ${modes.length}`}
          </button>
          {asks && <p className={css.answered}>Answer what is asked above first: nothing is guessed.</p>}
        </div>
      </div>
    </Modal>
  );
}

/** Both readings of `1,200`, each with the decimal sign that makes it. */
function thousandReadings(text: string): readonly (readonly [string, Decimal])[] {
  const digits = text.replace(/[^\d.,]/g, '');
  const isComma = digits.includes(',');
  const whole = digits.replace(/[.,]/g, '');
  const parts = digits.replace(',', '.');
  return isComma
    ? [
        [`${whole} in whole`, 'point'],
        [`${plain(Number(parts), 3)} with decimals`, 'comma'],
      ]
    : [
        [`${whole} in whole`, 'comma'],
        [`${plain(Number(parts), 3)} with decimals`, 'point'],
      ];
}

function Ask({
  open,
  text,
  children,
}: {
  readonly open: boolean;
  readonly text: string;
  readonly children: React.ReactNode;
}) {
  if (!open) return null;
  return (
    <fieldset className={css.ask}>
      <legend>{text}</legend>
      <span className={css.choices}>{children}</span>
    </fieldset>
  );
}

const Choice = ({ text, onPick }: { readonly text: string; readonly onPick: () => void }) => (
  <button type="button" className="plain-button" onClick={onPick}>
    {text}
  </button>
);

/** How a row was read: name, speeds, size, the rate as stated in both units, and what it then writes. */
function Preview({ mode }: { readonly mode: Mode }) {
  const { stated, peak } = ratesOf(mode);
  const speeds =
    mode.captureFps === null ? `${plain(mode.fps, 3)} fps` : `${plain(mode.captureFps, 3)} → ${plain(mode.fps, 3)} fps`;
  return (
    <>
      <b>{mode.name}</b>
      <span>{speeds}</span>
      <span className="soft">{mode.width && mode.height ? `${mode.width} × ${mode.height}` : 'no size'}</span>
      <span>{stated === null ? '' : `${MbpsText(stated)} = ${MBpsText(stated)}`}</span>
      <span className="soft">{peak === null ? '' : `writes ${MBpsText(peak)}`}</span>
    </>
  );
}
