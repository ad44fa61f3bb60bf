import { useMemo, useState } from 'react';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { ENTRY_KINDS, LOG_ORDERS, shownEntries, WHOLE_LOG } from '../../app/prove/proveViews.ts';
import type { Entry, EntryKind, LogOrder, LogView } from '../../core/prove/entries.ts';
import { shortDayText } from '../../text/kit/when.ts';
import {
  countText,
  END_CHOICES,
  entryWords,
  KIND_WORDS,
  logLine,
  type Named,
  ORDER_WORDS,
} from '../../text/prove/log.ts';
import css from './LogList.module.css';

/** One thing to filter or order the log by. */
interface Choice {
  readonly label: string;
  readonly value: string;
  /** What may be chosen, with the word for it. */
  readonly all: readonly (readonly [string, string])[];
  /** What no choice is called; empty where one is always chosen. */
  readonly every: string;
  readonly onChange: (value: string) => void;
}

interface LogListProps {
  readonly kit: ProveKit;
  readonly entries: readonly Entry[];
  readonly named: Named;
  readonly openKey: string | null;
  readonly onOpen: (entry: Entry) => void;
}

/** Entries drawn at once: a log of thousands is searched, not scrolled. */
const PAGE = 60;

/** The log: what was tested, newest first, with what it is narrowed by. Failed takes nobody looked at stand on top. */
export function LogList({ kit, entries, named, openKey, onOpen }: LogListProps) {
  const [view, setView] = useState<LogView>(WHOLE_LOG);
  const [narrowing, setNarrowing] = useState(false);
  const [limit, setLimit] = useState(PAGE);
  const [thisYear] = useState(() => new Date().getFullYear());
  const shown = useMemo(() => shownEntries(entries, view, (entry) => entryWords(entry, named)), [entries, view, named]);
  // A wallet of thousands is no list to choose from: those that stand in the log.
  const inLog = useMemo(() => {
    const bodyIds = new Set(entries.map(({ bodyId }) => bodyId));
    const cardIds = new Set(entries.map(({ cardId }) => cardId));
    return {
      bodies: kit.bodies.filter(({ id }) => bodyIds.has(id)).map(({ id, name }) => [id, name] as const),
      cards: kit.cards.filter(({ id }) => cardIds.has(id)).map(({ id, label }) => [id, label] as const),
    };
  }, [entries, kit.bodies, kit.cards]);
  const set = (part: Partial<LogView>): void => {
    setView({ ...view, ...part });
    setLimit(PAGE);
  };
  const choice = ({ label, value, all, every, onChange }: Choice) => (
    <select
      aria-label={label}
      className={css.filter}
      value={value}
      onChange={(event) => onChange(event.currentTarget.value)}
    >
      {every !== '' && <option value="">{every}</option>}
      {all.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </select>
  );
  return (
    <section aria-label="Log" className={css.log}>
      <div className={css.filters}>
        <input
          type="search"
          className={css.search}
          aria-label="Search the log"
          placeholder="Search"
          value={view.text}
          onChange={(event) => set({ text: event.currentTarget.value })}
        />
        <button type="button" className={css.narrow} aria-expanded={narrowing} onClick={() => setNarrowing(!narrowing)}>
          {narrowing ? 'Fewer choices' : 'Filter'}
        </button>
        <div className={css.choices} data-open={narrowing || undefined}>
          {choice({
            label: 'Camera',
            value: view.bodyId ?? '',
            all: inLog.bodies,
            every: 'all cameras',
            onChange: (id) => set({ bodyId: id || null }),
          })}
          {choice({
            label: 'Card',
            value: view.cardId ?? '',
            all: inLog.cards,
            every: 'all cards',
            onChange: (id) => set({ cardId: id || null }),
          })}
          {choice({
            label: 'Kind',
            value: view.kind ?? '',
            all: ENTRY_KINDS.map((kind) => [kind, KIND_WORDS[kind]] as const),
            every: 'everything',
            onChange: (kind) => set({ kind: (kind || null) as EntryKind | null }),
          })}
          {choice({
            label: 'Ended',
            value: view.end ?? '',
            all: END_CHOICES.map(({ value, label }) => [value, label] as const),
            every: 'any end',
            onChange: (end) => set({ end: (end || null) as LogView['end'] }),
          })}
          {choice({
            label: 'Order',
            value: view.order,
            all: LOG_ORDERS.map((order) => [order, ORDER_WORDS[order]] as const),
            every: '',
            onChange: (order) => set({ order: order as LogOrder }),
          })}
        </div>
      </div>
      <p className={css.count} role="status">
        {countText(shown.length, entries.length)}
        {shown.length === 0 && entries.length > 0 && (
          <>
            {' '}
            <button type="button" className="plain-button" onClick={() => set(WHOLE_LOG)}>
              Show all
            </button>
          </>
        )}
      </p>
      <ul className={css.list}>
        {shown.slice(0, limit).map((entry) => {
          const line = logLine(entry, named);
          return (
            <li key={entry.key}>
              <button
                type="button"
                className={css.line}
                aria-pressed={entry.key === openKey}
                onClick={() => onOpen(entry)}
              >
                <span className={css.date}>{entry.date ? shortDayText(entry.date, thisYear) : '—'}</span>
                <span className={css.what}>
                  <b>{line.title}</b>
                  <small>{line.place}</small>
                  {entry.onTop && <small className="tone-hot">failed after an earlier pass: check it</small>}
                </span>
                <span className={css.figure}>{line.figure}</span>
                <span className={`${css.end} tone-${line.tone}`}>{line.end}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {shown.length > limit && (
        <p className={css.count}>
          {limit} of {shown.length} shown.{' '}
          <button type="button" className="plain-button" onClick={() => setLimit(limit + PAGE * 4)}>
            Show more
          </button>
        </p>
      )}
    </section>
  );
}
