import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { averageDemand } from '../../app/heat/heatViews.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import { paceText } from '../../text/heat/heatWords.ts';
import { traceProblemText } from '../../text/heat/trace.ts';
import { Line } from '../../ui/LineField.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import css from './HeatView.module.css';

interface TraceFieldProps {
  /** What the mode writes, in words. */
  readonly label: string;
  readonly mode: string;
  readonly trace: readonly number[] | null;
  /** True where a clip was in use before the page was loaded anew. */
  readonly lost: boolean;
  readonly onTrace: (trace: readonly number[] | null) => void;
}

/** What the mode writes; or a clip's own rate, second by second, from a file of one number a line. */
export function TraceField({ label, mode, trace, lost, onTrace }: TraceFieldProps) {
  const file = useRef<HTMLInputElement>(null);
  const [chosen, setChosen] = useState<File | null>(null);
  // Read beside the page: a recorder's log of a day is tens of megabytes.
  const [state, again] = useTask(computation, 'trace', chosen);
  const taken = useEffectEvent(onTrace);
  const result = state.phase === 'done' ? state.answer : null;
  const problem = result && !result.ok ? traceProblemText(result.error) : null;
  useEffect(() => {
    if (!result?.ok) return;
    taken(result.value);
    setChosen(null);
  }, [result]);
  const note = trace
    ? `${trace.length} s of a clip, repeated, instead of ${mode}`
    : lost
      ? 'An address cannot carry the rates of a clip. Open its file again, or keep the take next time.'
      : undefined;
  return (
    <>
      <Line label="Writes" htmlFor="demand-file">
        <span>{trace ? paceText(averageDemand({ demandMBps: 0, demandTraceMBps: trace })) : label}</span>
        <button
          id="demand-file"
          type="button"
          className={css.tiny}
          onClick={() => (trace ? onTrace(null) : file.current?.click())}
        >
          {trace ? 'as the mode' : 'from a clip'}
        </button>
      </Line>
      <input
        ref={file}
        type="file"
        accept=".csv,.txt,text/csv,text/plain"
        className="unseen"
        tabIndex={-1}
        aria-label="File of rates, one a second"
        onChange={(event) => {
          setChosen(event.currentTarget.files?.[0] ?? null);
          event.currentTarget.value = '';
        }}
      />
      <TaskNote state={state} what="the rates of this file" onAgain={again} />
      {note && <p className={css.tail}>{note}</p>}
      {problem && (
        <p className={css.problem} role="alert">
          {problem}
        </p>
      )}
    </>
  );
}
