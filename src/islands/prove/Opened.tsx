import type { Draft } from '../../app/kit/draft.ts';
import { today } from '../../app/kit/today.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import type { Stopwatch } from '../../app/prove/stopwatch.ts';
import type { BenchResult, Clearing, Test } from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import type { PuzzleWhy } from '../../core/prove/puzzles.ts';
import { newId } from '../../kit/newId.ts';
import { entryName, type Named } from '../../text/prove/log.ts';
import { part } from '../../ui/part.tsx';
import { BenchForm, BurstForm } from './MeasureForms.tsx';
import { CounterForm, IncidentForm } from './NoteForms.tsx';
import css from './ProveView.module.css';
import { TestForm } from './TestForm.tsx';
import { TestPanel } from './TestPanel.tsx';

const KeptTrace = part(() => import('./measure/KeptTrace.tsx'));

/** What stands open beside the view: an entry of the log, or one that is being entered. */
export type Open =
  | { readonly kind: 'entry'; readonly key: string }
  | { readonly kind: 'take'; readonly test: Draft<Test> }
  | { readonly kind: 'burst'; readonly item: Draft<Clearing> }
  | { readonly kind: 'bench'; readonly item: Draft<BenchResult> }
  | { readonly kind: 'counter' }
  | { readonly kind: 'incident' };

/** A burst that is being logged; nothing is guessed. */
export const newBurst = (): Draft<Clearing> => ({
  id: newId(),
  bodyId: '',
  cardId: '',
  slotId: null,
  date: today(),
  fileMB: '',
  framesUntilSlow: null,
  frames: '',
  burstFps: null,
  shutterSeconds: null,
  clearSeconds: '',
});

/** A bench result that is being logged. */
export const newBench = (): Draft<BenchResult> => ({
  id: newId(),
  cardId: '',
  date: today(),
  reader: null,
  port: null,
  program: 'sequential',
  readMBps: null,
  writeMBps: null,
  lowestWriteMBps: null,
});

interface OpenedProps {
  readonly kit: ProveKit;
  readonly open: Open;
  /** The entry that is open; undefined while one is being entered. */
  readonly entry: Entry | undefined;
  readonly isGone: boolean;
  readonly named: Named;
  readonly watch: Stopwatch;
  readonly why: PuzzleWhy | null;
  readonly onSaved: (id: string) => void;
  /** Closes without asking: what was typed is saved or thrown away. */
  readonly onDone: () => void;
  readonly onClose: () => void;
  readonly onDelete: (entry: Entry) => void;
  readonly onAgain: (test: Draft<Test>) => void;
}

/** The panel beside the view. */
export function Opened(props: OpenedProps) {
  const { kit, open, entry, isGone, named, watch, why, onSaved, onDone, onClose, onDelete, onAgain } = props;
  return (
    <aside className={css.side} aria-label="What is open">
      {open.kind === 'take' && (
        <>
          <PanelHead title="Log a take" onClose={onClose} />
          <TestForm
            key={open.test.id}
            kit={kit}
            test={open.test}
            isNew
            isGone={false}
            onSaved={(test) => onSaved(test.id)}
            onTime={
              watch.running
                ? null
                : (timed) => {
                    onDone();
                    watch.start(timed);
                  }
            }
            onClose={onDone}
          />
        </>
      )}
      {open.kind === 'burst' && (
        <>
          <PanelHead title="Log a burst" onClose={onClose} />
          <BurstForm
            key={open.item.id}
            kit={kit}
            item={open.item}
            isNew
            isGone={false}
            onSaved={({ id }) => onSaved(id)}
            onClose={onDone}
          />
        </>
      )}
      {open.kind === 'bench' && (
        <>
          <PanelHead title="Log a bench result" onClose={onClose} />
          <BenchForm
            key={open.item.id}
            kit={kit}
            item={open.item}
            isNew
            isGone={false}
            onSaved={({ id }) => onSaved(id)}
            onClose={onDone}
          />
        </>
      )}
      {open.kind === 'counter' && (
        <>
          <PanelHead title="Note a counter" onClose={onClose} />
          <CounterForm kit={kit} onDone={onDone} />
        </>
      )}
      {open.kind === 'incident' && (
        <>
          <PanelHead title="Note an incident" onClose={onClose} />
          <IncidentForm kit={kit} onDone={onDone} />
        </>
      )}
      {open.kind === 'entry' && entry?.kind === 'take' && (
        <TestPanel
          key={entry.key}
          kit={kit}
          entry={entry}
          isGone={isGone}
          named={named}
          why={why}
          onDelete={() => onDelete(entry)}
          onAgain={onAgain}
          onClose={onClose}
        />
      )}
      {open.kind === 'entry' && entry && entry.kind !== 'take' && (
        <>
          <PanelHead
            title={entryName(entry, named)}
            onClose={onClose}
            onDelete={isGone ? undefined : () => onDelete(entry)}
          />
          {entry.kind === 'burst' && (
            <BurstForm
              key={entry.key}
              kit={kit}
              item={entry.clearing}
              isNew={false}
              isGone={isGone}
              onSaved={() => {}}
              onClose={onDone}
            />
          )}
          {entry.kind === 'bench' && entry.bench.trace && (
            <KeptTrace bench={entry.bench} card={named.cards.get(entry.bench.cardId)} />
          )}
          {entry.kind === 'bench' && (
            <BenchForm
              key={entry.key}
              kit={kit}
              item={entry.bench}
              isNew={false}
              isGone={isGone}
              onSaved={() => {}}
              onClose={onDone}
            />
          )}
          {entry.kind === 'counter' && (
            <p>
              It stands with its body:{' '}
              <a href={`/bodies?open=${encodeURIComponent(entry.bodyId ?? '')}`}>change it there</a>.
            </p>
          )}
          {entry.kind === 'report' && (
            <p>
              {entry.report.from ?? 'Nobody named'} gave it, read in on {entry.report.received}. It stands beside your
              answers and changes none of them.
            </p>
          )}
          {entry.kind === 'incident' && (
            <p>
              {entry.date}. It stands with its card:{' '}
              <a href={`/cards?open=${encodeURIComponent(entry.cardId ?? '')}`}>change it there</a>.
            </p>
          )}
        </>
      )}
    </aside>
  );
}

interface PanelHeadProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly onDelete?: (() => void) | undefined;
}

function PanelHead({ title, onClose, onDelete }: PanelHeadProps) {
  return (
    <header className={css.panelHead}>
      <h2>{title}</h2>
      {onDelete && (
        <button type="button" className="plain-button" onClick={onDelete}>
          Delete
        </button>
      )}
      <button type="button" className="plain-button" onClick={onClose}>
        Close
      </button>
    </header>
  );
}
