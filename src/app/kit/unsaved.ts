import type { ListKey } from '../../kit/collections.ts';
import { VERSION } from '../../kit/kit.ts';
import { isSameValue } from '../../kit/patch.ts';
import { lastChanged } from '../../store/history.ts';
import { database } from './database.ts';

/** What was typed into a form and not saved, kept in the browser until it is. */
export interface Unsaved {
  /** What the form was opened on; null for a new entry. */
  readonly base: unknown;
  readonly values: { readonly id: string };
  /** ISO time of the last key. */
  readonly at: string;
  /** Version of the kit it was typed for: another one may have other fields. */
  readonly version: number;
}

/** What a form edits: an entry of a list, or a block of a plan. */
export type UnsavedList = ListKey | 'blocks';

const PREFIX = 'cool-reel unsaved';
const keyOf = (list: UnsavedList, id: string): string => `${PREFIX} ${list} ${id}`;

/** Storage may be refused or full: then nothing is kept, and nothing else suffers. */
function quietly<T>(work: () => T, otherwise: T): T {
  try {
    return work();
  } catch {
    return otherwise;
  }
}

const isUnsaved = (value: unknown): value is Unsaved => {
  const { values, at, version } = (value ?? {}) as Partial<Unsaved>;
  return (
    version === VERSION &&
    typeof at === 'string' &&
    typeof values === 'object' &&
    values !== null &&
    typeof values.id === 'string'
  );
};

export function keepUnsaved(list: UnsavedList, unsaved: Omit<Unsaved, 'version'>): void {
  const text = JSON.stringify({ ...unsaved, version: VERSION });
  quietly(() => localStorage.setItem(keyOf(list, unsaved.values.id), text), undefined);
}

export function dropUnsaved(list: UnsavedList, id: string): void {
  quietly(() => localStorage.removeItem(keyOf(list, id)), undefined);
}

/** What was left unsaved of an entry; null where nothing, or where it is what is stored anyway. */
export function unsavedOf(list: UnsavedList, id: string, item: unknown): Unsaved | null {
  const kept = readKept(keyOf(list, id));
  return kept && !isSameValue(kept.values, item) ? kept : null;
}

/** New entries that were typed and never saved, the latest first. */
export function unsavedNew(list: UnsavedList): readonly Unsaved[] {
  const keys = quietly(() => Object.keys(localStorage), []);
  return keys
    .filter((key) => key.startsWith(`${PREFIX} ${list} `))
    .flatMap((key) => readKept(key) ?? [])
    .filter(({ base }) => base === null)
    .sort((a, b) => b.at.localeCompare(a.at));
}

/**
 * Whether what was left unsaved of an entry is older than the entry: a browser that was killed may bring back what was typed
 * before the last save. Blocks of a plan are not asked: their plan is what was changed.
 */
export async function isOutdated(list: UnsavedList, { at, values }: Unsaved): Promise<boolean> {
  if (list === 'blocks') return false;
  const changed = await quietlyAsync(() => lastChanged(database, list, values.id), null);
  return changed !== null && changed > at;
}

async function quietlyAsync<T>(work: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await work();
  } catch {
    return otherwise;
  }
}

const readKept = (key: string): Unsaved | null =>
  quietly(() => {
    const value: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    return isUnsaved(value) ? value : null;
  }, null);
