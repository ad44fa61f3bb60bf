import { useRef, useState } from 'react';
import type { TraceProblem } from '../../app/heat/demandTrace.ts';
import { averageDemand } from '../../core/heat/writepath/demand.ts';
import { paceText } from '../../text/heat/heatWords.ts';
import { Line } from '../../ui/LineField.tsx';
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

const problemText = (problem: TraceProblem): string => {
  switch (problem.code) {
    case 'empty':
      return 'This file holds no numbers. Give one rate in MB/s a line, one line a second.';
    case 'too-long':
      return `This file has more than ${problem.max} lines. Cut it down: the trace repeats to the end of the take.`;
    case 'not-a-rate':
      return `Line ${problem.line}: “${problem.text}” is no rate in MB/s from 0 to 1,000,000. Nothing was taken over.`;
  }
};

/** What the mode writes; or a clip's own rate, second by second, from a file of one number a line. */
export function TraceField({ label, mode, trace, lost, onTrace }: TraceFieldProps) {
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    // The table reader comes with it; most runs never open a file.
    const { demandOfText } = await import('../../app/heat/demandTrace.ts');
    const result = demandOfText(await chosen.text());
    setProblem(result.ok ? null : problemText(result.error));
    if (result.ok) onTrace(result.value);
  };
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
          void open(event.currentTarget.files?.[0]);
          event.currentTarget.value = '';
        }}
      />
      {note && <p className={css.tail}>{note}</p>}
      {problem && (
        <p className={css.problem} role="alert">
          {problem}
        </p>
      )}
    </>
  );
}
