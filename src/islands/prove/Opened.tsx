import type { ReactNode } from 'react';
import type { Draft } from '../../app/kit/draft.ts';
import { type Open, type OpenedPart, openedModel } from '../../app/prove/opened.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import type { Stopwatch } from '../../app/prove/stopwatch.ts';
import type { Test } from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import type { PuzzleWhy } from '../../core/prove/puzzles.ts';
import type { Named } from '../../text/prove/log.ts';
import { part } from '../../ui/part.tsx';
import { BenchForm, BurstForm } from './MeasureForms.tsx';
import { CounterForm, IncidentForm } from './NoteForms.tsx';
import css from './ProveView.module.css';
import { TestForm } from './TestForm.tsx';
import { TestPanel } from './TestPanel.tsx';

const KeptTrace = part(() => import('./measure/KeptTrace.tsx'));

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

type Shown<K extends OpenedPart['kind']> = Extract<OpenedPart, { kind: K }>;
type Drawings = { readonly [K in OpenedPart['kind']]: (shown: Shown<K>, props: OpenedProps) => ReactNode };

const nothing = (): void => {};

/** What fills the panel, by its kind. */
const DRAWN: Drawings = {
  take: ({ test }, { kit, watch, onSaved, onDone }) => (
    <TestForm
      key={test.id}
      kit={kit}
      test={test}
      isNew
      isGone={false}
      onSaved={({ id }) => onSaved(id)}
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
  ),
  burst: ({ item, isNew }, { kit, isGone, onSaved, onDone }) => (
    <BurstForm
      key={item.id}
      kit={kit}
      item={item}
      isNew={isNew}
      isGone={!isNew && isGone}
      onSaved={isNew ? ({ id }) => onSaved(id) : nothing}
      onClose={onDone}
    />
  ),
  bench: ({ item, isNew }, { kit, isGone, onSaved, onDone }) => (
    <BenchForm
      key={item.id}
      kit={kit}
      item={item}
      isNew={isNew}
      isGone={!isNew && isGone}
      onSaved={isNew ? ({ id }) => onSaved(id) : nothing}
      onClose={onDone}
    />
  ),
  traced: ({ bench }, props) => (
    <>
      <KeptTrace bench={bench} card={props.named.cards.get(bench.cardId)} />
      {DRAWN.bench({ kind: 'bench', item: bench, isNew: false }, props)}
    </>
  ),
  counter: (_, { kit, onDone }) => <CounterForm kit={kit} onDone={onDone} />,
  incident: (_, { kit, onDone }) => <IncidentForm kit={kit} onDone={onDone} />,
  test: ({ entry }, { kit, isGone, named, why, onDelete, onAgain, onClose }) => (
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
  ),
  words: ({ text, link }) => (
    <p>
      {text} {link && <a href={link.href}>{link.text}</a>}
      {link && '.'}
    </p>
  ),
};

/** The panel beside the view. */
export function Opened(props: OpenedProps) {
  const { open, entry, isGone, named, onClose, onDelete } = props;
  const model = openedModel(open, entry, { isGone, named });
  if (!model) return <aside className={css.side} aria-label="What is open" />;
  const { title, deletes, part: shown } = model;
  // The table and the part are of one kind, which the compiler cannot follow.
  const draw = DRAWN[shown.kind] as (shown: OpenedPart, props: OpenedProps) => ReactNode;
  return (
    <aside className={css.side} aria-label="What is open">
      {title !== null && (
        <PanelHead title={title} onClose={onClose} onDelete={deletes ? () => onDelete(deletes) : undefined} />
      )}
      {draw(shown, props)}
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
