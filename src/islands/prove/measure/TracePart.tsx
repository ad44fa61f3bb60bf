import { useMemo, useState } from 'react';
import { sampleFile } from '../../../app/prove/measure/samples.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import { files } from '../../../app/tasks/clients.ts';
import { useTask } from '../../../app/tasks/useTask.ts';
import { type TraceSaid, WRITE_UNITS, type WriteUnit } from '../../../reading/prove/writeTrace.ts';
import { traceFormText } from '../../../text/prove/trace.ts';
import { Chips } from '../../../ui/Chips.tsx';
import { DropZone } from '../../../ui/DropZone.tsx';
import { TaskNote } from '../../../ui/TaskNote.tsx';
import { KeepTrace } from './KeepTrace.tsx';
import css from './measure.module.css';
import { TraceAsk } from './TraceAsk.tsx';
import { TraceFound } from './TraceFound.tsx';

/** A trace that was given: dropped, chosen or pasted. */
interface Given {
  readonly name: string;
  readonly text: string | File;
}

/** A log of a card being written: taken apart, kept as evidence, and offered to heat runs. */
export default function TracePart({ kit }: { readonly kit: ProveKit }) {
  const [given, setGiven] = useState<Given | null>(null);
  const [pasted, setPasted] = useState('');
  const [said, setSaid] = useState<TraceSaid>({});
  const request = useMemo(() => (given ? { text: given.text, said } : null), [given, said]);
  const [state, again] = useTask(files, 'writeTrace', request);
  const answer = state.phase === 'done' ? state.answer : null;
  const take = (next: Given | null): void => {
    setGiven(next);
    setSaid({});
  };
  const sample = (key: 'cache' | 'heat'): void =>
    void sampleFile(key).then((file) => file && take({ name: file.name, text: file }));
  const problem = answer && !answer.ok ? answer.error : null;
  return (
    <section className={css.part} aria-label="A write trace">
      <h2>How a card was written</h2>
      {!given && (
        <>
          <p className={css.lead}>
            A log with a time and a rate in each line, and a temperature if there is one, or as dd, pv, iostat, vmstat,
            fio and copy tools print it. A card’s burst, its cache, what it holds and when it throttles are in it.
          </p>
          <DropZone
            label="or let a CSV fall here"
            choose="Choose a log"
            accept=".csv,.txt,.tsv,.log,text/csv,text/plain"
            onFiles={([file]) => file && take({ name: file.name, text: file })}
          />
          <label htmlFor="trace-text" className="soft">
            Or paste its lines
          </label>
          <textarea
            id="trace-text"
            className={css.area}
            value={pasted}
            placeholder={'time (s), MB/s, °C\n0, 512.4, 31\n1, 508.9, 32'}
            onChange={(event) => setPasted(event.currentTarget.value)}
          />
          <p className={css.actions}>
            <button
              type="button"
              className="ink-button"
              data-strong
              disabled={pasted.trim() === ''}
              onClick={() => take({ name: 'pasted lines', text: pasted })}
            >
              Analyse it
            </button>
          </p>
          <p className={css.samples}>
            None at hand? Try
            <button type="button" className="plain-button" onClick={() => sample('cache')}>
              a card with a cache
            </button>
            <button type="button" className="plain-button" onClick={() => sample('heat')}>
              a card in the sun
            </button>
            or save{' '}
            <a href="/samples/card-with-cache.csv" download>
              one
            </a>{' '}
            or{' '}
            <a href="/samples/card-in-the-sun.csv" download>
              the other
            </a>
          </p>
        </>
      )}
      {given && (
        <p className={css.actions}>
          <b>{given.name}</b>
          <button type="button" className="plain-button" onClick={() => take(null)}>
            Another
          </button>
        </p>
      )}
      <TaskNote state={state} what="this trace" onAgain={again} />
      {problem && <TraceAsk problem={problem} onSay={(part) => setSaid({ ...said, ...part })} />}
      {answer?.ok && given && (
        <>
          {!answer.value.read.unitSaid && (
            <div className={css.ask}>
              <Chips
                legend="The file does not name its unit. Its rates are in"
                value={answer.value.read.unit}
                choices={WRITE_UNITS.map((value) => ({ value, label: value }))}
                onChange={(value) => setSaid({ ...said, unit: value as WriteUnit })}
              />
            </div>
          )}
          <p className="soft">
            {traceFormText(answer.value.read, answer.value.reading.rows)}
            {answer.value.read.unread > 0 &&
              ` ${answer.value.read.unread} rows are no figures and left out, the first in line ${answer.value.read.firstUnread[0]?.line}: “${answer.value.read.firstUnread[0]?.text}”.`}
          </p>
          <TraceFound
            name={given.name}
            reading={answer.value.reading}
            points={answer.value.drawn}
            celsius={answer.value.celsius}
          />
          <KeepTrace
            kit={kit}
            isOpen={answer.value.read.unitSaid}
            trace={{
              reading: answer.value.reading,
              bySecond: answer.value.bySecond,
              program: 'sequential',
              note: given.name.slice(0, 200),
            }}
          />
        </>
      )}
    </section>
  );
}
