import type {
  BenchResult,
  Body,
  Card,
  Clearing,
  CounterReading,
  Incident,
  Report,
  Test,
  TestEnd,
} from '../kit/model.ts';
import { readTest } from '../match/testReading.ts';

/** What stands in the log. */
export const ENTRY_KINDS = ['take', 'burst', 'counter', 'bench', 'incident', 'report'] as const;
/** What stands in the log. */
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** One line of the log. Counter readings belong to their body and incidents to their card: they are shown, not kept twice. */
export type Entry = {
  readonly key: string;
  /** ISO date; empty where none was noted. */
  readonly date: string;
  readonly bodyId: string | null;
  readonly cardId: string | null;
  /** A failed take that nobody has looked at since: it stands above the rest. */
  readonly onTop: boolean;
} & (
  | { readonly kind: 'take'; readonly test: Test }
  | { readonly kind: 'burst'; readonly clearing: Clearing }
  | { readonly kind: 'counter'; readonly reading: CounterReading }
  | { readonly kind: 'bench'; readonly bench: BenchResult }
  | { readonly kind: 'incident'; readonly incident: Incident }
  | { readonly kind: 'report'; readonly report: Report }
);

/** The lists that the log is made of. */
export interface LogKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly clearings: readonly Clearing[];
  readonly benches: readonly BenchResult[];
  readonly reports: readonly Report[];
}

/** Whether a take failed. */
const failed = ({ end }: Pick<Test, 'end'>): boolean => end === 'dropped' || end === 'cut-off';

/** Failed takes of a mode that this pair had passed before, and that nobody has looked at. */
function unseen(tests: readonly Test[]): ReadonlySet<string> {
  const passed = new Map<string, string>();
  const pair = ({ bodyId, cardId, modeId }: Test): string => `${bodyId} ${cardId} ${modeId ?? ''}`;
  for (const test of tests) {
    if (test.end !== 'full') continue;
    const first = passed.get(pair(test));
    const date = test.date ?? '';
    if (first === undefined || date < first) passed.set(pair(test), date);
  }
  return new Set(
    tests
      .filter((test) => {
        const since = passed.get(pair(test));
        return failed(test) && test.looked == null && since !== undefined && (test.date ?? '9') >= since;
      })
      .map(({ id }) => id),
  );
}

/** Everything that was logged, in the order it was entered, list by list. */
export function logEntries({ bodies, cards, tests, clearings, benches, reports }: LogKit): readonly Entry[] {
  const top = unseen(tests);
  return [
    ...tests.map(
      (test): Entry => ({
        kind: 'take',
        key: test.id,
        date: test.date ?? '',
        bodyId: test.bodyId,
        cardId: test.cardId,
        onTop: top.has(test.id),
        test,
      }),
    ),
    ...clearings.map(
      (clearing): Entry => ({
        kind: 'burst',
        key: clearing.id,
        date: clearing.date ?? '',
        bodyId: clearing.bodyId,
        cardId: clearing.cardId,
        onTop: false,
        clearing,
      }),
    ),
    ...benches.map(
      (bench): Entry => ({
        kind: 'bench',
        key: bench.id,
        date: bench.date ?? '',
        bodyId: null,
        cardId: bench.cardId,
        onTop: false,
        bench,
      }),
    ),
    ...reports.map(
      (report): Entry => ({
        kind: 'report',
        key: report.id,
        date: report.date ?? report.received,
        bodyId: report.bodyId,
        cardId: null,
        onTop: false,
        report,
      }),
    ),
    ...bodies.flatMap(({ id, counters }) =>
      (counters ?? []).map(
        (reading, at): Entry => ({
          kind: 'counter',
          key: `counter ${id} ${at}`,
          date: '',
          bodyId: id,
          cardId: null,
          onTop: false,
          reading,
        }),
      ),
    ),
    ...cards.flatMap(({ id, incidents }) =>
      (incidents ?? []).map(
        (incident, at): Entry => ({
          kind: 'incident',
          key: `incident ${id} ${at}`,
          date: incident.date,
          bodyId: null,
          cardId: id,
          onTop: false,
          incident,
        }),
      ),
    ),
  ];
}

/** By what the log is sorted. */
export const LOG_ORDERS = ['newest', 'oldest', 'longest', 'fastest'] as const;
/** By what the log is sorted. */
export type LogOrder = (typeof LOG_ORDERS)[number];

/** What of the log is shown, and in which order. */
export interface LogView {
  /** Null: all. */
  readonly kind: EntryKind | null;
  readonly end: TestEnd | null;
  readonly bodyId: string | null;
  readonly cardId: string | null;
  /** Words that must all stand in it. */
  readonly text: string;
  readonly order: LogOrder;
}

export const WHOLE_LOG: LogView = { kind: null, end: null, bodyId: null, cardId: null, text: '', order: 'newest' };

const secondsOf = (entry: Entry): number =>
  entry.kind === 'take'
    ? entry.test.seconds * (entry.test.takes ?? 1)
    : entry.kind === 'burst'
      ? entry.clearing.clearSeconds
      : -1;

const rateOf = (entry: Entry): number =>
  entry.kind === 'take' ? (entry.test.writtenMBps ?? -1) : entry.kind === 'bench' ? (entry.bench.writeMBps ?? -1) : -1;

const SORTED: Readonly<Record<LogOrder, (a: Entry, b: Entry) => number>> = {
  newest: (a, b) => (a.date < b.date ? 1 : a.date > b.date ? -1 : 0),
  oldest: (a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0),
  longest: (a, b) => secondsOf(b) - secondsOf(a),
  fastest: (a, b) => rateOf(b) - rateOf(a),
};

/**
 * The entries that a view asks for. Failed takes that nobody looked at come first in every order.
 *
 * @param wordsOf - what a person may search an entry by
 */
export function shownEntries(
  all: readonly Entry[],
  view: LogView,
  wordsOf: (entry: Entry) => string,
): readonly Entry[] {
  const words = view.text.toLowerCase().split(/\s+/).filter(Boolean);
  const matching = all.filter(
    (entry) =>
      (view.kind === null || entry.kind === view.kind) &&
      (view.end === null || (entry.kind === 'take' && entry.test.end === view.end)) &&
      (view.bodyId === null || entry.bodyId === view.bodyId) &&
      (view.cardId === null || entry.cardId === view.cardId) &&
      (words.length === 0 || words.every((word) => wordsOf(entry).toLowerCase().includes(word))),
  );
  const sorted = matching
    .map((entry, at) => ({ entry, at }))
    .sort((a, b) => SORTED[view.order](a.entry, b.entry) || b.at - a.at)
    .map(({ entry }) => entry);
  return [...sorted.filter(({ onTop }) => onTop), ...sorted.filter(({ onTop }) => !onTop)];
}

/** What is odd about a take before it is kept: asked once, never refused. */
export type TakeDoubt =
  | { readonly code: 'misfit' }
  /** A date that has not come yet. */
  | { readonly code: 'future'; readonly date: string }
  /** It ended full, and its clip is far from filling the card. */
  | { readonly code: 'half-full'; readonly clipGB: number; readonly roomGB: number };

/** Share of a card that the clips of a take that filled it must reach [A]. */
const FILLS = 0.8;

/**
 * @param today - ISO date
 */
export function takeDoubts(test: Test, body: Body, card: Card, today: string): readonly TakeDoubt[] {
  const found: TakeDoubt[] = [];
  const roomGB = card.usableGB ?? card.capacityGB;
  const clips = test.clipGB == null ? null : test.clipGB * (test.takes ?? 1);
  const half = test.end === 'full' && clips !== null && clips < roomGB * FILLS;
  // Half the bytes on a full card is told as what it is, before any ratio is made of it.
  if (half && clips !== null) found.push({ code: 'half-full', clipGB: clips, roomGB });
  else if (readTest(test, body, card).misfit !== null) found.push({ code: 'misfit' });
  if (test.date !== null && test.date.slice(0, 10) > today) found.push({ code: 'future', date: test.date });
  return found;
}
