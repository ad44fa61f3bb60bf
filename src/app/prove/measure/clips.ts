import { useSyncExternalStore } from 'react';
import { chaptersOf, joinedChapters } from '../../../core/prove/chapters.ts';
import { readClip } from '../../../core/prove/clip.ts';
import { newId } from '../../../kit/newId.ts';
import type { ClipProblem, ReadClip } from '../../../reading/clips/readClip.ts';
import { files } from '../../tasks/clients.ts';

/** A clip that was dropped, and where reading it stands. */
export interface ClipItem {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly state:
    | { readonly phase: 'waiting' }
    | { readonly phase: 'reading'; readonly share: number }
    | { readonly phase: 'read'; readonly read: ReadClip }
    | { readonly phase: 'refused'; readonly problem: ClipProblem }
    | { readonly phase: 'stopped' };
  /** The card it was recorded on, where that was said. */
  readonly cardId: string;
  /** The files that one take went on through, where a person said so. */
  readonly chapters?: readonly ClipItem[];
  /** Said to be no chapter. */
  readonly isAlone?: true;
}

/** Most clips shown at once. */
const MOST = 200;

let items: readonly ClipItem[] = [];
const waiting: { readonly id: string; readonly file: File }[] = [];
let isReading = false;
let cancelNow: (() => void) | null = null;
const listeners = new Set<() => void>();

function set(next: readonly ClipItem[]): void {
  items = next;
  for (const tell of listeners) tell();
}

const change = (id: string, part: Partial<ClipItem>): void =>
  set(items.map((one) => (one.id === id ? { ...one, ...part } : one)));

/** One after another: a hundred clips at once would only wait for the disk together. */
async function readNext(): Promise<void> {
  if (isReading) return;
  const next = waiting.shift();
  if (!next) return;
  isReading = true;
  const { id, file } = next;
  change(id, { state: { phase: 'reading', share: 0 } });
  try {
    const asked = (await files()).ask('clip', file, (share) => change(id, { state: { phase: 'reading', share } }));
    cancelNow = asked.cancel;
    const result = await asked.result;
    if (!result.ok) {
      const { error } = result;
      change(id, {
        state:
          error.code === 'failed'
            ? { phase: 'refused', problem: { code: 'unreadable', message: error.message } }
            : { phase: 'stopped' },
      });
    } else if (result.value.ok) change(id, { state: { phase: 'read', read: result.value.value } });
    else change(id, { state: { phase: 'refused', problem: result.value.error } });
  } catch (thrown) {
    const message = thrown instanceof Error ? thrown.message : String(thrown);
    change(id, { state: { phase: 'refused', problem: { code: 'unreadable', message } } });
  } finally {
    isReading = false;
    cancelNow = null;
    void readNext();
  }
}

/**
 * Clips to read; they stay until they are taken away or the page is left.
 *
 * @returns how many were not taken, since no more are shown at once
 */
export function addClips(chosen: readonly File[]): number {
  const more = chosen.slice(0, MOST - items.length).map((file) => ({ id: newId(), file }));
  set([
    ...items,
    ...more.map(
      ({ id, file }): ClipItem => ({
        id,
        name: file.name,
        bytes: file.size,
        state: { phase: 'waiting' },
        cardId: '',
      }),
    ),
  ]);
  waiting.push(...more);
  void readNext();
  return chosen.length - more.length;
}

export const onCard = (id: string, cardId: string): void => change(id, { cardId });

export function dropClips(): void {
  waiting.length = 0;
  cancelNow?.();
  set([]);
}

export const dropClip = (id: string): void => {
  const at = waiting.findIndex((one) => one.id === id);
  if (at >= 0) waiting.splice(at, 1);
  if (items.some((one) => one.id === id && one.state.phase === 'reading')) cancelNow?.();
  set(items.filter((one) => one.id !== id));
};

/** Clips that may be chapters of one take, and were not said to be takes of their own. */
export const offeredChapters = (clips: readonly ClipItem[]): readonly (readonly ClipItem[])[] =>
  chaptersOf(
    clips.flatMap((item) => {
      const { state, chapters, isAlone } = item;
      const isOpen = state.phase === 'read' && state.read.clip.cutBytes === null && !chapters && !isAlone;
      return isOpen ? [{ name: item.name, clip: state.read.clip, item }] : [];
    }),
  ).map((run) => run.map(({ item }) => item));

/** Chapters stand as the one take they were, in the place of the first. */
export function joinClips(chapters: readonly ClipItem[]): void {
  const reads = chapters.flatMap(({ state }) => (state.phase === 'read' ? [state.read] : []));
  const [first, last] = [chapters[0], chapters.at(-1)];
  if (!first || !last || reads.length !== chapters.length) return;
  const tracks = joinedChapters(reads.map((read) => read.tracks));
  const take: ClipItem = {
    id: newId(),
    name: `${first.name} to ${last.name}`,
    bytes: chapters.reduce((sum, { bytes }) => sum + bytes, 0),
    state: {
      phase: 'read',
      read: {
        clip: readClip(tracks),
        tracks,
        format: reads[0]?.format ?? '',
        bytesRead: reads.reduce((sum, { bytesRead }) => sum + bytesRead, 0),
      },
    },
    cardId: first.cardId,
    chapters,
  };
  set(items.flatMap((one) => (one.id === first.id ? [take] : chapters.some(({ id }) => id === one.id) ? [] : [one])));
}

/** A take that was put together is its files again, each a take of its own. */
export const apartClip = (id: string): void =>
  set(
    items.flatMap((one) =>
      one.id === id && one.chapters ? one.chapters.map((each): ClipItem => ({ ...each, isAlone: true })) : [one],
    ),
  );

/** Says that these are takes of their own. */
export const keepApart = (clips: readonly ClipItem[]): void =>
  set(items.map((one) => (clips.some(({ id }) => id === one.id) ? { ...one, isAlone: true } : one)));

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

/** The clips of this page, as they are read. */
export const useClips = (): readonly ClipItem[] =>
  useSyncExternalStore(
    subscribe,
    () => items,
    () => items,
  );
