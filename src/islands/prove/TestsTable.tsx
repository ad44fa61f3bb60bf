import { useMemo, useState } from 'react';
import { fileText, readTable } from '../../app/prove/files.ts';
import { addTests } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { lineProblemText, tableText } from '../../text/prove/files.ts';
import { END_WORD, takeName } from '../../text/prove/log.ts';
import { takeText } from '../../text/quantity.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import css from '../../ui/paste.module.css';
import { useChange } from '../../ui/useChange.ts';

interface TestsTableProps {
  readonly kit: ProveKit;
  readonly onClose: () => void;
}

/** Problems told one by one; the rest are counted. */
const TOLD = 12;

/** A table of tests, dropped or pasted: what would come in is shown first, and then all of it comes in or nothing. */
export default function TestsTable({ kit, onClose }: TestsTableProps) {
  const [text, setText] = useState('');
  const [unread, setUnread] = useState(false);
  const change = useChange();
  const table = useMemo(() => (text.trim() === '' ? null : readTable(text, kit)), [text, kit]);
  const tests = table?.code === 'read' && table.problems.length === 0 ? table.tests : [];
  return (
    <Dialog opened onClose={onClose} size="xl" title="Tests from a table">
      <div className={css.paste}>
        <label className={css.label}>
          A CSV file, or lines pasted below. The first line names the columns: camera, mode, card, end, minutes or
          seconds.{' '}
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            onChange={(event) => {
              const file = event.currentTarget.files?.[0];
              if (file)
                void fileText(file).then((read) => {
                  setUnread(!read.ok);
                  if (read.ok) setText(read.value);
                });
            }}
          />
        </label>
        <textarea
          className={css.text}
          rows={8}
          aria-label="Lines of the table"
          value={text}
          placeholder={'camera,mode,fps,card,end,minutes\nWherry,8K raw 5:1,50,A-02,full,30:40'}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        {unread && (
          <p role="alert" className="tone-hot">
            The file could not be read. Choose it again, or paste its lines.
          </p>
        )}
        {table && (
          <p role="status" className={table.code === 'read' && table.problems.length === 0 ? '' : 'tone-hot'}>
            {tableText(table)}
          </p>
        )}
        {tests.length > 0 && (
          <ul className={css.preview} aria-label="What would come in">
            {tests.slice(0, TOLD).map((test, at) => (
              <li key={at} className={css.row}>
                <b>{takeName(test, kit)}</b>
                <span>
                  {END_WORD[test.end]} after {takeText(test.seconds as Seconds)}
                  {test.date && `, ${test.date}`}
                </span>
              </li>
            ))}
            {tests.length > TOLD && <li className={css.row}>and {tests.length - TOLD} more</li>}
          </ul>
        )}
        {table?.code === 'read' && table.problems.length > 0 && (
          <ul className={css.preview} aria-label="To correct first">
            {table.problems.slice(0, TOLD).map((problem) => (
              <li key={JSON.stringify(problem)} className={`${css.row} tone-hot`}>
                {lineProblemText(problem)}
              </li>
            ))}
            {table.problems.length > TOLD && <li className={css.row}>and {table.problems.length - TOLD} more</li>}
          </ul>
        )}
        <div className={css.foot}>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={tests.length === 0}
            onClick={() => void change(() => addTests(tests)).then((made) => made && onClose())}
          >
            {tests.length === 0 ? 'Add' : `Add ${tests.length}`}
          </button>
        </div>
      </div>
    </Dialog>
  );
}
