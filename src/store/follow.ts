import { liveQuery } from 'dexie';
import type { Item, ListKey } from '../kit/collections.ts';
import type { Lists, Settings } from '../kit/kit.ts';
import { type Committed, onCommit } from './commits.ts';
import type { Db, Feed, Meta, MetaRow, Row } from './db.ts';
import { feedFrom, rowsOf, settingsFrom } from './read.ts';
import { anyTable } from './rows.ts';

/** How far the kit is from its last export. */
export interface Unexported {
  /** Writes since then. */
  readonly writes: number;
  /** When that was, ISO time; null: never. */
  readonly since: string | null;
}

/** The lists that a view follows, and the settings. */
export type Followed<L extends ListKey> = Pick<Lists, L> & {
  readonly settings: Settings;
  readonly unexported: Unexported;
};

export type FollowState<L extends ListKey> =
  | { readonly phase: 'loading' | 'silent' }
  | { readonly phase: 'failed'; readonly reason: string }
  | { readonly phase: 'unstarted' | 'ready'; readonly kit: Followed<L> };

export interface Follower<L extends ListKey> {
  readonly get: () => FollowState<L>;
  readonly subscribe: (tell: () => void) => () => void;
}

/** Time after which a store that has not answered is said to be silent, milliseconds. */
const SILENCE = 10_000;

/** What is known of one list: its rows by id, and its entries in order. */
interface Known {
  readonly rows: Map<string, Row>;
  readonly items: readonly Item[];
}

const inOrder = (rows: Map<string, Row>): Known => ({
  rows,
  items: [...rows.values()].sort((a, b) => a.order - b.order).map(({ value }) => value),
});

/** The ids of a list that were touched since a write; null where the whole list has to be read. */
function touchedSince(feed: Feed, seen: number, list: ListKey): ReadonlySet<string> | null {
  const missed = feed.recent.filter(({ seq }) => seq > seen);
  if (missed.length !== feed.seq - seen) return null;
  const ids = new Set<string>();
  for (const { lists } of missed) {
    const own = lists[list];
    if (own === null) return null;
    for (const id of own ?? []) ids.add(id);
  }
  return ids;
}

async function refreshed(
  db: Db,
  list: ListKey,
  known: Known | undefined,
  { feed, seen }: { readonly feed: Feed; readonly seen: number },
): Promise<Known> {
  const ids = known ? touchedSince(feed, seen, list) : null;
  if (!known || ids === null) return inOrder(new Map((await rowsOf(db, list)).map((row) => [row.id, row])));
  if (ids.size === 0) return known;
  const wanted = [...ids];
  const found = await anyTable(db, list).bulkGet(wanted);
  const rows = new Map(known.rows);
  wanted.forEach((id, at) => {
    const row = found[at];
    if (row) rows.set(id, row);
    else rows.delete(id);
  });
  return inOrder(rows);
}

/**
 * Follows some lists of the kit: what this tab or another writes shows at once, and only entries that were touched are
 * read again, so that all others stay the very objects they were.
 */
export function followKit<L extends ListKey>(db: Db, lists: readonly L[], silence = SILENCE): Follower<L> {
  let state: FollowState<L> = { phase: 'loading' };
  let seen = -1;
  let running = false;
  let waiting: readonly MetaRow[] | null = null;
  const known: { [K in ListKey]?: Known | undefined } = {};
  const listeners = new Set<() => void>();
  const show = (next: FollowState<L>): void => {
    state = next;
    for (const tell of listeners) tell();
  };
  const failed = (thrown: unknown): void =>
    show({ phase: 'failed', reason: thrown instanceof Error ? thrown.name : String(thrown) });

  /** What is told of a write comes first; entries read after it may be newer, and are then told of again. */
  const read = (rows: readonly MetaRow[]): Promise<FollowState<L>> =>
    db.transaction('r', lists.length > 0 ? [...lists] : ['meta'], async () => {
      const meta = new Map(rows.map(({ key, value }) => [key, value]));
      const feed = feedFrom(meta.get('feed'));
      const read = await Promise.all(lists.map((list) => refreshed(db, list, known[list], { feed, seen })));
      lists.forEach((list, at) => {
        known[list] = read[at];
      });
      seen = feed.seq;
      const exported = meta.get('exported') as Meta['exported'] | undefined;
      const followed = Object.fromEntries(lists.map((list) => [list, known[list]?.items ?? []]));
      const unexported = { writes: feed.seq - (exported?.seq ?? 0), since: exported?.at ?? null };
      const kit = { ...followed, settings: settingsFrom(meta.get('settings')), unexported } as Followed<L>;
      return { phase: meta.get('started') === true ? 'ready' : 'unstarted', kit };
    });

  const isKnown = (rows: readonly MetaRow[]): boolean => {
    const meta = new Map(rows.map(({ key, value }) => [key, value]));
    const exported = meta.get('exported') as Meta['exported'] | undefined;
    if (state.phase !== 'ready' || feedFrom(meta.get('feed')).seq !== seen) return false;
    return (exported?.at ?? null) === state.kit.unexported.since;
  };

  const refresh = async (rows: readonly MetaRow[]): Promise<void> => {
    waiting = rows;
    if (running) return;
    running = true;
    try {
      while (waiting) {
        const next = waiting;
        waiting = null;
        // What this tab wrote itself stands here already.
        if (!isKnown(next)) show(await read(next));
      }
    } catch (thrown) {
      failed(thrown);
    }
    running = false;
  };

  /** A write of this tab is taken over as it was made; where one was missed before it, all is read as usual. */
  const hear = ({ seq, changes, settings }: Committed): void => {
    if (running || seq !== seen + 1 || !('kit' in state)) return;
    for (const list of lists) {
      const own = changes.filter((one) => one.list === list);
      const before = known[list];
      if (own.length === 0 || !before) continue;
      const rows = new Map(before.rows);
      for (const { id, after } of own) {
        if (after) rows.set(id, after);
        else rows.delete(id);
      }
      known[list] = inOrder(rows);
    }
    seen = seq;
    const followed = Object.fromEntries(lists.map((list) => [list, known[list]?.items ?? []]));
    const { unexported } = state.kit;
    const kit = {
      ...followed,
      settings: settings ?? state.kit.settings,
      unexported: { ...unexported, writes: unexported.writes + 1 },
    } as Followed<L>;
    show({ phase: state.phase, kit });
  };

  let stop: (() => void) | null = null;
  const start = (): (() => void) => {
    const timer = setTimeout(() => {
      if (state.phase === 'loading') show({ phase: 'silent' });
    }, silence);
    const live = liveQuery(() => db.meta.toArray()).subscribe({ next: (rows) => void refresh(rows), error: failed });
    const deafen = onCommit(db, hear);
    return () => {
      clearTimeout(timer);
      deafen();
      live.unsubscribe();
    };
  };
  return {
    get: () => state,
    subscribe(tell) {
      listeners.add(tell);
      stop ??= start();
      return () => {
        listeners.delete(tell);
        if (listeners.size > 0) return;
        stop?.();
        stop = null;
      };
    },
  };
}
