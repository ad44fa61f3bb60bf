import { useEffect, useEffectEvent, useState } from 'react';
import { files } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { FoundTable } from '../../reading/bodies/manual/manual.ts';
import { foundText, manualProblemText } from '../../text/bodies/manual.ts';
import { DropZone } from '../../ui/DropZone.tsx';
import css from '../../ui/paste.module.css';
import { TaskNote } from '../../ui/TaskNote.tsx';

interface ManualFieldProps {
  readonly onTable: (table: FoundTable) => void;
}

/** A manual that is dropped: the tables of modes found in it, each to be looked at before anything comes of it. */
export default function ManualField({ onTable }: ManualFieldProps) {
  const [file, setFile] = useState<File | null>(null);
  const [open, setOpen] = useState<FoundTable | null>(null);
  const [state, again] = useTask(files, 'manual', file);
  const answer = state.phase === 'done' ? state.answer : null;
  const tables = answer?.ok ? answer.value.tables : [];
  const look = (table: FoundTable): void => {
    setOpen(table);
    onTable(table);
  };
  const lookAtOnly = useEffectEvent(() => {
    const [only, ...more] = tables.filter(({ modes }) => modes > 0);
    if (only && more.length === 0) look(only);
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: another answer has other pages; the effect reads them itself
  useEffect(lookAtOnly, [answer]);
  return (
    <>
      <DropZone
        label="or let one fall here: PDF, web page, spreadsheet"
        choose="Choose a manual"
        accept=".pdf,.html,.htm,.xlsx,.csv,.tsv,.txt,application/pdf,text/html"
        onFiles={([one]) => {
          if (!one) return;
          setOpen(null);
          setFile(one);
        }}
      />
      <TaskNote state={state} what="the modes in this file" onAgain={again} />
      {answer && !answer.ok && (
        <p className={css.ask} role="alert">
          {manualProblemText(answer.error)}
        </p>
      )}
      {tables.length > 0 && (
        <ul className={css.preview} aria-label="Tables found in it">
          {tables.map((table, at) => (
            <li key={at} className={css.row}>
              <button type="button" className="plain-button" aria-pressed={table === open} onClick={() => look(table)}>
                {foundText(table)}
              </button>
              <span className="soft">
                {table.lines
                  .find(({ cells }) => cells.length > 1)
                  ?.cells.join(' · ')
                  .slice(0, 90)}
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
